<script setup lang="ts">
import { computed, ref } from 'vue'

/** The parts of a place, one of them open. Where they are many, a phone shows the open one, and the others at a tap. */
const props = defineProps<{
  label: string
  tabs: readonly { readonly to: string; readonly text: string; readonly on: boolean }[]
}>()
const most = 5
const isFolded = computed(() => props.tabs.length > most)
const open = ref(false)
const current = computed(() => props.tabs.find((tab) => tab.on))
</script>

<template>
  <nav :aria-label="label" :class="{ folded: isFolded, open }">
    <button
      v-if="isFolded"
      type="button"
      :class="{ on: current }"
      :aria-expanded="open"
      @click="open = !open"
    >
      {{ current?.text ?? label }}
    </button>
    <router-link
      v-for="tab in tabs"
      :key="tab.to"
      :to="tab.to"
      :class="{ on: tab.on }"
      :aria-current="tab.on ? 'page' : undefined"
      @click="open = false"
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
a,
button {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 4px 4px 0;
  font-size: 16px;
  color: var(--ink-2);
  font-weight: 600;
  text-decoration: none;
  border: 0;
  border-bottom: 4px solid transparent;
}
.on {
  color: var(--ink);
  border-bottom-color: var(--sea);
}
button {
  display: none;
  font-family: inherit;
  background: none;
  gap: 10px;
}
button::after {
  content: '';
  width: 9px;
  height: 9px;
  border: solid currentcolor;
  border-width: 0 2px 2px 0;
  transform: translateY(-3px) rotate(45deg);
}
button[aria-expanded='true']::after {
  transform: translateY(3px) rotate(225deg);
}
@media (max-width: 760px) {
  .folded > button {
    display: flex;
  }
  .folded:not(.open) > a {
    display: none;
  }
  .folded.open {
    flex-basis: 100%;
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  .folded.open > button {
    grid-column: 1 / -1;
    justify-self: start;
  }
}
/* On paper there is nowhere else to go. */
@media print {
  nav {
    display: none;
  }
}
</style>
