<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { area, curveBasis } from 'd3-shape'
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useProcedures } from '../procedure/procedures.ts'
import { useTimes } from '../look/times.ts'
import { halfHours, type Sheet } from './sheet.ts'

/** The sheet: a lane a station, the tide of trade behind, windows for what is due, solid bars for what was done. */
const props = defineProps<{ sheet: Sheet; now: number }>()
const { t } = useI18n()
const { clock } = useTimes()
const box = useTemplateRef<HTMLElement>('box')
const size = useElementSize(box)

const gutter = 210
const top = 62
const width = computed(() => Math.max(640, size.width.value))
const laneHeight = computed(() => {
  const free = Math.max(240, size.height.value) - top - 44
  return Math.min(132, Math.max(48, free / Math.max(1, props.sheet.lanes.length)))
})
/** Half the height of a window and of a bar. */
const half = computed(() => Math.min(26, laneHeight.value / 2 - 6))
const short = (name: string) => (name.length > 22 ? `${name.slice(0, 21)}…` : name)
const base = computed(() => top + laneHeight.value * props.sheet.lanes.length)
const x = computed(() =>
  scaleLinear([props.sheet.from, props.sheet.to], [gutter, width.value - 12]).clamp(true),
)
const swell = (share: number) => {
  const height = (base.value - top) * share
  return area<{ at: number; height: number }>()
    .x((d) => x.value(d.at))
    .y0(base.value)
    .y1((d) => base.value - Math.min(1.35, d.height) * height)
    .curve(curveBasis)([...props.sheet.tide])
}
const { nameOf } = useProcedures()
const fits = (from: number, to: number, text: string) => x.value(to) - x.value(from) > text.length * 8 + 16
</script>

<template>
  <div ref="box" class="sheet" tabindex="0">
    <svg
      :width="width"
      :height="base + 40"
      role="img"
      :aria-label="t('shift.sheet', { from: clock(sheet.from), to: clock(sheet.to) })"
    >
      <path :d="swell(0.62) ?? ''" class="tide" />
      <path :d="swell(0.34) ?? ''" class="crest" />
      <g v-for="at in halfHours(sheet)" :key="at">
        <line :x1="x(at)" :x2="x(at)" :y1="top - 8" :y2="base" class="rule" />
        <text
          v-if="at % 3600000 === 0 && Math.abs(x(at) - x(now)) > 52 && x(at) < width - 34"
          :x="x(at)"
          :y="base + 22"
          class="hour"
        >
          {{ clock(at) }}
        </text>
      </g>
      <g v-for="s in sheet.sailings" :key="s.at">
        <path :d="`M${x(s.at) - 13} ${top - 26}h26l-5 10h-16z`" class="ship" />
        <rect :x="x(s.at) - 5" :y="top - 35" width="9" height="9" class="ship" />
        <text :x="x(s.at) + 20" :y="top - 16" class="sails">{{ t('shift.sails', { time: s.departs }) }}</text>
      </g>
      <g
        v-for="(lane, i) in sheet.lanes"
        :key="lane.station.id"
        :transform="`translate(0 ${top + i * laneHeight})`"
      >
        <line :x1="0" :x2="width - 12" :y1="laneHeight" :y2="laneHeight" class="lane" />
        <text x="0" :y="laneHeight / 2 - 3" class="name">{{ short(lane.station.plate?.name ?? '') }}</text>
        <text x="0" :y="laneHeight / 2 + 18" class="where">{{ lane.station.plate?.place }}</text>
        <g v-for="d in lane.due" :key="d.procedure + d.day" :class="['due', d.risk]">
          <rect
            :x="x(d.earliest)"
            :y="laneHeight / 2 - half"
            :width="Math.max(6, x(d.latest) - x(d.earliest))"
            :height="half * 2"
            rx="5"
          />
          <line
            :x1="x(d.target)"
            :x2="x(d.target)"
            :y1="laneHeight / 2 - half"
            :y2="laneHeight / 2 + half"
            class="aim"
          />
          <text :x="x(d.earliest) + 9" :y="laneHeight / 2 + 6" class="what">{{ nameOf(d.procedure) }}</text>
        </g>
        <g v-for="r in lane.runs" :key="r.id" :class="['run', { running: r.running }]">
          <rect
            :x="x(r.from)"
            :y="laneHeight / 2 - half * 0.77"
            :width="Math.max(6, x(r.to) - x(r.from))"
            :height="half * 1.54"
            rx="5"
          />
          <text
            v-if="fits(r.from, r.to, nameOf(r.procedure))"
            :x="x(r.from) + 8"
            :y="laneHeight / 2 + 6"
            class="what"
          >
            {{ nameOf(r.procedure) }}
          </text>
        </g>
      </g>
      <line :x1="x(now)" :x2="x(now)" :y1="top - 10" :y2="base" class="now-line" />
      <rect :x="x(now) - 27" :y="base + 5" width="54" height="25" rx="12.5" class="now-tab" />
      <text :x="x(now)" :y="base + 23" class="now-time">{{ clock(now) }}</text>
    </svg>
  </div>
</template>

<style scoped>
.sheet {
  height: 100%;
  overflow-x: auto;
}
svg {
  display: block;
}
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
.hour,
.now-time {
  font-size: 15px;
  text-anchor: middle;
}
.hour,
.where {
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
.lane {
  stroke: var(--line-soft);
}
.name {
  font-size: 17px;
  font-weight: 600;
}
.where {
  font-size: 14px;
}
.due rect {
  fill: color-mix(in srgb, var(--raised) 72%, transparent);
  stroke: var(--ink-3);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
.due.late rect {
  stroke: var(--out);
  stroke-width: 2.5;
  stroke-dasharray: none;
}
.due.past-target rect {
  stroke: var(--close);
  stroke-width: 3;
  stroke-dasharray: none;
}
.due.now rect {
  stroke: var(--sea);
  stroke-width: 2;
}
.aim {
  stroke: var(--ink-3);
  stroke-width: 1.5;
}
.what {
  font-size: 15px;
  font-weight: 600;
}
.run rect {
  fill: var(--glass);
}
.run.running rect {
  stroke: var(--ink);
  stroke-width: 2;
}
.now-line {
  stroke: var(--ink);
  stroke-width: 2;
}
.now-tab {
  fill: var(--ink);
}
.now-time {
  font-weight: 600;
  fill: var(--paper);
}
</style>
