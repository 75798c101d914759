<script setup lang="ts">
import { computed } from 'vue'

/** The bottle that stands at hand, with its label. */
const props = defineProps<{ name: string; label: string }>()
/** The label in lines as wide as the bottle. */
const lines = computed(() => {
  const made: string[] = []
  for (const word of props.name.split(' ')) {
    const last = made.at(-1)
    if (last !== undefined && `${last} ${word}`.length <= 13) made[made.length - 1] = `${last} ${word}`
    else made.push(word)
  }
  return made.slice(0, 4)
})
</script>

<template>
  <svg viewBox="0 0 150 190" role="img" :aria-label="label" class="bottle">
    <rect x="57" y="6" width="36" height="20" rx="4" class="cap" />
    <path d="M60 26h30v14q32 8 32 38v90q0 14-14 14H42q-14 0-14-14V78q0-30 32-38Z" class="body" />
    <rect x="34" y="86" width="82" height="72" rx="3" class="paper" />
    <text v-for="(line, i) in lines" :key="i" x="75" :y="126 + (i - (lines.length - 1) / 2) * 17">
      {{ line }}
    </text>
  </svg>
</template>

<style scoped>
.bottle {
  display: block;
  width: 100%;
  height: 170px;
}
.cap {
  fill: var(--ink);
}
.body {
  fill: var(--sea-wash);
  stroke: var(--ink);
  stroke-width: 4;
}
.paper {
  fill: #fff;
  stroke: #555;
}
text {
  font-size: 12.5px;
  font-weight: 700;
  text-anchor: middle;
  fill: #1c1c1a;
}
</style>
