<script setup lang="ts">
import type { CloseLook } from '@tadka/core/practice'

/** A ring, a blade or a burr held close: whole, or with a nick. */
defineProps<{ of: CloseLook; worn: boolean; label: string }>()
const teeth = Array.from({ length: 16 }, (_, i) => i * 22.5)
</script>

<template>
  <svg viewBox="0 0 280 170" role="img" :aria-label="label" class="look">
    <g v-if="of === 'ring'">
      <ellipse cx="140" cy="85" rx="104" ry="58" class="ring" />
      <path v-if="worn" d="M216 36l14 10 2 -14 10 16 -12 8" class="nick" />
    </g>
    <g v-else-if="of === 'blade'">
      <path
        :d="
          worn
            ? 'M28 44h224v36q-30 10 -60 12l-7 -17 -9 20q-22 2 -38 2 -60 0 -110 -17Z'
            : 'M28 44h224v36q-56 18 -114 17 -60 0 -110 -17Z'
        "
        class="blade"
      />
      <circle cx="60" cy="60" r="7" class="hole" />
      <circle cx="220" cy="60" r="7" class="hole" />
    </g>
    <g v-else transform="translate(140 85)">
      <circle r="44" class="burr" />
      <path
        v-for="(a, i) in teeth"
        v-show="!worn || i !== 3"
        :key="a"
        :transform="`rotate(${a})`"
        d="M-8 -44L0 -64L8 -44Z"
        class="tooth"
      />
      <path v-if="worn" transform="rotate(67.5)" d="M-8 -44l4 -7 4 5 3 -3 5 5" class="crumb" />
      <circle r="16" class="hole" />
    </g>
  </svg>
</template>

<style scoped>
.look {
  display: block;
  width: 100%;
  height: 150px;
  background: var(--raised);
  border: 1px solid var(--line);
}
.ring {
  fill: none;
  stroke: var(--ink);
  stroke-width: 15;
}
.nick {
  fill: var(--raised);
  stroke: var(--raised);
  stroke-width: 3;
  stroke-linejoin: round;
}
.blade {
  fill: #b9c0c4;
  stroke: var(--ink);
  stroke-width: 3.5;
  stroke-linejoin: round;
}
.hole {
  fill: var(--raised);
  stroke: var(--ink);
  stroke-width: 3;
}
.burr,
.tooth {
  fill: #9a9288;
  stroke: var(--ink);
  stroke-width: 3;
  stroke-linejoin: round;
}
.crumb {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
