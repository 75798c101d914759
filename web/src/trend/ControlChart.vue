<script setup lang="ts">
import type { SolutionTrend } from '@tadka/core/trend'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'

/** How strong each mix was, by time, with where it used to lie and how far by chance; what is no chance is a square. */
const props = defineProps<{ of: SolutionTrend }>()
const { t } = useI18n()
const { date } = useTimes()
const [wide, high, left, under] = [720, 150, 48, 20]

const range = computed(() => {
  const { chart, points } = props.of
  const all = [...points.map((p) => p.value), ...(chart ? [chart.lower, chart.upper] : [])]
  const [lo, hi] = [Math.max(0, Math.min(...all)), Math.max(...all)]
  const room = Math.max(10, (hi - lo) * 0.1)
  return { lo: Math.max(0, lo - room), hi: hi + room }
})
const span = computed(() => {
  const from = props.of.points[0]?.at ?? 0
  return { from, to: Math.max(props.of.points.at(-1)?.at ?? 0, from + 1) }
})
const x = (at: number) =>
  left + 6 + ((at - span.value.from) / (span.value.to - span.value.from)) * (wide - left - 14)
const y = (ppm: number) => {
  const { lo, hi } = range.value
  return 6 + ((hi - ppm) / (hi - lo)) * (high - under - 6)
}
const marked = computed(() => new Set(props.of.chart?.signals.map((s) => s.index)))
const label = computed(() =>
  t('trend.mix.chart', {
    ...{ n: props.of.points.length, signals: marked.value.size },
    ...{ from: date(span.value.from), to: date(span.value.to) },
  }),
)
</script>

<template>
  <!-- On a phone it is moved sideways, by keyboard too. -->
  <figure class="control chart" tabindex="0">
    <figcaption class="small quiet">{{ t('trend.mix.axis') }}</figcaption>
    <svg :viewBox="`0 0 ${wide} ${high}`" role="img" :aria-label="label">
      <path :d="`M${left} ${high - under}H${wide}`" class="axis" />
      <template v-if="of.chart">
        <path :d="`M${left} ${y(of.chart.centre)}H${wide}`" class="centre" />
        <path
          v-for="limit in [of.chart.lower, of.chart.upper]"
          :key="limit"
          :d="`M${left} ${y(Math.max(0, limit))}H${wide}`"
          class="limit"
        />
        <text :x="left - 6" :y="y(of.chart.centre) + 4" text-anchor="end">
          {{ Math.round(of.chart.centre) }}
        </text>
        <text :x="left - 6" :y="y(of.chart.upper) + 4" text-anchor="end">
          {{ Math.round(of.chart.upper) }}
        </text>
      </template>
      <text :x="left" :y="high - 4">{{ date(span.from) }}</text>
      <text :x="wide" :y="high - 4" text-anchor="end">{{ date(span.to) }}</text>
      <template v-for="(p, i) in of.points" :key="i">
        <rect
          v-if="marked.has(i)"
          :x="x(p.at) - 5"
          :y="y(p.value) - 5"
          width="10"
          height="10"
          class="marked"
        />
        <circle v-else :cx="x(p.at)" :cy="y(p.value)" r="3.2" class="plain" />
      </template>
    </svg>
  </figure>
</template>

<style scoped src="../pieces/dot-chart.css" />
<style scoped>
.control {
  margin: 8px 0;
}
.centre {
  stroke: var(--ink-2);
}
.limit {
  stroke: var(--ink-2);
  stroke-dasharray: 6 5;
}
.plain {
  fill: var(--ink);
}
.marked {
  fill: var(--close);
  stroke: var(--ink);
}
</style>
