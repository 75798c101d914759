<script setup lang="ts">
/** The parts of a place, one of them open. */
defineProps<{
  label: string
  tabs: readonly { readonly to: string; readonly text: string; readonly on: boolean }[]
}>()
</script>

<template>
  <nav :aria-label="label">
    <router-link
      v-for="tab in tabs"
      :key="tab.to"
      :to="tab.to"
      :class="{ on: tab.on }"
      :aria-current="tab.on ? 'page' : undefined"
      >{{ tab.text }}</router-link
    >
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  flex-wrap: wrap;
  min-width: 0;
  margin-right: auto;
}
a {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 4px 4px 0;
  font-size: 16px;
  color: var(--ink-2);
  font-weight: 600;
  text-decoration: none;
  border-bottom: 4px solid transparent;
}
a.on {
  color: var(--ink);
  border-bottom-color: var(--sea);
}
/* On paper there is nowhere else to go. */
@media print {
  nav {
    display: none;
  }
}
</style>
