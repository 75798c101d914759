<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import NowLine from '../duty/NowLine.vue'
import SheetGround from '../duty/SheetGround.vue'
import type { Ground } from '../duty/sheet.ts'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import { draggable } from './drag.ts'
import { hues, snapped, stepMinutes } from './hues.ts'
import type { Bar, PersonLane } from './lanes.ts'

/** The evening on one sheet: a lane a person, work as bars, waits as ropes between them, the tide of trade behind. */
const props = defineProps<{
  ground: Ground
  lanes: readonly PersonLane[]
  now: number
  mayMove: boolean
}>()
const emit = defineEmits<{
  /** A run is asked to be done by this person from this instant on. */
  put: [run: string, person: string | null, at: number | null]
  take: [bar: Bar]
  person: [person: string]
}>()
const { t } = useI18n()
const { clock } = useTimes()
const names = useNames()
const box = useTemplateRef<HTMLElement>('box')
const size = useElementSize(box)

const gutter = 150
const top = 52
const width = computed(() => Math.max(700, size.width.value))
const laneHeight = computed(() =>
  Math.min(92, Math.max(60, (Math.max(300, size.height.value) - top - 40) / Math.max(1, props.lanes.length))),
)
const barHeight = computed(() => Math.min(44, laneHeight.value - 24))
const base = computed(() => top + laneHeight.value * props.lanes.length)
const x = computed(() =>
  scaleLinear([props.ground.from, props.ground.to], [gutter, width.value - 14]).clamp(true),
)
const hue = computed(() => hues(props.lanes))
const shift = ref<{ key: string; dx: number; dy: number } | null>(null)

const vDraggable = draggable({
  moved: ({ bar, dx, dy }) => (shift.value = props.mayMove ? { key: bar.key, dx, dy } : null),
  dropped: ({ bar, dx, dy }) => drop(bar, dx, dy),
  tapped: (bar) => emit('take', bar),
})

function drop(bar: Bar, dx: number, dy: number): void {
  shift.value = null
  if (!props.mayMove) return
  const from = props.lanes.findIndex((l) => l.person === bar.person)
  const to = Math.min(props.lanes.length - 1, Math.max(0, from + Math.round(dy / laneHeight.value)))
  const perPx = (props.ground.to - props.ground.from) / (width.value - 14 - gutter)
  const moved = Math.abs(dx * perPx) >= 2.5 * 60_000
  emit(
    'put',
    bar.run,
    to === from && moved ? null : (props.lanes[to]?.person ?? null),
    moved ? snapped(firstOf(bar) + dx * perPx) : null,
  )
}

/** A run moves as a whole: from the begin of its first bar. */
const firstOf = (bar: Bar) =>
  Math.min(
    ...props.lanes.flatMap((l) =>
      l.bars.filter((b) => b.run === bar.run && b.state !== 'done').map((b) => b.from),
    ),
  )

function press(event: KeyboardEvent, bar: Bar): void {
  if (event.key === 'Enter') {
    const moved = shift.value?.key === bar.key ? shift.value : null
    event.preventDefault()
    event.stopPropagation()
    if (moved) drop(bar, moved.dx, moved.dy)
    else emit('take', bar)
    return
  }
  if (event.key === 'Escape') shift.value = null
  if (!props.mayMove || bar.state !== 'planned' || !event.key.startsWith('Arrow')) return
  event.preventDefault()
  event.stopPropagation()
  const was = shift.value?.key === bar.key ? shift.value : { dx: 0, dy: 0 }
  const step = x.value(props.ground.from + stepMinutes * 60_000) - x.value(props.ground.from)
  const ways: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, -laneHeight.value],
    ArrowDown: [0, laneHeight.value],
  }
  const [dx, dy] = ways[event.key] ?? [0, 0]
  shift.value = { key: bar.key, dx: was.dx + dx, dy: was.dy + dy }
}

const offset = (bar: Bar) =>
  shift.value?.key === bar.key ? `translate(${shift.value.dx} ${shift.value.dy})` : ''
const wide = (bar: Bar) => Math.max(5, x.value(bar.to) - x.value(bar.from) - 1.5)
const fit = (text: string, px: number) => {
  const room = Math.floor((px - 12) / 7.4)
  return text.length <= room ? text : room > 4 ? `${text.slice(0, room - 1)}…` : ''
}
const told = (bar: Bar) =>
  bar.state === 'break'
    ? t('plan.break')
    : t('plan.bar', {
        who: bar.by
          ? `${names.person(bar.person)} (${t('plan.by', { who: names.person(bar.by) })})`
          : names.person(bar.person),
        station: names.station(bar.station),
        title: bar.title,
        from: clock(bar.from),
        to: clock(bar.to),
        state: t(`plan.state.${bar.state}`),
      })
const narrow = (bar: Bar) => wide(bar) < 62
const titled = (bar: Bar) => {
  const name = bar.state === 'break' ? t('plan.break') : names.station(bar.station)
  // Where its name has no room, the short number on its tag says which it is.
  return !narrow(bar) ? fit(name, wide(bar)) : wide(bar) >= 17 ? names.tag(bar.station) : ''
}
const under = (lane: PersonLane) =>
  lane.away ? t('plan.away') : lane.leaves === null ? '' : t('plan.until', { time: clock(lane.leaves) })
/** What the ropes wait for, where it has room beside the one before. */
function waits(lane: PersonLane): { key: string; at: number; text: string }[] {
  let free = gutter
  return lane.ropes.flatMap((r) => {
    const [a, b] = [x.value(r.from), x.value(r.to)]
    const text = fit(t('plan.waits', { title: r.title, n: r.minutes }), b - a + 40)
    const [at, half] = [(a + b) / 2, text.length * 3.2]
    if (b - a < 40 || text === '' || at - half < free) return []
    free = at + half + 8
    return [{ key: `${r.key} told`, at, text }]
  })
}
const rope = (from: number, to: number) => {
  const [a, b] = [x.value(from), x.value(to)]
  const y = laneHeight.value / 2 + barHeight.value / 2 - 8
  const sag = Math.min(17, 8 + (b - a) / 12)
  return `M${a - 3} ${y}C${a + (b - a) * 0.2} ${y + sag * 1.3} ${b - (b - a) * 0.2} ${y + sag * 1.3} ${b + 3} ${y}`
}
</script>

<template>
  <div ref="box" class="sheet">
    <svg
      :width="width"
      :height="base + 36"
      role="group"
      :aria-label="t('plan.sheet', { from: clock(ground.from), to: clock(ground.to) })"
    >
      <sheet-ground :ground="ground" :x="x" :top="top" :base="base" :width="width" :now="now" />
      <g v-for="(lane, i) in lanes" :key="lane.person" :transform="`translate(0 ${top + i * laneHeight})`">
        <line :x1="0" :x2="width - 14" :y1="laneHeight" :y2="laneHeight" class="lane" />
        <g
          class="person"
          role="button"
          tabindex="0"
          :aria-label="t('plan.person', { who: names.person(lane.person), until: under(lane) })"
          @click="emit('person', lane.person)"
          @keydown.enter.stop="emit('person', lane.person)"
        >
          <rect x="-4" y="4" :width="gutter - 12" :height="laneHeight - 8" rx="5" class="hit" />
          <text x="2" :y="laneHeight / 2 - 3" class="name">{{ names.person(lane.person) }}</text>
          <text x="2" :y="laneHeight / 2 + 17" class="where">{{ under(lane) }}</text>
        </g>
        <path v-for="r in lane.ropes" :key="r.key" :d="rope(r.from, r.to)" class="rope" />
        <g
          v-for="bar in lane.bars"
          :key="bar.key"
          v-draggable="bar"
          role="button"
          tabindex="0"
          :aria-label="told(bar)"
          :class="['bar', bar.state, hue(bar.place), { moved: shift?.key === bar.key }]"
          :transform="offset(bar)"
          @keydown="press($event, bar)"
        >
          <rect
            :x="x(bar.from)"
            :y="(laneHeight - barHeight) / 2 - 3"
            :width="wide(bar)"
            :height="barHeight"
            rx="4"
            class="body"
          />
          <text
            :x="x(bar.from) + (narrow(bar) ? wide(bar) / 2 : 6)"
            :y="laneHeight / 2 - 7"
            :class="['what', { narrow: narrow(bar) }]"
          >
            {{ titled(bar) }}
          </text>
          <text v-if="!narrow(bar)" :x="x(bar.from) + 6" :y="laneHeight / 2 + 10" class="step">
            {{ fit(bar.title, wide(bar)) }}
          </text>
          <path
            v-if="bar.pinned"
            :d="`M${x(bar.to) - 9} ${(laneHeight - barHeight) / 2 - 7}v9m-4 -9h8`"
            class="pin"
          />
        </g>
        <text v-for="w in waits(lane)" :key="w.key" :x="w.at" :y="laneHeight - 3" class="waits">
          {{ w.text }}
        </text>
      </g>
      <now-line :x="x(now)" :top="top" :base="base" :now="now" />
    </svg>
  </div>
</template>

<style scoped>
.sheet {
  height: 100%;
  overflow: auto;
}
svg {
  display: block;
}
.lane {
  stroke: var(--line-soft);
}
.person {
  cursor: pointer;
}
.hit {
  fill: transparent;
}
.name {
  font-size: 18px;
  font-weight: 650;
}
.where {
  font-size: 14px;
  fill: var(--ink-2);
}
.bar {
  cursor: grab;
  touch-action: none;
}
.body {
  fill: var(--sand);
}
.glass .body {
  fill: var(--glass);
}
.slate .body {
  fill: var(--slate);
}
.cinnamon .body {
  fill: var(--cinnamon);
}
.done {
  cursor: default;
}
.done .body {
  opacity: 0.45;
}
.running .body {
  stroke: var(--ink);
  stroke-width: 2;
}
.break {
  cursor: default;
}
.break .body {
  fill: none;
  stroke: var(--ink-3);
  stroke-dasharray: 3 4;
}
.moved .body {
  stroke: var(--sea);
  stroke-width: 2.5;
}
.what {
  font-size: 14px;
  font-weight: 650;
  pointer-events: none;
}
.what.narrow {
  text-anchor: middle;
  font-size: 13px;
}
.step {
  font-size: 13px;
  pointer-events: none;
}
.pin {
  stroke: var(--ink);
  stroke-width: 2.5;
  fill: none;
}
.rope {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 2;
}
.waits {
  font-size: 12.5px;
  fill: var(--ink-2);
  text-anchor: middle;
}
g:focus-visible {
  outline: none;
}
.person:focus-visible .hit,
.bar:focus-visible .body {
  stroke: var(--sea);
  stroke-width: 3;
}
</style>
