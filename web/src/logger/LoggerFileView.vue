<script setup lang="ts">
import type { LoggerDrawing, LoggerFile } from '@tadka/contract/logger'
import { decimals } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import { modelCode } from '@tadka/core/rules'
import { NButton, NInput } from 'naive-ui'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTheme } from '../look/theme.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import { useSession } from '../rights/session.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useLineChart } from '../pieces/chart.ts'
import { ask } from '../wire/api.ts'
import { drawingChart } from './drawing-chart.ts'
import LoggerSummary from './LoggerSummary.vue'

/** A file that was brought in: what it held, drawn; its rides; and the way to take it back. */
const props = defineProps<{ file: LoggerFile }>()
const emit = defineEmits<{ gone: [] }>()
const { t } = useI18n()
const session = useSession()
const { palette } = useTheme()
const { clock, second, date, day } = useTimes()
const units = useUnits()

const dayMs = 86_400_000
const path = computed(() => `/api/sites/${session.site}/loggers/${props.file.id}`)
const drawing = ref<LoggerDrawing | null>(null)
const failed = ref(false)
async function look(): Promise<void> {
  failed.value = false
  const { from, to } = props.file.imported.summary
  try {
    drawing.value = await ask<LoggerDrawing>('GET', `${path.value}/rows?from=${from}&to=${to}`)
  } catch {
    failed.value = true
  }
}
watch(() => props.file.id, look, { immediate: true })

const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const chart = computed(() => {
  const { ink, ink2, line, sea, out } = palette.value
  const { columns } = props.file.imported.mapping
  const { from, to } = props.file.imported.summary
  const surface = columns.some((c) => c.measures === 'ware') ? modelCode.dishMachine.surface.pair.c : null
  const words = {
    names: columns.map((c) => t(`logger.measure.${c.measures}`)),
    limit: t('logger.surfaceLeast', { limit: units.limit(modelCode.dishMachine.surface.pair.c) }),
    when: (at: number) => (to - from > 2 * dayMs ? day(at) : clock(at)),
  }
  return (
    drawing.value &&
    drawingChart(drawing.value, surface, { degree: units.degree.value, of: units.inDegrees }, words, {
      ink,
      quiet: ink2,
      line,
      limit: out,
      lines: [sea, ink, ink2],
    })
  )
})
useLineChart(canvas, chart)
const passes = computed(() => props.file.imported.passes?.last.toReversed() ?? [])

const counted = computed(() => Object.values(props.file.imported.cycles?.judged ?? {}).some((n) => n > 0))
const reason = ref<string | null>(null)
const fault = ref('')
async function withdraw(): Promise<void> {
  try {
    await ask('POST', `${path.value}/withdraw`, { reason: reason.value?.trim() })
    emit('gone')
  } catch (error) {
    fault.value = error instanceof Refusal ? error.message : t('logger.failed')
  }
}
</script>

<template>
  <div class="view">
    <logger-summary :summary="file.imported.summary" />
    <p v-if="failed" class="fault">
      {{ t('logger.failed') }} <n-button @click="look">{{ t('dish.again') }}</n-button>
    </p>
    <div v-else class="chart">
      <canvas ref="canvas" role="img" :aria-label="t('logger.drawing', { name: file.imported.name })" />
    </div>
    <template v-if="passes.length > 0">
      <h3>{{ t('logger.passTable') }}</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t('logger.began') }}</th>
            <th scope="col">{{ t('logger.highest') }}</th>
            <th scope="col">{{ t('logger.a0') }}</th>
            <th scope="col">{{ t('logger.verdict') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in passes" :key="p.from">
            <td>{{ date(p.from) }} {{ second(p.from) }}</td>
            <td>{{ units.read(p.highest) }}</td>
            <td>{{ decimals(p.a0, 0) }}</td>
            <td><verdict-mark :verdict="p.verdict" :size="20" /></td>
          </tr>
        </tbody>
      </table>
      <p class="quiet small">{{ t('logger.a0How') }}</p>
    </template>
    <template v-if="session.mayDo('bring-in') && !counted">
      <n-button v-if="reason === null" size="large" @click="reason = ''">{{ t('logger.withdraw') }}</n-button>
      <form v-else class="act" @submit.prevent="withdraw">
        <label class="why"
          >{{ t('logger.reason') }}
          <n-input v-model:value="reason" maxlength="300" size="large" placeholder="" />
        </label>
        <n-button type="primary" size="large" attr-type="submit" :disabled="reason.trim() === ''">{{
          t('logger.withdraw')
        }}</n-button>
        <n-button size="large" @click="reason = null">{{ t('common.cancel') }}</n-button>
      </form>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    </template>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 4px 0 20px;
}
.chart {
  width: 100%;
  height: 300px;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 4px 28px 4px 0;
  border-bottom: 1px solid var(--line-soft);
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
.why {
  min-width: min(420px, 80vw);
  font-weight: 600;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
