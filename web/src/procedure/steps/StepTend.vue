<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import {
  numberOf,
  tendingOf,
  waitEndsAt,
  type Position,
  type RunState,
  type Step,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import TimerFigure from '../../pieces/TimerFigure.vue'
import { now } from '../../wire/clock.ts'

/** A wait with a duty every few minutes: the next visit is the largest thing on the screen. */
const props = defineProps<{ step: Step & { kind: 'tend' }; position: Position; run: RunState }>()
const emit = defineEmits<{ begin: [minutes: number]; visit: []; over: [early: boolean] }>()
const { t } = useI18n()

const minutes = computed(() => numberOf(props.step.length, props.run.parameters))
const every = computed(() => numberOf(props.step.every, props.run.parameters))
const wait = computed(() => props.run.waits[props.position.key] ?? null)
const ends = computed(() => waitEndsAt(props.run, props.position.key))
const tending = computed(() => tendingOf(props.step, props.position.key, props.run, now()))
const over = computed(() => ends.value !== null && now() >= ends.value)
</script>

<template>
  <div class="tend">
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
      <p v-else class="fig">{{ over ? t('run.waitOver') : showCountdown(ends - now()) }}</p>
      <p class="quiet say">
        {{ t('run.tended', { n: tending.visits, left: showCountdown(Math.max(0, ends - now())) }) }}
      </p>
    </template>
    <p v-else class="fig">{{ minutes }}<small>min</small></p>
    <div class="act">
      <n-button v-if="!wait" type="primary" class="big" @click="emit('begin', minutes)">{{
        t('run.begin')
      }}</n-button>
      <n-button v-else-if="over" type="primary" class="big" @click="emit('over', false)">{{
        t('run.done')
      }}</n-button>
      <template v-else>
        <n-button type="primary" class="big" @click="emit('visit')"
          >{{ step.duty }}: {{ t('run.visited') }}</n-button
        >
        <n-button class="alt" @click="emit('over', true)">{{ t('run.endEarly') }}</n-button>
      </template>
    </div>
  </div>
</template>

<style scoped>
.tend {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.fig {
  font-size: 112px;
  font-weight: 700;
  line-height: 1;
  margin-top: 24px;
}
.fig small {
  font-size: 48px;
  margin-left: 10px;
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
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
