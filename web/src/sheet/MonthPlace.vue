<script setup lang="ts">
import { dateAfter, dayOf } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { onlyOf, readingsOf, type DaySheet } from '@tadka/core/sheet'
import { exceptionWords, leftWords, runTimes, summaryWords } from '@tadka/words/sheet'
import { NButton, NProgress } from 'naive-ui'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTeller } from '../site/teller.ts'
import { useTimes } from '../site/times.ts'
import { ask } from '../wire/api.ts'
import { nowByMinute } from '../wire/clock.ts'
import LogTabs from './LogTabs.vue'
import StationPick from './StationPick.vue'

/** A month on paper: each day's cleanings with from, to, who and their checks, and what was not as it should be; every station or one. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const tell = useTeller()
const { date, month: monthName } = useTimes()
const route = useRoute()
const router = useRouter()

const today = computed(() => {
  const set = site.set as Partial<SiteSet> | null
  return set?.hours ? dayOf(set as SiteSet, nowByMinute()) : ''
})
const asked = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : '')
const isMonth = (text: string) => /^\d{4}-(0[1-9]|1[0-2])$/.test(text)
const month = computed(() => (isMonth(asked('month')) ? asked('month') : today.value.slice(0, 7)))
const station = computed(() => asked('station'))
function show(change: { month?: string; station?: string }): void {
  const all = { month: month.value, station: station.value, ...change }
  void router.push({ query: Object.fromEntries(Object.entries(all).filter(([, v]) => v)) })
}
const before = computed(() => dateAfter(`${month.value}-01`, -1).slice(0, 7))
const after = computed(() => dateAfter(`${month.value}-28`, 4).slice(0, 7))
const days = ref<readonly DaySheet[]>([])
const progress = ref<{ readonly done: number; readonly of: number } | null>(null)
const failed = ref(false)
let turn = 0
onScopeDispose(() => turn++)
async function load(): Promise<void> {
  const mine = ++turn
  const wanted: string[] = []
  for (
    let day = `${month.value}-01`;
    day.startsWith(month.value) && day <= today.value;
    day = dateAfter(day, 1)
  )
    wanted.push(day)
  days.value = []
  failed.value = false
  const read: DaySheet[] = []
  for (const day of wanted) {
    progress.value = { done: read.length, of: wanted.length }
    const got = await ask<DaySheet>('GET', `/api/sites/${session.site}/sheets/${day}`).catch(() => null)
    if (mine !== turn) return
    if (!got) {
      failed.value = true
      break
    }
    read.push(got)
  }
  progress.value = null
  if (!failed.value) days.value = read
}
watch([month, () => today.value === ''], () => today.value && void load(), { immediate: true })

const sheets = computed(() =>
  days.value
    .map((d) => onlyOf(d, station.value ? [station.value] : []))
    .filter((d) => d.stations.length > 0 || d.left.length > 0 || readingsOf(d).length > 0),
)
const print = () => window.print()
</script>

<template>
  <div class="month">
    <place-bar :title="t('place.log')" class="no-print"><log-tabs /></place-bar>
    <div class="body">
      <div class="which no-print">
        <n-button :aria-label="t('sheet.monthBefore')" @click="show({ month: before })">‹</n-button>
        <n-button
          :aria-label="t('sheet.monthAfter')"
          :disabled="after > today.slice(0, 7)"
          @click="show({ month: after })"
          >›</n-button
        >
        <station-pick :model-value="station" @update:model-value="(of: string) => show({ station: of })" />
        <n-button :disabled="sheets.length === 0" @click="print">{{ t('sheet.printMonth') }}</n-button>
      </div>
      <h2 v-if="today" class="title">
        {{ monthName(month) }}{{ station ? `, ${names.station(station)}` : '' }}
      </h2>
      <div v-if="progress" role="status">
        <p>{{ t('trend.reading', { ...progress }) }}</p>
        <n-progress
          :percentage="Math.round((100 * progress.done) / Math.max(1, progress.of))"
          :show-indicator="false"
          :aria-label="t('trend.reading', { ...progress })"
        />
      </div>
      <p v-else-if="failed" class="empty">
        {{ t('sheet.unreachable') }} <n-button @click="load">{{ t('trend.again') }}</n-button>
      </p>
      <p v-else-if="sheets.length === 0" class="empty">{{ t('sheet.nothingMonth') }}</p>
      <section v-for="d in sheets" :key="d.day">
        <h3>
          <router-link :to="{ path: '/log', query: { day: d.day, ...(station ? { station } : {}) } }">{{
            date(d.day)
          }}</router-link>
        </h3>
        <p class="quiet small">{{ summaryWords(tell, d) }}</p>
        <p v-for="(l, i) in d.left.filter((x) => x.what !== 'amended')" :key="i" class="left">
          {{ leftWords(tell, l) }}
        </p>
        <template v-for="s in d.stations" :key="s.station">
          <p v-for="r in s.runs" :key="r.run" class="run">
            <span class="time">{{ runTimes(tell, r) }}</span>
            <span class="what">
              <b v-if="!station">{{ names.station(s.station) }}</b> {{ names.procedure(r.procedure) }}
              <span v-for="(e, i) in r.exceptions" :key="i" class="exception">{{
                exceptionWords(tell, e)
              }}</span>
            </span>
            <span class="who">{{ r.by.map(tell.person).join(', ') }}</span>
            <verdict-mark v-if="r.verdict" :verdict="r.verdict" :size="16" />
          </p>
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.body {
  padding: 0 var(--gutter) 40px;
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
.title {
  font-size: 26px;
}
.empty {
  padding: 40px 0;
  font-size: 20px;
}
section {
  padding: 12px 0 6px;
}
h3 {
  font-size: 19px;
  border-bottom: 1.5px solid var(--ink);
  break-after: avoid;
}
h3 a {
  color: inherit;
  min-height: 48px;
  display: inline-flex;
  align-items: center;
}
.left,
.exception {
  font-weight: 600;
}
.left {
  padding-left: 8px;
  border-left: 4px solid var(--close);
}
.run {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) minmax(90px, 160px) 150px;
  gap: 10px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line-soft);
  break-inside: avoid;
}
.exception {
  display: block;
}
.time {
  font-variant-numeric: tabular-nums;
}
@media (max-width: 760px) {
  .run {
    grid-template-columns: 1fr auto;
  }
  .what {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
@media print {
  h3 a {
    min-height: 0;
    text-decoration: none;
  }
}
</style>
