<script setup lang="ts">
import type { CycleDay } from '@tadka/contract/warewash'
import { NButton } from 'naive-ui'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTheme } from '../look/theme.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'
import { useLineChart } from '../pieces/chart.ts'
import type { Dish } from './dish.ts'
import { monthOf, spanOf, turnMonth, trendChart } from './trend-chart.ts'

/** A month of the machine, day by day: racks, what failed, the rinse's middle and lowest against its limit. */
const props = defineProps<{ station: string; dish: Dish }>()
const { t, locale } = useI18n()
const session = useSession()
const { palette } = useTheme()
const { day } = useTimes()
const units = useUnits()

const site = useSite()
const zone = computed(() => site.set?.timeZone ?? 'UTC')
const month = ref(monthOf(now(), zone.value))
const days = ref<CycleDay[]>([])
const state = ref<'asking' | 'shown' | 'failed'>('asking')
async function look(): Promise<void> {
  const asked = month.value
  state.value = 'asking'
  try {
    const { from, to } = spanOf(asked, zone.value)
    const path = `/api/sites/${session.site}/dish/${props.station}/days?from=${from}&to=${to}`
    const answer = await ask<{ days: CycleDay[] }>('GET', path)
    if (asked !== month.value) return
    days.value = answer.days
    state.value = 'shown'
  } catch {
    if (asked === month.value) state.value = 'failed'
  }
}
watch([month, () => props.station], look, { immediate: true })
const title = computed(() =>
  new Intl.DateTimeFormat(locale.value, { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    Date.parse(`${month.value}-01`),
  ),
)
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const chart = computed(() => {
  const { ink, ink2, line, sea, out } = palette.value
  const words = { middle: t('dish.rinseMiddle'), low: t('dish.rinseLow'), limit: t('dish.rinseLeast') }
  return days.value.length === 0
    ? null
    : trendChart(
        days.value,
        props.dish.told.value.limits.rinse,
        { degree: units.degree.value, of: units.inDegrees },
        words,
        {
          ink,
          quiet: ink2,
          line,
          middle: sea,
          low: ink,
          limit: out,
        },
      )
})
useLineChart(canvas, chart)
</script>

<template>
  <section>
    <div class="head">
      <n-button size="large" :aria-label="t('dish.monthBefore')" @click="month = turnMonth(month, -1)"
        >‹</n-button
      >
      <h2>{{ title }}</h2>
      <n-button size="large" :aria-label="t('dish.monthNext')" @click="month = turnMonth(month, 1)"
        >›</n-button
      >
    </div>
    <p v-if="state === 'failed'" class="fault">
      {{ t('dish.traceFailed') }} <n-button @click="look">{{ t('dish.again') }}</n-button>
    </p>
    <p v-else-if="state === 'asking'" class="quiet">{{ t('dish.asking') }}</p>
    <p v-else-if="days.length === 0" class="quiet">{{ t('dish.noDays') }}</p>
    <template v-else>
      <div class="chart"><canvas ref="canvas" role="img" :aria-label="t('dish.rinseMiddle')" /></div>
      <div class="scroll" tabindex="0" role="region" :aria-label="title">
        <table>
          <thead>
            <tr>
              <th scope="col">{{ t('dish.day') }}</th>
              <th scope="col">{{ t('dish.racks') }}</th>
              <th scope="col">{{ t('verdict.out') }}</th>
              <th scope="col">{{ t('verdict.cannot-tell') }}</th>
              <th scope="col">{{ t('dish.rinseMiddle') }}</th>
              <th scope="col">{{ t('dish.rinseLow') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="d in days" :key="d.day">
              <td>{{ day(Date.parse(`${d.day}T12:00:00Z`)) }}</td>
              <td>{{ d.racks }}</td>
              <td :class="{ bad: d.out > 0 }">{{ d.out }}</td>
              <td>{{ d.cannotTell }}</td>
              <td>{{ units.read(d.rinseMiddle) }}</td>
              <td>{{ units.read(d.rinseLow) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 16px;
}
.chart {
  position: relative;
  min-width: 0;
  overflow: hidden;
  height: 300px;
  margin: 10px 0;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: right;
  padding: 6px 14px;
  border-bottom: 1px solid var(--line-soft);
}
th:first-child,
td:first-child {
  text-align: left;
  padding-left: 0;
}
.bad {
  color: var(--out);
  font-weight: 650;
}
@media (max-width: 760px) {
  th,
  td {
    padding: 6px 4px;
    font-size: 15px;
  }
}
.fault {
  color: var(--out);
}
</style>
