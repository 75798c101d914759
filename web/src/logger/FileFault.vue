<script setup lang="ts">
import type { RefusalWire } from '@tadka/core/refusal'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** Why a file is refused: its line, the reason, and what stands there. */
const props = defineProps<{ refused: RefusalWire }>()
const { t } = useI18n()
const told = computed(() => {
  const { why, line, cell } = props.refused.details as { why?: string; line?: number | null; cell?: string }
  if (props.refused.code !== 'logger_file' || !why) return { text: props.refused.message, cell: '' }
  const reason = t(`logger.why.${why}`)
  return { text: line ? t('logger.refusedAt', { line, why: reason }) : reason, cell: cell ?? '' }
})
</script>

<template>
  <p class="fault" role="alert">
    {{ told.text }}
    <span v-if="told.cell" class="cell">{{ t('logger.inFile', { cell: told.cell }) }}</span>
  </p>
</template>

<style scoped>
.fault {
  color: var(--out);
  font-weight: 650;
  font-size: 19px;
  padding: 8px 0;
}
.cell {
  color: var(--ink-2);
  font-weight: 400;
  overflow-wrap: anywhere;
}
</style>
