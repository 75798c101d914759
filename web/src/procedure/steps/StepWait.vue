<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import {
  leastContactSeconds,
  mustLast,
  sanitizerMixed,
  waitEndsAt,
  waitKindOf,
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
import CoolReading from './CoolReading.vue'

/** A timer computed from the instant that stands in the log: reload, sleep or another tablet change nothing. */
const props = defineProps<{
  step: Timed & { kind: 'wait' }
  position: Position
  run: RunState
  blocked: boolean
}>()
const emit = defineEmits<{ begin: []; over: []; cooled: [celsius: number] }>()
const { t } = useI18n()

const kind = computed(() => waitKindOf(props.step))
const minutes = computed(() => waitMinutes(props.step, props.run))
const wait = computed(() => props.run.waits[props.position.key] ?? null)
const cut = computed(() => props.run.cut[props.position.key] ?? null)
const ends = computed(() => waitEndsAt(props.run, props.position.key))
const left = computed(() => (ends.value === null ? 0 : ends.value - now()))
const strict = computed(() => mustLast(props.step))
/** What asks for the contact time: the label of what was mixed where it is the longest, else the procedure. */
const because = computed(() => {
  if (kind.value !== 'contact') return ''
  const label = sanitizerMixed(props.run)
  const seconds = leastContactSeconds(label)
  return label && label.contactSeconds === seconds && seconds / 60 >= minutes.value
    ? t('run.contactByLabel', { product: label.name, time: spokenLength(seconds * 1000) })
    : ''
})
const askEarly = ref(false)
</script>

<template>
  <div class="wait">
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
        <timer-figure :started-at="wait.startedAt" :ends-at="ends" :now="now()" />
        <p class="say">
          {{ left > 0 ? t(step.attended ? 'run.attended' : 'run.waiting') : t('run.waitOver') }}
        </p>
      </template>
      <p v-else class="fig">{{ spokenLength(minutes * 60_000) }}</p>
      <p v-if="because" class="say">{{ because }}</p>
      <p v-if="step.watch" class="watch">{{ step.watch }}</p>
      <div class="act">
        <n-button v-if="!wait" type="primary" class="big" :disabled="blocked" @click="emit('begin')">{{
          t('run.begin')
        }}</n-button>
        <n-button v-else-if="left <= 0" type="primary" class="big" @click="emit('over')">{{
          t('run.done')
        }}</n-button>
        <cool-reading v-else-if="kind === 'cool'" @cooled="(c) => emit('cooled', c)" />
        <template v-else-if="askEarly">
          <p class="early">
            {{ t(strict ? 'run.earlyStrict' : 'run.early', { left: showCountdown(left) }) }}
          </p>
          <n-button class="alt" @click="emit('over')">{{
            t(strict ? 'run.cutShort' : 'run.endEarly')
          }}</n-button>
          <n-button class="alt" @click="askEarly = false">{{ t('run.keepWaiting') }}</n-button>
        </template>
        <n-button v-else class="alt" @click="askEarly = true">{{
          t(strict ? 'run.cameOff' : 'run.endEarly')
        }}</n-button>
      </div>
    </template>
  </div>
</template>

<style scoped>
.wait {
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
.say {
  font-size: 24px;
  color: var(--ink-2);
  margin-top: 8px;
}
.watch {
  font-size: 22px;
}
.early {
  font-size: 19px;
  max-width: 22em;
}
.act {
  margin-top: auto;
  padding-top: 16px;
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
@media (max-width: 760px) {
  .fig {
    font-size: 76px;
  }
}
</style>
