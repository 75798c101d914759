<script setup lang="ts">
import type { HeatField, HeatInstrument } from '@tadka/core/reading'
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** What a number was read on: an instrument of the site's, or one that nobody entered. */
const props = defineProps<{
  field: HeatField
  candidates: readonly HeatInstrument[]
  chosen: string | null
}>()
const emit = defineEmits<{ choose: [id: string] }>()
const { t } = useI18n()
const options = computed(() => [
  ...props.candidates.map((c) => ({ label: c.name, value: c.id })),
  { label: t('bench.onNone'), value: 'none' },
])
</script>

<template>
  <n-select
    :value="chosen ?? 'none'"
    :options="options"
    :aria-label="t('bench.readOn', { what: t(`bench.field.${field}`) })"
    @update:value="(id: string) => emit('choose', id)"
  />
</template>
