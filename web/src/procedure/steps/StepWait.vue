<script setup lang="ts">
import {
  leastContactSeconds,
  sanitizerUsed,
  waitKindOf,
  type Position,
  type RunState,
  type Timed,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '@tadka/words/length'
import TimerFigure from '../../pieces/TimerFigure.vue'
import { useClock } from '../../wire/clock.ts'
import CoolReading from './CoolReading.vue'
import EndEarly from './EndEarly.vue'
import WaitCut from './WaitCut.vue'
import { useTimed } from './use-timed.ts'

/** A timer: begun, waited out, or ended early with what that means. */
const props = defineProps<{
  step: Timed & { kind: 'wait' }
  position: Position
  run: RunState
  blocked: boolean
}>()
const emit = defineEmits<{ begin: []; over: []; cooled: [celsius: number] }>()
const { t } = useI18n()
const { now } = useClock()

const kind = computed(() => waitKindOf(props.step))
const { minutes, wait, cut, ends, left, over, strict } = useTimed(() => props)
/** What asks for the contact time: the label of what is used where it is the longest, else the procedure. */
const because = computed(() => {
  if (kind.value !== 'contact') return ''
  const label = sanitizerUsed(props.run)
  const seconds = leastContactSeconds(label)
  return label && label.contactSeconds === seconds && seconds / 60 >= minutes.value
    ? t('run.contactByLabel', { product: label.name, time: spokenLength(seconds * 1000) })
    : ''
})
</script>

<template>
  <div class="wait">
    <wait-cut v-if="cut" :cut="cut" :step="step" :position="position" :run="run" @begin="emit('begin')" />
    <template v-else>
      <template v-if="wait && ends !== null">
        <timer-figure :started-at="wait.startedAt" :ends-at="ends" :now="now()" />
        <p class="say">
          {{ over ? t('run.waitOver') : t(step.attended ? 'run.attended' : 'run.waiting') }}
        </p>
      </template>
      <p v-else class="fig">{{ spokenLength(minutes * 60_000) }}</p>
      <p v-if="because" class="say">{{ because }}</p>
      <p v-if="step.watch" class="watch">{{ step.watch }}</p>
      <div class="act">
        <n-button v-if="!wait" type="primary" class="big" :disabled="blocked" @click="emit('begin')">{{
          t('run.begin')
        }}</n-button>
        <n-button v-else-if="over" type="primary" class="big" @click="emit('over')">{{
          t('run.done')
        }}</n-button>
        <cool-reading v-else-if="kind === 'cool'" @cooled="(c) => emit('cooled', c)" />
        <end-early v-else :left="left" :strict="strict" @over="emit('over')" />
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
