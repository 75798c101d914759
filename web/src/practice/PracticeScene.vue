<script setup lang="ts">
import { sceneOf, type Practice, type Thing, type Touchable } from '@tadka/core/practice'
import type { Forbidden, Position, RunState, StationState } from '@tadka/core/procedure'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import StripDrawn from '../pieces/StripDrawn.vue'
import MachineState from '../procedure/MachineState.vue'
import { useNames } from '../site/names.ts'
import { useReadOff } from '../site/read-off.ts'
import { useUnits } from '../site/units.ts'
import { useClock } from '../wire/clock.ts'
import BottleDrawn from './drawn/BottleDrawn.vue'
import CloseLook from './drawn/CloseLook.vue'
import LaidOut from './drawn/LaidOut.vue'
import MachineDrawn from './drawn/MachineDrawn.vue'
import PanDrawn from './drawn/PanDrawn.vue'
import ReadOut from './drawn/ReadOut.vue'
import SwitchDrawn from './drawn/SwitchDrawn.vue'

/** What stands before whoever practises, drawn: what is wrong is seen here and nowhere else, and put right by touching it. */
const props = defineProps<{
  practice: Practice
  run: RunState
  station: StationState
  position: Position | null
  positions: readonly Position[]
  warnings: readonly Forbidden[]
}>()
const emit = defineEmits<{ touch: [thing: Touchable] }>()
const { t } = useI18n()
const { now } = useClock()
const names = useNames()
const units = useUnits()
const readOff = useReadOff()

const things = computed(() => sceneOf(props.practice, props.run, props.station, props.position, now()))
const only = <K extends Thing['is']>(is: K) =>
  things.value.find((thing): thing is Thing & { is: K } => thing.is === is)
const machine = computed(() => only('machine'))
const power = computed(() => only('power'))
const feeds = computed(() => only('feeds'))
const bottle = computed(() => only('bottle'))
const laid = computed(() => only('laid-out'))
const close = computed(() => only('close-look'))
const strip = computed(() => only('strip'))
const pan = computed(() => only('pan'))

const heat = (field: string, value: number) => {
  if (field === 'pressure') return units.pressure(value)
  if (field === 'seconds') return t('practice.seconds', { n: value })
  return field === 'hours' ? t('practice.hours', { n: value }) : units.temperature(value)
}
const readings = computed(() => {
  const [gauges, display] = [only('gauges'), only('display')]
  if (display) return [{ of: display.step.what, says: readOff.say(display.step, display.value) }]
  if (strip.value) return [{ of: t('bench.water'), says: units.temperature(strip.value.celsius) }]
  return Object.entries(gauges?.shows ?? {}).map(([field, value]) => ({
    of: t(`bench.field.${field}`),
    says: heat(field, value),
  }))
})
const seen = computed(() => {
  const m = machine.value
  if (!m) return ''
  const level = t('practice.level', { percent: Math.round(m.level * 10) * 10 })
  const [beater, spout] = [m.beater, m.spout]
  return [
    level,
    beater === 'none' ? '' : t(`practice.beater.${beater}`),
    spout === 'none' ? '' : t(`practice.spout.${spout}`),
  ]
    .filter(Boolean)
    .join(', ')
})
const isOn = (on: boolean) => t(on ? 'practice.lampOn' : 'practice.lampOff')
</script>

<template>
  <aside class="scene" :aria-label="t('practice.before')">
    <p class="how">{{ t('practice.touch') }}</p>
    <template v-if="strip">
      <strip-drawn
        v-for="s in strip.ph ? [strip.strip, strip.ph] : [strip.strip]"
        :key="s.instrument"
        :blocks="s.blocks"
        :colours="s.colours"
        :shows="s.shows"
        :label="t(s.unit === 'pH' ? 'practice.phStrip' : 'practice.strip')"
      />
    </template>
    <read-out v-if="readings.length > 0" :readings="readings" />
    <laid-out v-if="laid" :thing="laid" />
    <close-look
      v-if="close"
      :of="close.of"
      :worn="close.worn"
      :label="t(close.worn ? 'practice.worn' : 'practice.sound')"
    />
    <pan-drawn
      v-if="pan"
      :cloudy="pan.cloudy"
      :label="t(pan.cloudy ? 'practice.cloudy' : 'practice.clear')"
    />
    <button v-if="bottle" type="button" class="touch" @click="emit('touch', 'bottle')">
      <bottle-drawn
        :name="names.product(bottle.product)"
        :label="t('practice.bottle', { product: names.product(bottle.product) })"
      />
      <span>{{ t('practice.otherBottle') }}</span>
    </button>
    <machine-drawn v-if="machine && machine.beater === 'none'" :thing="machine" :label="seen" />
    <button v-else-if="machine" type="button" class="touch" @click="emit('touch', 'machine')">
      <machine-drawn :thing="machine" :label="seen" />
      <span>{{ t('practice.motor') }}</span>
    </button>
    <div class="pair">
      <button v-if="power" type="button" class="touch" @click="emit('touch', 'power')">
        <switch-drawn :by="power.by" :on="power.on" :label="isOn(power.on)" />
        <span>{{ t(`practice.power.${power.by}`) }}</span>
      </button>
      <button v-if="feeds" type="button" class="touch" @click="emit('touch', 'feeds')">
        <switch-drawn by="feeds" :on="feeds.on" :label="isOn(feeds.on)" />
        <span>{{ t('practice.feeds') }}</span>
      </button>
    </div>
    <machine-state
      class="state"
      :run="run"
      :procedure="practice.procedure"
      :station="station"
      :warnings="warnings"
      :positions="positions"
      :position="position"
    />
  </aside>
</template>

<style scoped>
.scene {
  border-left: 1px solid var(--line);
  padding: 12px 16px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-width: 0;
}
.scene > * {
  flex: none;
}
.how {
  font-weight: 600;
  line-height: 1.25;
}
.touch {
  display: grid;
  gap: 4px;
  justify-items: center;
  width: 100%;
  min-height: 64px;
  padding: 8px;
  font: inherit;
  font-weight: 600;
  color: var(--ink);
  background: var(--raised);
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  cursor: pointer;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.state {
  border: 0;
  padding: 0;
  overflow: visible;
}
/* On a phone what is before one comes first and stays in view, small; how the machine stands is seen by it. */
@media (max-width: 760px) {
  .scene {
    order: -1;
    max-height: 40vh;
    flex-flow: row wrap;
    align-items: stretch;
    gap: 8px;
    padding: 8px 12px;
    background: var(--paper);
    border-left: 0;
    border-bottom: 1px solid var(--line);
  }
  .scene > * {
    flex: 1 1 46%;
  }
  .how,
  .scene > .towel {
    flex-basis: 100%;
  }
  .touch {
    padding: 4px;
  }
  .touch :deep(svg) {
    height: 76px;
  }
  .state {
    display: none;
  }
}
</style>
