<script setup lang="ts">
import { trendDays } from '@tadka/contract/trend'
import type { Trends } from '@tadka/core/trend'
import { NButton, NProgress } from 'naive-ui'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useSession } from '../rights/session.ts'
import LogTabs from '../sheet/LogTabs.vue'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { askLines } from '../wire/api.ts'
import ControlChart from './ControlChart.vue'
import FactTable from './FactTable.vue'
import { useTrendWords } from './trend-words.ts'

/** What the days together tell: each a question, its answer, and what it rests on. */
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { date } = useTimes()
const words = useTrendWords()

const days = ref<number | null>(30)
const trends = ref<Trends | null>(null)
const progress = ref<{ readonly done: number; readonly of: number } | null>(null)
const failed = ref(false)
let under: AbortController | null = null

async function load(): Promise<void> {
  under?.abort()
  const stopping = new AbortController()
  under = stopping
  trends.value = null
  failed.value = false
  progress.value = { done: 0, of: days.value ?? 1 }
  try {
    await askLines<{ done: number; of: number } | { trends: Trends }>(
      `/api/sites/${session.site}/trends`,
      (line) => {
        if ('trends' in line) trends.value = line.trends
        else progress.value = line
      },
      stopping.signal,
      { days: days.value },
    )
    // A line that was cut off is no answer.
    if (under === stopping) failed.value = trends.value === null
  } catch {
    if (under === stopping) failed.value = true
  } finally {
    if (under === stopping) progress.value = null
  }
}
watch(days, () => void load(), { immediate: true })
onScopeDispose(() => under?.abort())
const number = (name: string) => ({ name, isNumber: true })
/** Beside the mixes: each a question, its answer, and what it rests on. */
const parts = computed(() => {
  const all = trends.value
  if (!all) return []
  const months = [...new Set(all.work.flatMap((w) => w.months.map((m) => m.month)))].toSorted()
  const isLate = all.late.some((w) => w.late + w.notDone > 0)
  return [
    {
      asks: t('trend.checks.asks'),
      answer: words.checks(all.checks),
      columns: [
        { name: t('trend.checks.where') },
        { name: t('trend.checks.what') },
        number(t('trend.checks.failed')),
        number(t('trend.checks.share')),
        { name: t('trend.checks.when') },
      ],
      rows: all.checks
        .filter((c) => c.failed > 0)
        .map((c) => [
          ...[c.station ? names.station(c.station) : '', t(`bench.what.${c.what}`)],
          ...[
            `${c.failed} / ${c.readings}`,
            `${Math.round((100 * c.failed) / c.readings)} %`,
            words.mostly(c),
          ],
        ]),
    },
    {
      asks: t('trend.cases.asks'),
      answer: words.cases(all.cases),
      columns: [
        { name: t('trend.cases.what') },
        ...['ended', 'open', 'median', 'longest'].map((k) => number(t(`trend.cases.${k}`))),
      ],
      rows: all.cases.map((c) => [
        ...[words.about(c.what), String(c.ended), String(c.open)],
        ...[words.minutes(c.medianMinutes), words.minutes(c.longestMinutes)],
      ]),
    },
    {
      asks: t('trend.late.asks'),
      answer: words.late(all.late),
      look: all.late.some((w) => w.late > 0),
      columns: [
        { name: t('trend.late.week') },
        number(t('trend.late.late')),
        number(t('trend.late.notDone')),
      ],
      rows: isLate ? all.late.map((w) => [date(w.week), String(w.late), String(w.notDone)]) : [],
    },
    {
      asks: t('trend.work.asks'),
      answer: t(all.work.length > 0 ? 'trend.work.how' : 'trend.work.none'),
      columns: [{ name: t('trend.work.machine') }, ...months.map((m) => number(words.month(m)))],
      rows: all.work.map((w) => [
        `${names.station(w.station)}: ${names.procedure(w.procedure)}`,
        ...months.map((m) => words.took(w, m)),
      ]),
    },
  ]
})
const isEmpty = computed(() => {
  const all = trends.value
  return all !== null && all.work.length + all.checks.length + all.solutions.length + all.cases.length === 0
})
</script>

<template>
  <div class="trends">
    <place-bar :title="t('place.log')"><log-tabs /></place-bar>
    <div class="body">
      <p class="quiet">{{ t('trend.how') }}</p>
      <choice-pick
        v-model="days"
        class="no-print"
        :label="t('trend.span')"
        named
        :choices="trendDays.map((n) => ({ value: n as number, text: t(`trend.days.${n}`) }))"
      />
      <div v-if="progress" role="status" class="progress">
        <p>{{ t('trend.reading', { ...progress }) }}</p>
        <n-progress
          :percentage="Math.round((100 * progress.done) / progress.of)"
          :show-indicator="false"
          :aria-label="t('trend.reading', { ...progress })"
        />
      </div>
      <p v-else-if="failed" class="none">
        {{ t('trend.unreachable') }} <n-button @click="load">{{ t('trend.again') }}</n-button>
      </p>
      <p v-else-if="isEmpty" class="none">{{ t('trend.nothing') }}</p>
      <template v-else-if="trends">
        <section v-for="s in trends.solutions" :key="`${s.product} ${s.use} ${s.tool}`">
          <h2>{{ t('trend.mix.asks', { product: s.productName, tool: words.tool(s.tool) }) }}</h2>
          <p class="answer">{{ words.mix(s) }}</p>
          <control-chart :of="s" />
        </section>
        <section v-for="part in parts" :key="part.asks">
          <h2>{{ part.asks }}</h2>
          <p class="answer">{{ part.answer }}</p>
          <p v-if="part.look" class="no-print">
            <router-link to="/log/entries?only=late" class="look">{{ t('trend.late.look') }}</router-link>
          </p>
          <fact-table v-if="part.rows.length > 0" :columns="part.columns" :rows="part.rows" />
        </section>
      </template>
    </div>
  </div>
</template>

<style scoped>
.body {
  padding: 4px var(--gutter) 40px;
  max-width: 1040px;
}
.none,
.progress {
  padding: 24px 0;
  font-size: 20px;
}
section {
  padding: 22px 0 6px;
  break-inside: avoid;
}
h2 {
  font-size: 20px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 4px;
}
.answer {
  font-size: 20px;
  padding: 8px 0 4px;
}
.look {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
</style>
