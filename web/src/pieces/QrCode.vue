<script setup lang="ts">
import { encode } from 'uqr'
import { computed } from 'vue'

/** A text as a code that a camera reads: dark on light whatever the theme, with the quiet zone that cameras need. */
const props = defineProps<{ text: string; label: string; size?: number }>()
const quiet = 4
const code = computed(() => encode(props.text, { border: 0 }))
const width = computed(() => code.value.size + 2 * quiet)
const path = computed(() =>
  code.value.data
    .flatMap((row, y) => row.map((dark, x) => (dark ? `M${x + quiet} ${y + quiet}h1v1h-1z` : '')))
    .join(''),
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${width}`"
    :width="size ?? 180"
    :height="size ?? 180"
    role="img"
    :aria-label="label"
    shape-rendering="crispEdges"
  >
    <rect :width="width" :height="width" fill="#fff" />
    <path :d="path" fill="#000" />
  </svg>
</template>
