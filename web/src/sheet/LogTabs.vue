<script setup lang="ts">
import { useI18n } from 'vue-i18n'

/** The ways to read the log: a day on a page, every entry, or all of a time to take away. */
const { t } = useI18n()
const tabs = [
  { to: '/log', key: 'sheet.title' },
  { to: '/log/entries', key: 'sheet.entries' },
  { to: '/log/pack', key: 'sheet.pack' },
] as const
</script>

<template>
  <nav class="tabs no-print" :aria-label="t('place.log')">
    <router-link v-for="tab in tabs" :key="tab.to" :to="tab.to" exact-active-class="here">{{
      t(tab.key)
    }}</router-link>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 4px;
}
a {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 0 14px;
  font-weight: 600;
  color: var(--ink-2);
  text-decoration: none;
  white-space: nowrap;
  border-bottom: 3px solid transparent;
}
.here {
  color: var(--ink);
  border-bottom-color: var(--sea);
}
@media (max-width: 760px) {
  a {
    padding: 0 8px;
  }
}
</style>
