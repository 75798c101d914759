<script setup lang="ts">
/** A pan of what ran out last: its bottom is seen through clear water. */
defineProps<{ cloudy: boolean; label: string }>()
</script>

<template>
  <svg viewBox="0 0 280 130" role="img" :aria-label="label" class="pan">
    <path d="M20 22h240l-26 92H46Z" class="wall" />
    <path d="M31 48h218l-18 62H49Z" :class="cloudy ? 'cloudy' : 'clear'" />
    <g v-if="cloudy" class="swirl">
      <path d="M58 68q26 -16 52 0t52 0t52 0M66 92q24 -14 48 0t48 0t46 0" />
    </g>
    <g v-else class="bottom">
      <path d="M92 104q48 -14 96 0" />
      <circle cx="140" cy="92" r="5" />
    </g>
  </svg>
</template>

<style scoped>
.pan {
  display: block;
  width: 100%;
  height: 120px;
}
.wall {
  fill: #d9dcdc;
  stroke: var(--ink);
  stroke-width: 4;
  stroke-linejoin: round;
}
.clear {
  fill: #cfe6ef;
}
.cloudy {
  fill: #e9e3d3;
}
.swirl path {
  fill: none;
  stroke: #c9bfa4;
  stroke-width: 9;
  stroke-linecap: round;
}
.bottom path,
.bottom circle {
  fill: none;
  stroke: #6d7d84;
  stroke-width: 3;
}
</style>
