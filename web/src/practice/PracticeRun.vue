<script setup lang="ts">
import type { Touchable } from '@tadka/core/practice'
import type { Position, Procedure, StationState } from '@tadka/core/procedure'
import { useMessage } from 'naive-ui'
import { watch } from 'vue'
import { useI18n } from 'vue-i18n'
import RunPlace from '../procedure/RunPlace.vue'
import PracticeScene from './PracticeScene.vue'
import PracticeScore from './PracticeScore.vue'
import { usePractising } from './practising.ts'

/** A run on a machine that is only drawn: the same screens, a site and a clock of its own. */
const props = defineProps<{ on: StationState; procedure: Procedure; seed: number }>()
const emit = defineEmits<{ over: []; again: []; other: []; leave: [] }>()
const { id, run, station, practice, touch, over, score } = usePractising(
  props.on,
  props.procedure,
  props.seed,
)
watch(over, (ended) => ended && emit('over'))
const { t } = useI18n()
const message = useMessage()
function touched(thing: Touchable, at: Position | null): void {
  if (at && !touch(thing, at)) message.info(t('practice.wasRight'))
}
</script>

<template>
  <practice-score
    v-if="over && practice && run && score"
    :practice="practice"
    :run="run"
    :score="score"
    @again="emit('again')"
    @other="emit('other')"
    @leave="emit('leave')"
  />
  <run-place v-else :run="id">
    <template #beside="{ position, positions, warnings }">
      <practice-scene
        v-if="practice && run && station"
        :practice="practice"
        :run="run"
        :station="station"
        :position="position"
        :positions="positions"
        :warnings="warnings"
        @touch="(thing) => touched(thing, position)"
      />
    </template>
  </run-place>
</template>
