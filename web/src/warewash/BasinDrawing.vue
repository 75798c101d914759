<script setup lang="ts">
import type { Compartment } from '@tadka/core/procedure'
import { computed } from 'vue'

/** One basin of a sink, filled as far as it is: suds on the wash, clear water in the rinse, the sanitizer dotted. What it reads stands in it. */
const props = defineProps<{ use: Compartment; full: number; label: string }>()
const [brim, floor] = [22, 116]
const level = computed(() => floor - Math.min(1, Math.max(0, props.full)) * (floor - brim - 12))
const suds = [22, 44, 63, 86, 110, 131, 154, 176, 199, 220]
const dots = [
  [34, 70],
  [52, 102],
  [92, 98],
  [128, 105],
  [170, 97],
  [208, 72],
] as const
</script>

<template>
  <div class="basin">
    <svg viewBox="0 0 240 130" role="img" :aria-label="label">
      <template v-if="full > 0">
        <path :d="`M12 ${level}H228V${floor - 14}q0 14-14 14H26q-14 0-14-14Z`" class="water" :class="use" />
        <g v-if="use === 'wash'" class="suds">
          <circle v-for="(x, i) in suds" :key="x" :cx="x" :cy="level - 1 + (i % 3)" :r="7 + (i % 3) * 2" />
        </g>
        <g v-if="use === 'sanitize'" class="dots">
          <circle v-for="[x, y] in dots" :key="x" :cx="x" :cy="y" r="3" />
        </g>
      </template>
      <path d="M2 22H12V102q0 14 14 14H214q14 0 14-14V22H238" class="steel" />
      <path d="M112 116v10h16v-10" class="steel" />
    </svg>
    <span class="read"><slot /></span>
  </div>
</template>

<style scoped>
.basin {
  position: relative;
  max-width: 300px;
}
svg {
  display: block;
  width: 100%;
}
.water.wash {
  fill: var(--slate);
}
.water.rinse {
  fill: var(--tide-crest);
}
.water.sanitize {
  fill: var(--glass);
}
.suds {
  fill: var(--raised);
  stroke: var(--ink-3);
  stroke-width: 1;
}
.dots {
  fill: var(--sea);
}
.steel {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
  stroke-linejoin: round;
}
.read {
  position: absolute;
  inset: 44% 0 auto;
  text-align: center;
  font-size: 24px;
  color: var(--ink);
}
</style>
