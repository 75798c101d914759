<script setup lang="ts">
import { isJudged, machineNumbers, stepsOf, type StationState } from '@tadka/core/procedure'
import { directionOf, trendOf } from '@tadka/core/warewash'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useProcedures } from '../site/procedures.ts'
import { useTimes } from '../site/times.ts'
import { useReadOff } from '../site/read-off.ts'

/** Numbers that runs read off a machine, one line for each: its last, what it must be, and which way it goes. */
const props = defineProps<{ station: StationState }>()
const { t } = useI18n()
const { day } = useTimes()
const readOff = useReadOff()
const procedures = useProcedures()

const dayMs = 86_400_000
const daysAMonth = 30.4
const [width, height, edge] = [220, 44, 6]

const lines = computed(() =>
  Object.entries(props.station.readOff ?? {}).flatMap(([what, all]) => {
    const last = all.at(-1)
    const step = procedures
      .of(props.station.plate?.family ?? '')
      .flatMap((p) => stepsOf(p.nodes))
      .find((s) => s.kind === 'read' && s.what === what)
    // How much went in is chosen, not read off the machine.
    if (!last || step?.kind !== 'read' || step.portion) return []
    const said = (value: number) => readOff.say(step, value)
    const trend = trendOf(all.map((r) => ({ day: r.at / dayMs, value: r.value })))
    const way = trend && directionOf(trend)
    return [
      {
        what,
        last: said(last.value),
        on: day(last.at),
        verdict: last.verdict,
        limits: isJudged(step)
          ? readOff.limits(step, machineNumbers(props.station), readOff.recipeOf(step, props.station))
          : '',
        way:
          way && t(`machine.trend.${way}`, { by: readOff.sayMore(step, Math.abs(trend.slope) * daysAMonth) }),
        points: drawn(all.map((r) => r.value)),
        earlier: all
          .slice(0, -1)
          .slice(-5)
          .map((r) => said(r.value)),
      },
    ]
  }),
)

/** The line that the values make, left to right. */
function drawn(values: readonly number[]): string {
  if (values.length < 2) return ''
  const [lo, hi] = [Math.min(...values), Math.max(...values)]
  const of = hi - lo || 1
  return values
    .map((v, i) => {
      const x = edge + (i / (values.length - 1)) * (width - 2 * edge)
      const y = height - edge - ((v - lo) / of) * (height - 2 * edge)
      return `${x.toFixed(1)},${y.toFixed(1)}`
    })
    .join(' ')
}
</script>

<template>
  <section v-if="lines.length > 0">
    <h2 class="label">{{ t('machine.readOff') }}</h2>
    <ul>
      <li v-for="l in lines" :key="l.what">
        <div>
          <p class="now">
            <b>{{ l.what }}: {{ l.last }}</b>
            <verdict-mark v-if="l.verdict" :verdict="l.verdict" :size="18" />
          </p>
          <p class="quiet">{{ l.on }}. {{ l.limits }}</p>
          <p v-if="l.way">{{ l.way }}</p>
          <p v-if="l.earlier.length > 0" class="quiet">
            {{ t('machine.trend.before', { list: l.earlier.join(', ') }) }}
          </p>
        </div>
        <svg
          v-if="l.points"
          :viewBox="`0 0 ${width} ${height}`"
          :width="width"
          :height="height"
          aria-hidden="true"
        >
          <polyline :points="l.points" />
        </svg>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 32px;
  align-items: center;
  justify-content: space-between;
  padding: 10px 0;
  border-bottom: 1px solid var(--line-soft);
}
.now {
  display: flex;
  gap: 14px;
  align-items: center;
}
polyline {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 2.5;
  stroke-linejoin: round;
}
</style>
