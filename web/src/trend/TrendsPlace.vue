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
const failing = computed(() => trends.value?.checks.filter((c) => c.failed > 0) ?? [])
const months = computed(() =>
  [...new Set((trends.value?.work ?? []).flatMap((w) => w.months.map((m) => m.month)))].toSorted(),
)
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
        <section>
          <h2>{{ t('trend.checks.asks') }}</h2>
          <p class="answer">{{ words.checks(trends.checks) }}</p>
          <div v-if="failing.length > 0" class="wide" tabindex="0">
            <table>
              <thead>
                <tr>
                  <th scope="col">{{ t('trend.checks.where') }}</th>
                  <th scope="col">{{ t('trend.checks.what') }}</th>
                  <th scope="col" class="number">{{ t('trend.checks.failed') }}</th>
                  <th scope="col" class="number">{{ t('trend.checks.share') }}</th>
                  <th scope="col">{{ t('trend.checks.when') }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="c in failing" :key="`${c.station} ${c.what}`">
                  <td>{{ c.station ? names.station(c.station) : '' }}</td>
                  <td>{{ t(`bench.what.${c.what}`) }}</td>
                  <td class="number">{{ c.failed }} / {{ c.readings }}</td>
                  <td class="number">{{ Math.round((100 * c.failed) / c.readings) }} %</td>
                  <td>{{ words.mostly(c) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
        <section>
          <h2>{{ t('trend.cases.asks') }}</h2>
          <p class="answer">{{ words.cases(trends.cases) }}</p>
          <div v-if="trends.cases.length > 0" class="wide" tabindex="0">
            <table>
              <thead>
                <tr>
                  <th scope="col">{{ t('trend.cases.what') }}</th>
                  <th scope="col" class="number">{{ t('trend.cases.ended') }}</th>
                  <th scope="col" class="number">{{ t('trend.cases.open') }}</th>
                  <th scope="col" class="number">{{ t('trend.cases.median') }}</th>
                  <th scope="col" class="number">{{ t('trend.cases.longest') }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="c in trends.cases" :key="c.what">
                  <td>{{ words.about(c.what) }}</td>
                  <td class="number">{{ c.ended }}</td>
                  <td class="number">{{ c.open }}</td>
                  <td class="number">{{ words.minutes(c.medianMinutes) }}</td>
                  <td class="number">{{ words.minutes(c.longestMinutes) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
        <section>
          <h2>{{ t('trend.late.asks') }}</h2>
          <p class="answer">{{ words.late(trends.late) }}</p>
          <p v-if="trends.late.some((w) => w.late > 0)" class="no-print">
            <router-link to="/log/entries?only=late" class="look">{{ t('trend.late.look') }}</router-link>
          </p>
          <div v-if="trends.late.some((w) => w.late + w.notDone > 0)" class="wide" tabindex="0">
            <table>
              <thead>
                <tr>
                  <th scope="col">{{ t('trend.late.week') }}</th>
                  <th scope="col" class="number">{{ t('trend.late.late') }}</th>
                  <th scope="col" class="number">{{ t('trend.late.notDone') }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="w in trends.late" :key="w.week">
                  <td>{{ date(w.week) }}</td>
                  <td class="number">{{ w.late }}</td>
                  <td class="number">{{ w.notDone }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
        <section>
          <h2>{{ t('trend.work.asks') }}</h2>
          <p class="answer">{{ t(trends.work.length > 0 ? 'trend.work.how' : 'trend.work.none') }}</p>
          <div v-if="trends.work.length > 0" class="wide" tabindex="0">
            <table>
              <thead>
                <tr>
                  <th scope="col">{{ t('trend.work.machine') }}</th>
                  <th v-for="m in months" :key="m" scope="col" class="number">{{ words.month(m) }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="w in trends.work" :key="`${w.station} ${w.procedure}`">
                  <td>
                    <b>{{ names.station(w.station) }}</b> {{ names.procedure(w.procedure) }}
                  </td>
                  <td v-for="m in months" :key="m" class="number">{{ words.took(w, m) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
      </template>
    </div>
  </div>
</template>

<style scoped src="./trends.css" />
