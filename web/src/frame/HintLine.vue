<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useHints } from './hints.ts'

/** One hint of the first evening, below what it is about and over nothing. */
const { t } = useI18n()
const { hint, number, of, done, skip } = useHints()
</script>

<template>
  <aside v-if="hint" class="hint" :aria-label="t('hints.title')">
    <p>
      <span class="quiet small">{{ t('hints.number', { n: number, of }) }}</span> {{ t(`hints.${hint.id}`) }}
    </p>
    <n-button type="primary" @click="done(hint.id)">{{ t('hints.ok') }}</n-button>
    <n-button quaternary @click="skip">{{ t('hints.skip') }}</n-button>
  </aside>
</template>

<style scoped>
.hint {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  padding: 8px var(--gutter);
  background: var(--sea-wash);
  border-top: 1px solid var(--line);
}
p {
  flex: 1 1 320px;
  font-weight: 600;
}
@media print {
  .hint {
    display: none;
  }
}
</style>
