<script setup lang="ts">
import { useI18n } from 'vue-i18n'

/** Whether the strength is read off a strip, or counted in the drops of a kit. */
defineProps<{ kit: string }>()
const drops = defineModel<boolean>({ required: true })
const { t } = useI18n()
</script>

<template>
  <div class="by" role="group" :aria-label="t('bench.readBy')">
    <button type="button" :aria-pressed="!drops" @click="drops = false">{{ t('bench.byStrip') }}</button>
    <button type="button" :aria-pressed="drops" @click="drops = true">{{ kit }}</button>
  </div>
</template>

<style scoped>
.by {
  display: flex;
  gap: 10px;
  margin-top: 10px;
}
.by button {
  min-height: 48px;
  padding: 0 16px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
}
.by button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
</style>
