<script setup lang="ts">
import { nextBatch } from '@tadka/core/house'
import { isJudged, knownNumber, readVerdict, type StationState, type Step } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { numberIn } from '../../pieces/field.ts'
import FigureField from '../../pieces/FigureField.vue'
import NumberPad from '../../pieces/NumberPad.vue'
import VerdictMark from '../../pieces/VerdictMark.vue'
import { useReadOff } from '../../site/read-off.ts'

/** A number read off and typed; what the plate has for it stands beside, and the verdict as one types. */
const props = defineProps<{
  step: Step & { kind: 'read' }
  parameters: Readonly<Record<string, number>>
  station: StationState
  blocked: boolean
}>()
const emit = defineEmits<{ done: [facts: { read: number }] }>()
const { t } = useI18n()
const readOff = useReadOff()

const text = ref('')
const tried = ref(false)
const typed = computed(() => readOff.typed(props.step))
const value = computed(() => {
  const number = numberIn(text.value, true)
  return number === null ? null : typed.value.kept(number)
})
const fault = computed(() => {
  const isNone = value.value === null && (tried.value || text.value.trim() !== '')
  return isNone ? t('bench.fieldNeeded') : undefined
})
const recipe = computed(() => readOff.recipeOf(props.step, props.station))
const verdict = computed(() =>
  value.value === null ? null : readVerdict(props.step, value.value, props.parameters, recipe.value),
)
/** Whole portions that it makes; null where nobody said what one is. */
const portions = computed(() => {
  const one = props.step.portion && knownNumber(props.step.portion, props.parameters)
  return one && value.value !== null ? Math.floor(value.value / one) : null
})
/** What to do otherwise with the next batch. */
const next = computed(() => {
  const [read, range, side] = [value.value, recipe.value, props.step.recipe]
  const asks = read === null || !range || !side ? null : nextBatch(side, read, range)
  if (!asks) return ''
  return 'set' in asks ? t(`run.nextBatch.${asks.set}`, { n: asks.by }) : t(`run.nextBatch.${asks.freeze}`)
})
function done(): void {
  tried.value = true
  if (value.value !== null) emit('done', { read: value.value })
}
</script>

<template>
  <div class="read">
    <div class="told">
      <figure-field
        id="read-off"
        v-model="text"
        active
        :label="step.what"
        :unit="typed.unit"
        :fault="fault"
        @enter="done"
      />
      <p v-if="isJudged(step)" class="limits">{{ readOff.limits(step, parameters, recipe) }}</p>
      <p v-if="verdict" class="verdict" role="status">
        <verdict-mark :verdict="verdict" :size="32" />
      </p>
      <p v-if="portions !== null" role="status">{{ t('run.portions', { n: portions }) }}</p>
      <p v-if="next" role="status">{{ next }}</p>
      <div class="act">
        <n-button type="primary" class="big" :disabled="blocked" @click="done">{{ t('run.done') }}</n-button>
      </div>
    </div>
    <number-pad v-model="text" />
  </div>
</template>

<style scoped>
.read {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 40px;
  align-items: start;
  flex: 1 0 auto;
}

.told {
  align-self: stretch;
  display: flex;
  flex-direction: column;
  gap: 12px;
  max-width: 520px;
}
.limits {
  font-size: 19px;
  color: var(--ink-2);
}
.verdict {
  display: flex;
  gap: 12px;
  align-items: center;
  font-size: 24px;
  font-weight: 650;
}
.act {
  margin-top: auto;
}
@media (max-width: 760px) {
  .read {
    grid-template-columns: 1fr;
  }
}
</style>
