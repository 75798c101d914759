<script setup lang="ts">
import { area, curveBasis } from 'd3-shape'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { halfHours, type Ground } from './sheet.ts'

/** What lies behind the lanes of a sheet: the tide of trade, the hours, the ships. */
const props = defineProps<{
  ground: Ground
  /** Where an instant stands, px. */
  x: (at: number) => number
  top: number
  base: number
  width: number
  now: number
}>()
const { t } = useI18n()
const { hour, isTwelve } = useTimes()

const swell = (share: number) => {
  const height = (props.base - props.top) * share
  return area<{ at: number; height: number }>()
    .x((d) => props.x(d.at))
    .y0(props.base)
    .y1((d) => props.base - Math.min(1.35, d.height) * height)
    .curve(curveBasis)([...props.ground.tide])
}
</script>

<template>
  <g>
    <path :d="swell(0.62) ?? ''" class="tide" />
    <path :d="swell(0.34) ?? ''" class="crest" />
    <g v-for="at in halfHours(ground)" :key="at">
      <line :x1="x(at)" :x2="x(at)" :y1="top - 8" :y2="base" class="rule" />
      <text
        v-if="at % 3600000 === 0 && Math.abs(x(at) - x(now)) > (isTwelve() ? 62 : 52) && x(at) < width - 34"
        :x="x(at)"
        :y="base + 22"
        class="hour"
      >
        {{ hour(at) }}
      </text>
    </g>
    <g v-for="s in ground.sailings" :key="s.at">
      <path :d="`M${x(s.at) - 13} ${top - 26}h26l-5 10h-16z`" class="ship" />
      <rect :x="x(s.at) - 5" :y="top - 35" width="9" height="9" class="ship" />
      <text :x="x(s.at) + 20" :y="top - 16" class="sails">{{ t('shift.sails', { time: s.departs }) }}</text>
    </g>
  </g>
</template>

<style scoped>
.tide {
  fill: var(--tide);
}
.crest {
  fill: var(--tide-crest);
  opacity: 0.75;
}
.rule {
  stroke: var(--line);
  stroke-dasharray: 1 5;
}
.hour {
  font-size: 15px;
  text-anchor: middle;
  fill: var(--ink-2);
}
.ship,
.sails {
  fill: var(--sea);
}
.sails {
  font-size: 15px;
  font-weight: 600;
}
</style>
