<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import { numberOf, waitEndsAt, type Position, type RunState, type Step } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import TimerFigure from '../../pieces/TimerFigure.vue'
import { now } from '../../wire/clock.ts'

/** A timer computed from the instant that stands in the log: reload, sleep or another tablet change nothing. */
const props = defineProps<{ step: Step & { kind: 'wait' }; position: Position; run: RunState }>()
const emit = defineEmits<{ begin: [minutes: number]; over: [early: boolean] }>()
const { t } = useI18n()

const minutes = computed(() => numberOf(props.step.length, props.run.parameters))
const wait = computed(() => props.run.waits[props.position.key] ?? null)
const ends = computed(() => waitEndsAt(props.run, props.position.key))
const left = computed(() => (ends.value === null ? 0 : ends.value - now()))
const askEarly = ref(false)
</script>

<template>
  <div class="wait">
    <template v-if="wait && ends !== null">
      <timer-figure :started-at="wait.startedAt" :ends-at="ends" :now="now()" />
      <p class="say">
        {{ left > 0 ? t(step.attended ? 'run.attended' : 'run.waiting') : t('run.waitOver') }}
      </p>
      <p v-if="step.watch" class="watch">{{ step.watch }}</p>
    </template>
    <template v-else>
      <p class="fig">{{ minutes }}<small>min</small></p>
    </template>
    <div class="act">
      <n-button v-if="!wait" type="primary" class="big" @click="emit('begin', minutes)">{{
        t('run.begin')
      }}</n-button>
      <n-button v-else-if="left <= 0" type="primary" class="big" @click="emit('over', false)">{{
        t('run.done')
      }}</n-button>
      <template v-else-if="askEarly">
        <p class="early">{{ t('run.early', { left: showCountdown(left) }) }}</p>
        <n-button class="alt" @click="emit('over', true)">{{ t('run.endEarly') }}</n-button>
        <n-button class="alt" @click="askEarly = false">{{ t('common.back') }}</n-button>
      </template>
      <n-button v-else class="alt" @click="askEarly = true">{{ t('run.endEarly') }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.wait {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.fig {
  font-size: 132px;
  font-weight: 700;
  line-height: 1;
  margin-top: 24px;
}
.fig small {
  font-size: 54px;
  margin-left: 10px;
}
.say {
  font-size: 26px;
  color: var(--ink-2);
}
.watch {
  font-size: 22px;
}
.early {
  font-size: 19px;
  max-width: 20em;
}
.act {
  margin-top: auto;
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
