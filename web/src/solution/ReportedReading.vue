<script setup lang="ts">
import type { ReportedReading } from '@tadka/contract/device'
import { decimals } from '@tadka/core/quantity'
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'

/** What a thermometer that reports by itself last read: one tap puts it in the field. Nothing is shown where none reports. */
const props = defineProps<{ instrument: string | null; unit: '°C' | '°F' }>()
const emit = defineEmits<{ take: [value: string] }>()
const { t } = useI18n()
const session = useSession()
const seen = useDocumentVisibility()
const everyMs = 3000
/** An older reading is of something else by now. */
const offeredMs = 2 * 60_000

const readings = ref<ReportedReading[]>([])
async function look(): Promise<void> {
  if (seen.value === 'hidden' || !session.site) return
  try {
    readings.value = (
      await ask<{ readings: ReportedReading[] }>('GET', `/api/sites/${session.site}/thermometers`)
    ).readings
  } catch {
    // Away from the network it is typed.
    readings.value = []
  }
}
useIntervalFn(() => void look(), everyMs, { immediateCallback: true })
const reading = computed(() =>
  readings.value.find(
    (r) => r.instrument === props.instrument && r.unit === props.unit && now() - r.at < offeredMs,
  ),
)
const ago = computed(() => Math.max(0, Math.round((now() - (reading.value?.at ?? 0)) / 1000)))
</script>

<template>
  <button v-if="reading" type="button" class="reported" @click="emit('take', String(reading.value))">
    <b>{{ t('bench.takeReading', { value: decimals(reading.value, 1), unit: reading.unit }) }}</b>
    <span class="small">{{ t('bench.readAgo', { name: reading.name, n: ago }) }}</span>
  </button>
</template>

<style scoped>
.reported {
  min-height: 52px;
  padding: 4px 16px;
  border: 1.5px dashed var(--sea);
  border-radius: var(--r);
  background: var(--sea-wash);
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
b {
  display: block;
}
</style>
