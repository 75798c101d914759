<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FilePick from '../pieces/FilePick.vue'
import { useSite } from '../site/site.ts'
import TimeField from '../site/TimeField.vue'
import { useTimes } from '../site/times.ts'
import DayChoice from './DayChoice.vue'
import DraftRow from './DraftRow.vue'
import LoadField from './LoadField.vue'
import { readRushes } from './rush-calendar.ts'
import type { TradeDraft } from './trade-draft.ts'
import { weekdays } from './week.ts'

/** When most guests come: hours of the week, typed or from a calendar; and the departures of a site that has them. */
const draft = defineModel<TradeDraft>({ required: true })
defineProps<{ may: boolean }>()
const { t } = useI18n()
const { local } = useTimes()
const site = useSite()
const said = ref<{ text: string; bad: boolean } | null>(null)

const add = () => draft.value.rushes.push({ from: '', to: '', days: [...weekdays], load: 1 })

async function bringIn(file: File): Promise<void> {
  try {
    const rushes = await readRushes(await file.text(), site.set?.timeZone ?? 'UTC')
    const isKnown = (from: string, to: string) =>
      draft.value.rushes.some((r) => r.from === from && r.to === to)
    draft.value.rushes.push(
      ...rushes.filter((r) => !isKnown(r.from, r.to)).map((r) => ({ ...r, days: [...r.days] })),
    )
    said.value = {
      bad: rushes.length === 0,
      text:
        rushes.length === 0
          ? t('house.trading.noRushesIn')
          : t('house.trading.broughtRushes', { n: rushes.length }),
    }
  } catch (error) {
    const why = error instanceof Error ? error.message : ''
    said.value = { bad: true, text: t('house.trading.badCalendar', { why }) }
  }
}
</script>

<template>
  <h2>{{ t('house.trading.rushes') }}</h2>
  <p class="quiet small">{{ t('house.trading.rushesHow') }}</p>
  <p v-if="draft.rushes.length + draft.sailings.length === 0" class="quiet">
    {{ t('house.trading.noRushes') }}
  </p>
  <ul>
    <draft-row
      v-for="(r, i) in draft.rushes"
      :key="i"
      :may="may"
      columns="108px 108px 1fr 110px"
      :remove="t('house.trading.removeRush', { time: local(r.from) })"
      @remove="draft.rushes.splice(i, 1)"
    >
      <label
        >{{ t('house.trading.rushFrom') }}
        <time-field v-model="r.from" :label="t('house.trading.rushFrom')" example="11:30" :disabled="!may" />
      </label>
      <label
        >{{ t('house.trading.rushTo') }}
        <time-field
          v-model="r.to"
          :label="t('house.trading.rushTo')"
          example="13:30"
          :after="r.from"
          :disabled="!may"
        />
      </label>
      <day-choice v-model="r.days" :disabled="!may" />
      <load-field v-model="r.load" :disabled="!may" />
    </draft-row>
  </ul>
  <div v-if="may" class="acts">
    <n-button size="large" @click="add">{{ t('house.trading.addRush') }}</n-button>
    <file-pick :text="t('house.trading.bringRushes')" accept=".ics,text/calendar" @pick="bringIn" />
  </div>
  <p v-if="said" role="status" :class="{ bad: said.bad }">{{ said.text }}</p>
  <template v-if="draft.sailings.length > 0">
    <h2>{{ t('house.trading.sailings') }}</h2>
    <p class="quiet small">{{ t('house.trading.sailingsHow') }}</p>
    <ul>
      <draft-row
        v-for="(s, i) in draft.sailings"
        :key="i"
        :may="may"
        columns="120px 1fr 130px"
        :remove="t('house.trading.removeSailing', { time: local(s.departs) })"
        @remove="draft.sailings.splice(i, 1)"
      >
        <label
          >{{ t('house.trading.departs') }}
          <time-field
            v-model="s.departs"
            :label="t('house.trading.departs')"
            example="21:10"
            :disabled="!may"
          />
        </label>
        <day-choice v-model="s.days" :disabled="!may" />
        <load-field v-model="s.load" :disabled="!may" />
      </draft-row>
    </ul>
  </template>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.bad {
  color: var(--out);
  font-weight: 600;
}
</style>
