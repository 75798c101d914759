<script setup lang="ts">
import { computed, toRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { now } from '../wire/clock.ts'
import type { Dish } from './dish.ts'
import { useMachineNow } from './dish-now.ts'

/** The machine as it stands, to be read from two metres: what it does, the tank, the rinse, the pressure, and the last rack. */
const props = defineProps<{ station: string; dish: Dish }>()
const { t } = useI18n()
const span = useSpanWords()
const { clock } = useTimes()
const units = useUnits()
const { machine, fresh, failed } = useMachineNow(toRef(props, 'station'))

const limits = computed(() => props.dish.told.value.limits)
const last = computed(() => props.dish.told.value.last)
const seconds = computed(() => {
  const since = machine.value?.since ?? null
  return since === null ? 0 : Math.max(0, Math.floor((now() - since) / 1000))
})
const gauges = computed(() => [
  {
    name: 'tank',
    value: units.readNumber(machine.value?.tank ?? null),
    unit: units.degree.value,
    asks: t('dish.least', { v: units.limit(limits.value.wash) }),
  },
  {
    name: 'rinse',
    // Between rinses the manifold cools: the last rinse is what counts.
    value: units.readNumber(
      machine.value?.phase === 'rinse' ? machine.value.rinse : (last.value?.rinseLow ?? null),
    ),
    unit: units.degree.value,
    asks: t('dish.least', { v: units.limit(limits.value.rinse) }),
  },
  {
    name: 'pressure',
    value: units.pressureNumber(
      machine.value?.phase === 'rinse' ? machine.value.pressure : (last.value?.pressureLow ?? null),
    ),
    unit: units.pressureUnit.value,
    asks: t('dish.between', {
      lo: units.pressureLimit(limits.value.pressureLow),
      hi: units.pressureLimit(limits.value.pressureHigh),
    }),
  },
])
const why = computed(() => {
  const m = last.value
  const tested = props.dish.told.value.byChemical ? props.dish.told.value.rackTest : null
  if (tested?.off && tested.ppm) return t(`dish.why.${tested.off}`, { v: span(tested.ppm, 'ppm') })
  if (!m) return ''
  if (m.verdict === 'cannot-tell') return t(m.stuck ? 'dish.why.stuck' : 'dish.why.gap')
  const { wash, rinse, rinseMost, pressureLow, pressureHigh } = limits.value
  if (m.washLow !== null && m.washLow < wash) return t('dish.why.wash', { v: units.read(m.washLow) })
  if (m.rinseLow !== null && m.rinseLow < rinse) return t('dish.why.rinse', { v: units.read(m.rinseLow) })
  if (m.rinseHigh !== null && m.rinseHigh > rinseMost)
    return t('dish.why.hot', { v: units.read(m.rinseHigh) })
  if (m.pressureLow !== null && (m.pressureLow < pressureLow || (m.pressureHigh ?? 0) > pressureHigh))
    return t('dish.why.pressure', { v: units.pressure(m.pressureLow) })
  return m.rinseLow === null ? '' : t('dish.why.held', { v: units.read(m.rinseLow) })
})
</script>

<template>
  <section class="now" :aria-label="t('dish.now')">
    <!-- Where no probe ever reported there is none to be missed. -->
    <p v-if="fresh || machine?.at" class="phase" :class="{ old: !fresh }">
      <b>{{ fresh ? t(`dish.phase.${machine?.phase ?? 'idle'}`) : t('dish.phase.unheard') }}</b>
      <span v-if="fresh && machine?.phase !== 'idle'" class="seconds">{{ seconds }} s</span>
      <span v-else-if="machine?.at" class="quiet small">{{
        failed ? t('dish.noAnswer') : fresh ? '' : t('dish.heard', { time: clock(machine.at) })
      }}</span>
    </p>
    <dl>
      <div v-for="g in gauges" :key="g.name">
        <dt>{{ t(`dish.gauge.${g.name}`) }}</dt>
        <dd>
          <span class="value">{{ fresh || g.name !== 'tank' ? g.value : '–' }}</span>
          <span class="unit">{{ g.unit }}</span>
        </dd>
        <dd class="quiet small">{{ g.asks }}</dd>
      </div>
    </dl>
    <p class="last">
      <span class="label">{{ t('dish.lastRack') }}</span>
      <template v-if="last">
        <verdict-mark :verdict="last.verdict ?? 'cannot-tell'" :size="40" />
        <span>{{ why }}</span>
        <span class="quiet">{{ clock(last.at) }}</span>
      </template>
      <span v-else class="quiet">{{ t('dish.noRack') }}</span>
    </p>
  </section>
</template>

<style scoped>
.phase {
  display: flex;
  align-items: baseline;
  gap: 16px;
}
.phase b {
  font-size: 34px;
  line-height: 1.1;
}
.old b {
  color: var(--ink-2);
}
.seconds {
  font-size: 34px;
  font-weight: 650;
  color: var(--sea);
}
dl {
  display: grid;
  grid-template-columns: repeat(3, auto);
  justify-content: space-between;
  gap: 10px 24px;
  margin: 10px 0 6px;
}
dt {
  font-weight: 600;
  color: var(--ink-2);
}
.value {
  font-size: 84px;
  font-weight: 650;
  line-height: 0.95;
  letter-spacing: -0.01em;
}
.unit {
  font-size: 24px;
  color: var(--ink-2);
  margin-left: 6px;
}
.last {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 14px;
  min-height: 52px;
  font-size: 22px;
}
@media (max-width: 760px) {
  dl {
    grid-template-columns: 1fr 1fr;
  }
  .value {
    font-size: 52px;
  }
  .last {
    font-size: 18px;
  }
}
</style>
