<script setup lang="ts">
import { dateAfter, dayOf } from '@tadka/core/duty'
import type { SiteSet } from '@tadka/core/house'
import { NButton, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import OutOfService from '../procedure/OutOfService.vue'
import HeldDrafts from '../record/HeldDrafts.vue'
import RefusedDrafts from '../record/RefusedDrafts.vue'
import SignDay from '../record/SignDay.vue'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { nowByMinute } from '../wire/clock.ts'
import { useDaySheet } from './day-sheet.ts'
import DaySheetView from './DaySheetView.vue'
import LogTabs from './LogTabs.vue'

/** The log, a trading day on a page: any day, every station or one, as it is kept and as it is printed. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const route = useRoute()
const router = useRouter()
const { date } = useTimes()

const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const today = computed(() => (set.value ? dayOf(set.value, nowByMinute()) : ''))
const asked = (name: string) => {
  const found = route.query[name]
  return typeof found === 'string' ? found : ''
}
const isDay = /^\d{4}-\d{2}-\d{2}$/
/** Whatever the address says: a day to come is today. */
const day = computed(() => {
  const of = asked('day')
  return isDay.test(of) && of < today.value ? of : today.value
})
const station = computed(() => asked('station'))
const show = (change: Partial<Record<'day' | 'station', string>>) => {
  const query = { ...route.query, ...change }
  void router.push({ query: Object.fromEntries(Object.entries(query).filter(([, v]) => v)) })
}
const { sheet, failed } = useDaySheet(day)
const stations = computed(() => [
  { value: '', label: t('sheet.everywhere') },
  ...site
    .all('station')
    .flatMap((s) => (s.plate ? [{ value: s.id, label: s.plate.name }] : []))
    .toSorted((a, b) => a.label.localeCompare(b.label)),
])
const typed = computed({ get: () => day.value, set: (d) => isDay.test(d) && show({ day: d }) })
const print = () => window.print()
</script>

<template>
  <div class="log">
    <place-bar :title="t('place.log')" class="no-print">
      <log-tabs />
      <sign-day v-if="session.mayDo('sign-shift')" alone />
    </place-bar>
    <div class="body">
      <div class="no-print">
        <refused-drafts />
        <held-drafts />
        <out-of-service :stations="site.all('station')" plain />
      </div>
      <div class="which no-print">
        <n-button :aria-label="t('sheet.before')" @click="show({ day: dateAfter(day, -1) })">‹</n-button>
        <input v-model="typed" type="date" class="day" :max="today" :aria-label="t('sheet.day')" />
        <n-button
          :aria-label="t('sheet.after')"
          :disabled="day >= today"
          @click="show({ day: dateAfter(day, 1) })"
          >›</n-button
        >
        <n-select
          :value="station"
          :options="stations"
          class="station"
          filterable
          :aria-label="t('sheet.station')"
          @update:value="(s: string) => show({ station: s })"
        />
        <n-button :disabled="!sheet" @click="print">{{ t('sheet.print') }}</n-button>
      </div>
      <h2 v-if="day" class="title">{{ date(day) }}</h2>
      <day-sheet-view v-if="sheet" :sheet="sheet" :station="station" />
      <p v-else-if="failed" class="empty">{{ t('sheet.unreachable') }}</p>
      <p v-else class="empty quiet" role="status">{{ t('sheet.reading') }}</p>
    </div>
  </div>
</template>

<style scoped>
.log {
  padding-bottom: 40px;
}
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
  min-height: 52px;
  min-width: 52px;
}
.day {
  min-height: 52px;
  padding: 0 14px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  color: var(--ink);
  font: inherit;
  font-weight: 600;
}
.station {
  width: 280px;
}
.title {
  font-size: 26px;
}
.empty {
  padding: 40px 0;
  font-size: 20px;
}
</style>
