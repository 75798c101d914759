<script setup lang="ts">
import type { Isolation } from '@tadka/core/procedure'

/** What lets power or detergent in: a plug, a breaker, the front's switch, or the feeds; with its lamp. */
defineProps<{ by: Isolation | 'feeds'; on: boolean; label: string }>()
</script>

<template>
  <svg viewBox="0 0 150 92" role="img" :aria-label="label" class="switch" :class="{ on }">
    <circle cx="13" cy="13" r="9" class="lamp" />
    <g v-if="by === 'plug'">
      <rect x="92" y="22" width="48" height="48" rx="8" class="part" />
      <path d="M104 38v16M120 38v16" class="line" />
      <g :transform="on ? 'translate(36 0)' : 'translate(0 0)'" class="plug">
        <path d="M2 46h22" class="line" />
        <rect x="22" y="30" width="28" height="32" rx="6" class="solid" />
        <path v-if="!on" d="M50 38h12M50 54h12" class="line" />
      </g>
    </g>
    <g v-else-if="by === 'breaker'">
      <rect x="56" y="6" width="58" height="80" rx="7" class="part" />
      <rect x="74" :y="on ? 14 : 46" width="22" height="32" rx="4" class="solid" />
      <path d="M64 16v8M64 76h0" class="line" />
    </g>
    <g v-else-if="by === 'front'">
      <rect x="50" y="22" width="84" height="48" rx="24" class="part" />
      <circle :cx="on ? 110 : 74" cy="46" r="18" class="solid" />
    </g>
    <g v-else>
      <rect x="46" y="10" width="38" height="46" rx="6" class="part" />
      <rect x="96" y="10" width="38" height="46" rx="6" class="part" />
      <path d="M65 56v28M115 56v28" class="line" />
      <g v-if="on">
        <path d="M58 34a7 7 0 1 1 7 7m-4 -3 4 3-3 4M108 34a7 7 0 1 1 7 7m-4 -3 4 3-3 4" class="line thin" />
        <path d="M65 70q5 8 0 11q-5 -3 0 -11M115 70q5 8 0 11q-5 -3 0 -11" class="drop" />
      </g>
    </g>
  </svg>
</template>

<style scoped>
.switch {
  display: block;
  width: 100%;
  height: 84px;
}
.part {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
}
.solid {
  fill: var(--ink);
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
  stroke-linecap: round;
}
.thin {
  stroke-width: 3;
}
.drop {
  fill: #4d86a3;
}
.lamp {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.on .lamp {
  fill: #e8a400;
}
.on .lamp {
  filter: drop-shadow(0 0 4px #e8a400);
}
</style>
