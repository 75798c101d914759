<script setup lang="ts">
import type { Thing } from '@tadka/core/practice'
import { computed } from 'vue'

/** A machine cut open: what stands in it, how high, whether its beater turns, and whether anything comes from the spout. */
const props = defineProps<{ thing: Thing & { is: 'machine' }; label: string }>()
const [top, height] = [22, 116]
const level = computed(() => top + (1 - props.thing.level) * height)
const drops = [0, 0.45, 0.9]
</script>

<template>
  <svg viewBox="0 0 280 190" role="img" :aria-label="label" class="machine" :class="thing.contents">
    <defs>
      <clipPath id="practice-vessel">
        <path d="M44 22h176v86q0 30-30 30H74q-30 0-30-30Z" />
      </clipPath>
    </defs>
    <g clip-path="url(#practice-vessel)">
      <rect x="40" :y="level" width="190" height="140" class="liquid" />
      <g class="marks">
        <circle
          v-for="i in 14"
          :key="i"
          :cx="30 + i * 14"
          :cy="level + 14 + ((i * 37) % 84)"
          :r="3 + (i % 3)"
        />
      </g>
      <path :d="`M40 ${level}q22 -7 45 0t45 0t45 0t45 0`" class="surface" />
    </g>
    <path d="M44 18v90q0 30 30 30h116q30 0 30-30V18" class="wall" />
    <g v-if="thing.beater !== 'none'" class="beater" :class="thing.beater">
      <path d="M132 8v118" />
      <g class="blades">
        <path d="M100 62q32-16 64 0M100 92q32-16 64 0M100 118q32-14 64 0" />
      </g>
      <g v-if="thing.beater === 'turns'" class="turning">
        <path d="M90 50a44 14 0 0 0 84 2m-9 -9 10 8-3 12" />
        <path d="M176 84a44 14 0 0 1 -88 0m9 9-10-8 3-12" />
      </g>
    </g>
    <path v-if="thing.spout !== 'none'" d="M220 108h34v12h-14v14h-12v-14h-8Z" class="wall spout" />
    <g v-if="thing.spout === 'drips'" class="drops">
      <path
        v-for="d in drops"
        :key="d"
        :style="{ animationDelay: `${d}s` }"
        :transform="`translate(234 ${140 + d * 34})`"
        d="M0 0q6 9 0 13q-6 -4 0 -13"
      />
      <path d="M208 186q26 -10 52 0Z" class="pool" />
    </g>
  </svg>
</template>

<style scoped>
.machine {
  display: block;
  width: 100%;
  height: 150px;
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.liquid {
  fill: #9fc3d6;
}
.surface {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.marks {
  display: none;
  fill: #fff;
  opacity: 0.8;
}
.product .liquid {
  fill: #ecd9b8;
}
.rinse .liquid {
  fill: #c6dfea;
}
.detergent .liquid {
  fill: #a9c9b0;
}
.detergent .marks,
.sanitizer .marks {
  display: inline;
}
.sanitizer .liquid {
  fill: #bcb6dc;
}
.descaler .liquid {
  fill: #dcc08b;
}
.unknown .liquid {
  fill: #b8b8b2;
}
.beater path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 6;
  stroke-linecap: round;
}
.blades path {
  stroke-width: 7;
}
.turning path {
  stroke-width: 3;
  stroke: var(--sea);
}
.drops path {
  fill: #4d86a3;
  stroke: none;
}
@media (prefers-reduced-motion: no-preference) {
  .turns .blades {
    transform-origin: 132px 90px;
    animation: turn 0.7s linear infinite alternate;
  }
  .drops path:not(.pool) {
    animation: fall 1.3s linear infinite;
  }
}
@keyframes turn {
  to {
    transform: scaleX(-1);
  }
}
@keyframes fall {
  to {
    translate: 0 34px;
    opacity: 0.2;
  }
}
</style>
