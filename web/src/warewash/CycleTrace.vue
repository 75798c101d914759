<script setup lang="ts">
import type { CycleTrace } from '@tadka/contract/warewash'
import { decimals } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import type { Mark } from '@tadka/core/warewash'
import { NButton } from 'naive-ui'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTheme } from '../look/theme.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import { useSession } from '../rights/session.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { ask } from '../wire/api.ts'
import { useLineChart } from '../pieces/chart.ts'
import { traceChart } from './trace-chart.ts'

/** One cycle, second by second, its limits drawn where they hold. */
const props = defineProps<{ mark: Mark; limits: { wash: number; rinse: number } }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const session = useSession()
const { clock } = useTimes()
const units = useUnits()
const { palette } = useTheme()

const trace = ref<CycleTrace | null>(null)
const state = ref<'asking' | 'shown' | 'gone' | 'failed'>('asking')
async function look(): Promise<void> {
  const { key, by } = props.mark
  trace.value = null
  state.value = by === 'hand' ? 'gone' : 'asking'
  if (by === 'hand') return
  try {
    const found = await ask<CycleTrace>('GET', `/api/sites/${session.site}/dish/trace/${key}`)
    if (key !== props.mark.key) return
    trace.value = found
    state.value = 'shown'
  } catch (error) {
    if (key === props.mark.key) state.value = error instanceof Refusal ? 'gone' : 'failed'
  }
}
watch(() => props.mark.key, look, { immediate: true })

const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const section = useTemplateRef<HTMLElement>('section')
watch([section, state], () => section.value?.scrollIntoView({ block: 'end' }), { flush: 'post' })
const chart = computed(() => {
  const { ink, ink2, line, sea } = palette.value
  return (
    trace.value &&
    traceChart(
      trace.value,
      props.limits,
      { degree: units.degree.value, of: units.inDegrees },
      {
        tank: t('dish.gauge.tank'),
        rinse: t('dish.gauge.rinse'),
        washLeast: t('dish.washLeast'),
        rinseLeast: t('dish.rinseLeast'),
        seconds: t('dish.seconds'),
      },
      { ink, quiet: ink2, line, tank: sea, rinse: ink },
    )
  )
})
useLineChart(canvas, chart)
</script>

<template>
  <section ref="section" class="trace" :aria-label="t('dish.trace', { time: clock(mark.at) })">
    <p class="head">
      <b>{{ t('dish.trace', { time: clock(mark.at) }) }}</b>
      <verdict-mark v-if="mark.verdict" :verdict="mark.verdict" />
      <span v-else class="quiet">{{ t('dish.cutShort') }}</span>
      <span class="quiet">{{
        t('dish.reached', { wash: units.read(mark.washLow), rinse: units.read(mark.rinseLow) })
      }}</span>
      <span v-if="mark.a0 !== null" class="quiet small">{{ t('dish.a0', { v: decimals(mark.a0, 0) }) }}</span>
      <n-button @click="emit('close')">{{ t('dish.closeTrace') }}</n-button>
    </p>
    <div v-if="state === 'shown'" class="chart">
      <canvas
        ref="canvas"
        role="img"
        :aria-label="t('dish.traceOf', { wash: units.read(mark.washLow), rinse: units.read(mark.rinseLow) })"
      />
    </div>
    <p v-else-if="state === 'asking'" class="quiet">{{ t('dish.asking') }}</p>
    <p v-else-if="state === 'gone'" class="quiet">{{ t('dish.traceGone') }}</p>
    <p v-else class="fault">
      {{ t('dish.traceFailed') }} <n-button size="small" @click="look">{{ t('dish.again') }}</n-button>
    </p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin-bottom: 6px;
}
.head :deep(.n-button) {
  margin-left: auto;
}
.chart {
  height: 240px;
}
.fault {
  color: var(--out);
}
</style>
