<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useProcedures } from '../site/procedures.ts'
import { useTimes } from '../site/times.ts'
import NowLine from './NowLine.vue'
import SheetGround from './SheetGround.vue'
import type { Sheet } from './sheet.ts'

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
const { nameOf } = useProcedures()
const fits = (from: number, to: number, text: string) => x.value(to) - x.value(from) > text.length * 8 + 16
/** What a window is called, as long as there is room for it: up to the next one of the lane, or the edge. */
function labelOf(lane: Sheet['lanes'][number], d: Sheet['lanes'][number]['due'][number]): string {
  const ends = lane.due.map((o) => o.earliest).filter((from) => from > d.earliest)
  const room = Math.min(width.value - 12, ...ends.map((from) => x.value(from))) - x.value(d.earliest) - 14
  const [name, most] = [nameOf(d.procedure), Math.floor(room / 8)]
  return name.length <= most ? name : most < 4 ? '' : `${name.slice(0, most - 1).trimEnd()}…`
}
</script>

<template>
  <div ref="box" class="sheet" tabindex="0">
    <svg
      :width="width"
      :height="base + 40"
      role="img"
      :aria-label="t('shift.sheet', { from: clock(sheet.from), to: clock(sheet.to) })"
    >
      <sheet-ground :ground="sheet" :x="x" :top="top" :base="base" :width="width" :now="now" />
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
          <text :x="x(d.earliest) + 9" :y="laneHeight / 2 + 6" class="what">{{ labelOf(lane, d) }}</text>
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
      <now-line :x="x(now)" :top="top" :base="base" :now="now" />
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
.where {
  fill: var(--ink-2);
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
</style>
