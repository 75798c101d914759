<script setup lang="ts">
import { showCountdown, volumeFrom } from '@tadka/core/quantity'
import {
  knownNumber,
  numberOf,
  tendingOf,
  type Position,
  type RunState,
  type Timed,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '@tadka/words/length'
import TimerFigure from '../../pieces/TimerFigure.vue'
import { useUnits } from '../../site/units.ts'
import { useClock } from '../../wire/clock.ts'
import EndEarly from './EndEarly.vue'
import WaitCut from './WaitCut.vue'
import { useTimed } from './use-timed.ts'

/** A wait with a duty every few minutes: the next visit is the largest thing on the screen, its end is far from it. */
const props = defineProps<{
  step: Timed & { kind: 'tend' }
  position: Position
  run: RunState
  blocked: boolean
}>()
const emit = defineEmits<{ begin: []; visit: [millilitres: number]; over: [] }>()
const { t } = useI18n()
const { now } = useClock()
const units = useUnits()

const { minutes, wait, cut, ends, left, over, strict } = useTimed(() => props)
const every = computed(() => numberOf(props.step.every, props.run.parameters))
/** What its visits pour in, all in all, mL; null where nobody counts it. */
const uses = computed(() =>
  props.step.uses === undefined ? null : (knownNumber(props.step.uses, props.run.parameters) ?? null),
)
const used = computed(() => props.run.used?.[props.position.key] ?? 0)
const jug = computed(() => (units.system.value === 'us' ? volumeFrom(1, 'qt') : 1000))
const poured = ref(0)
function visit(): void {
  emit('visit', uses.value === null ? 0 : poured.value)
  poured.value = 0
}
const tending = computed(() => tendingOf(props.step, props.position.key, props.run, now()))
</script>

<template>
  <div class="tend">
    <wait-cut v-if="cut" :cut="cut" :step="step" :position="position" :run="run" @begin="emit('begin')" />
    <template v-else>
      <template v-if="wait && ends !== null">
        <template v-if="tending.nextAt !== null && !over">
          <timer-figure
            :started-at="tending.nextAt - every * 60_000"
            :ends-at="tending.nextAt"
            :now="Math.min(now(), tending.nextAt)"
          />
          <p class="duty" :class="{ late: tending.late }" :role="tending.late ? 'alert' : undefined">
            {{ tending.late ? `${step.duty}. ${step.late}` : t('run.nextVisit', { duty: step.duty }) }}
          </p>
        </template>
        <p v-else class="fig">{{ over ? t('run.waitOver') : showCountdown(left) }}</p>
        <p class="quiet say">
          {{ t('run.tended', { n: tending.visits, left: showCountdown(left) }) }}
        </p>
      </template>
      <p v-else class="fig">{{ spokenLength(minutes * 60_000) }}</p>
      <div v-if="wait && uses !== null && !over" class="poured">
        <p>
          <b>{{ t('run.usedOf', { used: units.volume(used + poured), all: units.volume(uses) }) }}</b>
          <progress :value="used + poured" :max="uses" :aria-label="t('run.usedName')" />
        </p>
        <n-button size="large" :disabled="poured <= 0" @click="poured = Math.max(0, poured - jug / 2)">{{
          t('run.pouredLess', { v: units.volume(jug / 2) })
        }}</n-button>
        <n-button size="large" @click="poured += jug / 2">{{
          t('run.pouredMore', { v: units.volume(jug / 2) })
        }}</n-button>
      </div>
      <div class="act">
        <n-button v-if="!wait" type="primary" class="big" :disabled="blocked" @click="emit('begin')">{{
          t('run.begin')
        }}</n-button>
        <n-button v-else-if="over" type="primary" class="big" @click="emit('over')">{{
          t('run.done')
        }}</n-button>
        <n-button v-else type="primary" class="big" @click="visit"
          >{{ step.duty }}: {{ t('run.visited') }}</n-button
        >
      </div>
      <div v-if="wait && !over" class="end">
        <end-early :left="left" :strict="strict" quaternary @over="emit('over')" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.tend {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
}
.fig {
  font-size: 104px;
  font-weight: 700;
  line-height: 1;
  margin-top: 24px;
}
.duty {
  font-size: 26px;
  font-weight: 600;
}
progress {
  display: block;
  width: 260px;
  height: 14px;
  accent-color: var(--sea);
}
.poured {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin: 14px 0;
}
.late {
  color: var(--out);
}
.say {
  font-size: 20px;
}
.act {
  margin-top: auto;
  padding-top: 16px;
}
.end {
  margin-top: 44px;
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 12px;
  align-items: center;
}
@media (max-width: 760px) {
  .fig {
    font-size: 76px;
  }
}
</style>
