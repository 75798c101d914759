<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'

/** A row of a list that is typed, with what takes it out again. */
defineProps<{
  may: boolean
  /** What is removed, in words. */
  remove: string
  /** Widths of its fields, as a grid has them. */
  columns: string
}>()
const emit = defineEmits<{ remove: [] }>()
const { t } = useI18n()
</script>

<template>
  <li :style="{ '--columns': columns }">
    <slot />
    <n-button v-if="may" :aria-label="remove" @click="emit('remove')">{{
      t('house.trading.remove')
    }}</n-button>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: var(--columns) auto;
  gap: 10px 14px;
  align-items: end;
  padding: 8px 0;
  border-bottom: 1px solid var(--line-soft);
}
@media (max-width: 900px) {
  li {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
