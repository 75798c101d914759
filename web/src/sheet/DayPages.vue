<script setup lang="ts">
import { dateAfter } from '@tadka/core/calendar'
import { NButton } from 'naive-ui'
import { computed, toRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useDaySheet } from './day-sheet.ts'
import DayField from '../pieces/DayField.vue'
import { useSession } from '../rights/session.ts'
import DaySheetView from './DaySheetView.vue'
import ReviewDay from './ReviewDay.vue'
import StationPick from './StationPick.vue'

/** Day sheets to turn over: any day up to today, every station or one, as they are kept and as they are printed. */
const props = defineProps<{
  /** ISO dates; the first that may be shown, where not all may. */
  day: string
  today: string
  first?: string
  /** A station's id; empty: every one. */ station: string
}>()
const emit = defineEmits<{ show: [change: { day?: string; station?: string }] }>()
const { t } = useI18n()
const session = useSession()
const { date } = useTimes()
const { sheet, failed, load } = useDaySheet(toRef(props, 'day'))
/** A day that is over is looked through by who may. */
const mayReview = computed(() => session.mayDo('review-day') && props.day < props.today)

const typed = computed({ get: () => props.day, set: (day) => emit('show', { day }) })
const print = () => window.print()
</script>

<template>
  <div class="body">
    <div class="which no-print">
      <n-button
        :aria-label="t('sheet.before')"
        :disabled="first !== undefined && day <= first"
        @click="emit('show', { day: dateAfter(day, -1) })"
        >‹</n-button
      >
      <day-field v-model="typed" :min="first" :max="today" :label="t('sheet.day')" />
      <n-button
        :aria-label="t('sheet.after')"
        :disabled="day >= today"
        @click="emit('show', { day: dateAfter(day, 1) })"
        >›</n-button
      >
      <station-pick
        :model-value="station"
        @update:model-value="(s: string) => emit('show', { station: s })"
      />
      <n-button :disabled="!sheet" @click="print">{{ t('sheet.print') }}</n-button>
      <router-link
        v-if="session.mayDo('read')"
        :to="{ path: '/log/month', query: { month: day.slice(0, 7), ...(station ? { station } : {}) } }"
        class="month"
        >{{ t('sheet.month') }}</router-link
      >
      <review-day v-if="mayReview && sheet" :sheet="sheet" @done="load" />
      <slot />
    </div>
    <h2 v-if="day" class="title">{{ date(day) }}</h2>
    <day-sheet-view v-if="sheet" :of="sheet" :station="station" />
    <p v-else-if="failed" class="empty">{{ t('sheet.unreachable') }}</p>
    <p v-else class="empty quiet" role="status">{{ t('sheet.reading') }}</p>
  </div>
</template>

<style scoped>
.body {
  padding: 0 var(--gutter);
  max-width: 1100px;
}
.which {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  align-items: center;
  padding: 6px 0 10px;
}
.which :deep(.n-button) {
  min-height: 48px;
  min-width: 52px;
}
.month {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  padding: 0 6px;
  font-weight: 600;
}
.title {
  font-size: 26px;
}
.empty {
  padding: 40px 0;
  font-size: 20px;
}
</style>
