<script setup lang="ts">
import { computed } from 'vue'
import { useTimes } from '../site/times.ts'

defineProps<{ x: number; top: number; base: number; now: number }>()
const { clock, isTwelve } = useTimes()
/** Half of what the time takes, px. */
const half = computed(() => (isTwelve() ? 38 : 27))
</script>

<template>
  <g>
    <line :x1="x" :x2="x" :y1="top - 10" :y2="base" class="now-line" />
    <rect :x="x - half" :y="base + 5" :width="2 * half" height="25" rx="12.5" class="now-tab" />
    <text :x="x" :y="base + 23" class="now-time">{{ clock(now) }}</text>
  </g>
</template>

<style scoped>
.now-line {
  stroke: var(--ink);
  stroke-width: 2;
}
.now-tab {
  fill: var(--ink);
}
.now-time {
  font-size: 15px;
  text-anchor: middle;
  font-weight: 600;
  fill: var(--paper);
}
</style>
