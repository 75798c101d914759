<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import TimeField from '../site/TimeField.vue'
import { useTimes } from '../site/times.ts'
import DraftRow from './DraftRow.vue'
import type { TradeDraft } from './trade-draft.ts'

/** When the site trades, and the days it does not. */
const draft = defineModel<TradeDraft>({ required: true })
defineProps<{ may: boolean }>()
const { t } = useI18n()
const { isTwelve } = useTimes()
</script>

<template>
  <h2>{{ t('house.trading.hours') }}</h2>
  <p class="quiet small">{{ t(isTwelve() ? 'house.trading.hoursHow12' : 'house.trading.hoursHow') }}</p>
  <ul class="week">
    <li v-for="(day, i) in draft.week" :key="i">
      <b>{{ t(`house.trading.weekday.${i + 1}`) }}</b>
      <time-field
        v-for="end in ['open', 'close'] as const"
        :key="end"
        v-model="day[end]"
        :label="`${t(`house.trading.weekday.${i + 1}`)}, ${t(`house.trading.${end}`)}`"
        :empty="t('house.trading.closed')"
        :disabled="!may"
        v-bind="end === 'close' ? { after: day.open } : {}"
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
  grid-template-columns: 1fr 108px 108px;
  gap: 10px;
  align-items: center;
}
</style>
