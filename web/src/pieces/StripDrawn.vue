<script setup lang="ts">
import type { StripPick } from '@tadka/core/rules'
import { computed } from 'vue'

/** A test strip that has turned, held under its card: to be read by its colour, as at the sink. */
const props = defineProps<{
  blocks: readonly number[]
  colours: readonly string[]
  shows: StripPick
  label: string
}>()
const width = 76
const colourOf = (value: number) => props.colours[props.blocks.indexOf(value)] ?? '#888'
/** Between two blocks it is of neither colour; darker than the darkest is darker. */
const pad = computed(() => {
  const { shows } = props
  if ('matches' in shows) return colourOf(shows.matches)
  if ('between' in shows)
    return `color-mix(in oklab, ${colourOf(shows.between[0])}, ${colourOf(shows.between[1])})`
  return `color-mix(in oklab, ${colourOf(shows.darkerThan)}, #000 32%)`
})
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${width * blocks.length + 8} 190`" role="img" :aria-label="label" class="card">
      <g v-for="(value, i) in blocks" :key="value">
        <rect :x="4 + i * width" y="4" :width="width - 8" height="64" rx="4" :fill="colours[i]" />
        <text :x="i * width + width / 2" y="90" text-anchor="middle">{{ value }}</text>
      </g>
      <g :transform="`translate(${(width * blocks.length) / 2 - 130} 112)`">
        <rect width="260" height="66" rx="3" class="paper" />
        <rect x="10" y="7" width="76" height="52" rx="2" :style="{ fill: pad }" />
      </g>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: var(--r);
  padding: 14px;
  width: min(560px, 100%);
}
.card {
  display: block;
  width: 100%;
}
text {
  font-size: 18px;
  font-weight: 650;
  fill: var(--ink);
}
.paper {
  fill: #f6f3ea;
  stroke: #b9b3a4;
}
</style>
