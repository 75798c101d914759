<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import {
  mustLast,
  numberOf,
  tendingOf,
  waitEndsAt,
  waitMinutes,
  type Position,
  type RunState,
  type Timed,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '../../pieces/seconds.ts'
import TimerFigure from '../../pieces/TimerFigure.vue'
import { now } from '../../wire/clock.ts'
import WaitCut from './WaitCut.vue'

/** A wait with a duty every few minutes: the next visit is the largest thing on the screen, its end is far from it. */
const props = defineProps<{
  step: Timed & { kind: 'tend' }
  position: Position
  run: RunState
  blocked: boolean
}>()
const emit = defineEmits<{ begin: []; visit: []; over: [] }>()
const { t } = useI18n()

const minutes = computed(() => waitMinutes(props.step, props.run))
const every = computed(() => numberOf(props.step.every, props.run.parameters))
const wait = computed(() => props.run.waits[props.position.key] ?? null)
const cut = computed(() => props.run.cut[props.position.key] ?? null)
const ends = computed(() => waitEndsAt(props.run, props.position.key))
const left = computed(() => (ends.value === null ? 0 : Math.max(0, ends.value - now())))
const tending = computed(() => tendingOf(props.step, props.position.key, props.run, now()))
const over = computed(() => ends.value !== null && now() >= ends.value)
const strict = computed(() => mustLast(props.step))
const askEarly = ref(false)
</script>

<template>
  <div class="tend">
    <wait-cut
      v-if="cut && !wait"
      :cut="cut"
      :step="step"
      :position="position"
      :run="run"
      @begin="emit('begin')"
    />
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
      <div class="act">
        <n-button v-if="!wait" type="primary" class="big" :disabled="blocked" @click="emit('begin')">{{
          t('run.begin')
        }}</n-button>
        <n-button v-else-if="over" type="primary" class="big" @click="emit('over')">{{
          t('run.done')
        }}</n-button>
        <n-button v-else type="primary" class="big" @click="emit('visit')"
          >{{ step.duty }}: {{ t('run.visited') }}</n-button
        >
      </div>
      <div v-if="wait && !over" class="end">
        <template v-if="askEarly">
          <p class="early">
            {{ t(strict ? 'run.earlyStrict' : 'run.early', { left: showCountdown(left) }) }}
          </p>
          <n-button @click="emit('over')">{{ t(strict ? 'run.cutShort' : 'run.endEarly') }}</n-button>
          <n-button @click="askEarly = false">{{ t('run.keepWaiting') }}</n-button>
        </template>
        <n-button v-else quaternary @click="askEarly = true">{{
          t(strict ? 'run.cameOff' : 'run.endEarly')
        }}</n-button>
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
.early {
  max-width: 24em;
}
@media (max-width: 760px) {
  .fig {
    font-size: 76px;
  }
}
</style>
