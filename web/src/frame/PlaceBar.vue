<script setup lang="ts">
import ActingChip from '../people/ActingChip.vue'

/** The head of a place: its title, what stands beside it, and who acts. */
defineProps<{ title: string; under?: string }>()
</script>

<template>
  <header class="bar">
    <h1>{{ title }}</h1>
    <span v-if="under" class="under">{{ under }}</span>
    <div class="slot"><slot /></div>
    <acting-chip />
  </header>
</template>

<style scoped>
.bar {
  min-height: var(--bar);
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px var(--gutter);
  flex-wrap: wrap;
}
.under {
  color: var(--ink-2);
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
/* What stands beside a title keeps its line: what is under it gives way. */
@media (min-width: 1101px) {
  .bar:has(.under) {
    flex-wrap: nowrap;
  }
  .bar:has(.under) > h1,
  .under ~ :last-child {
    flex: none;
    max-width: 36%;
  }
  .under ~ .slot {
    flex: 1 0 auto;
    flex-wrap: nowrap;
  }
}
.slot {
  flex: 1;
  flex-wrap: wrap;
  min-width: 0;
  display: flex;
  align-items: center;
  gap: 10px;
  justify-content: flex-end;
}
@media (max-width: 760px) {
  .slot:not(:has(*)) {
    display: none;
  }
  .slot {
    flex-basis: 100%;
    justify-content: flex-start;
  }
}
</style>
