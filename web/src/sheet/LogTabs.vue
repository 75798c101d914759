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

<style scoped src="../pieces/tabs.css" />
