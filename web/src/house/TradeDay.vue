<script setup lang="ts">
import { NButton, NInput, NInputNumber } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import DraftRow from './DraftRow.vue'
import { weekdays, type TradeDraft } from './trade-draft.ts'

/** When the site trades, the days it does not, and the sailings that make its rushes. */
const draft = defineModel<TradeDraft>({ required: true })
defineProps<{ may: boolean }>()
const { t } = useI18n()
const add = () => draft.value.sailings.push({ departs: '', days: [...weekdays], load: 1 })
</script>

<template>
  <h2>{{ t('house.trading.hours') }}</h2>
  <p class="quiet small">{{ t('house.trading.hoursHow') }}</p>
  <ul class="week">
    <li v-for="(day, i) in draft.week" :key="i">
      <b>{{ t(`house.trading.weekday.${i + 1}`) }}</b>
      <n-input
        v-for="end in ['open', 'close'] as const"
        :key="end"
        v-model:value="day[end]"
        :disabled="!may"
        :placeholder="t('house.trading.closed')"
        :input-props="{
          'aria-label': `${t(`house.trading.weekday.${i + 1}`)}, ${t(`house.trading.${end}`)}`,
        }"
        size="large"
      />
    </li>
  </ul>
  <h2>{{ t('house.trading.closedDays') }}</h2>
  <ul class="closed">
    <draft-row
      v-for="(closed, i) in draft.closedDays"
      :key="i"
      :may="may"
      columns="1fr"
      :remove="`${t('house.trading.remove')} ${closed}`"
      @remove="draft.closedDays.splice(i, 1)"
    >
      <n-input
        v-model:value="draft.closedDays[i]!"
        placeholder="2026-12-25"
        :disabled="!may"
        :input-props="{ 'aria-label': `${t('house.trading.closedDays')}, ${i + 1}` }"
        size="large"
      />
    </draft-row>
  </ul>
  <n-button v-if="may" size="large" @click="draft.closedDays.push('')">{{
    t('house.trading.addClosed')
  }}</n-button>
  <h2>{{ t('house.trading.sailings') }}</h2>
  <p class="quiet small">{{ t('house.trading.sailingsHow') }}</p>
  <p v-if="draft.sailings.length === 0" class="quiet">{{ t('house.trading.noSailings') }}</p>
  <ul>
    <draft-row
      v-for="(s, i) in draft.sailings"
      :key="i"
      :may="may"
      columns="110px 1fr 130px"
      :remove="t('house.trading.removeSailing', { time: s.departs })"
      @remove="draft.sailings.splice(i, 1)"
    >
      <label
        >{{ t('house.trading.departs') }}
        <n-input v-model:value="s.departs" placeholder="21:10" :disabled="!may" size="large" />
      </label>
      <fieldset>
        <legend>{{ t('house.trading.days') }}</legend>
        <label v-for="d in weekdays" :key="d" class="day">
          <input v-model="s.days" type="checkbox" :value="d" :disabled="!may" />
          <span :title="t(`house.trading.weekday.${d}`)">{{
            t(`house.trading.weekday.${d}`).slice(0, 2)
          }}</span>
        </label>
      </fieldset>
      <label
        >{{ t('house.trading.load') }}
        <n-input-number
          v-model:value="s.load"
          :min="0"
          :max="10"
          :step="0.1"
          :show-button="false"
          :disabled="!may"
          size="large"
        />
      </label>
    </draft-row>
  </ul>
  <n-button v-if="may" size="large" @click="add">{{ t('house.trading.addSailing') }}</n-button>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 10px 32px;
}
.closed {
  max-width: 420px;
}
.week li {
  display: grid;
  grid-template-columns: 1fr 92px 92px;
  gap: 10px;
  align-items: center;
}
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  border: 0;
  margin: 0;
  padding: 0;
}
legend {
  padding: 0;
  font-weight: 600;
  color: var(--ink-2);
}
.day {
  position: relative;
}
.day input {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  margin: 0;
  opacity: 0;
  cursor: pointer;
}
.day span {
  display: grid;
  place-items: center;
  width: 52px;
  height: 56px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
}
.day input:checked + span {
  border-color: var(--sea);
  background: var(--sea-wash);
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline 3px var(--sea);
  text-underline-offset: 5px;
}
.day input:focus-visible + span {
  outline: 3px solid var(--sea);
  outline-offset: 2px;
}
</style>
