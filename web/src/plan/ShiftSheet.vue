<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import NowLine from '../duty/NowLine.vue'
import SheetGround from '../duty/SheetGround.vue'
import type { Ground } from '../duty/sheet.ts'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { hues } from './hues.ts'
import { jobsOf, type Job } from './jobs.ts'
import type { PersonLane } from './lanes.ts'
import { lineHeight, rowsOf } from './sheet-lines.ts'
import ShiftJob from './ShiftJob.vue'
import { useJobWords } from './use-job-words.ts'
import { useMoving } from './use-moving.ts'

/** The evening on one sheet: a row a person, a block a job with its name above it, the tide of trade behind. */
const props = defineProps<{
  ground: Ground
  lanes: readonly PersonLane[]
  now: number
  mayMove: boolean
}>()
const emit = defineEmits<{
  /** A run is asked to be done by this person from this instant on. */
  put: [run: string, person: string | null, at: number | null]
  take: [job: Job]
  person: [person: string]
}>()
const { t } = useI18n()
const { clock } = useTimes()
const names = useNames()
const box = useTemplateRef<HTMLElement>('box')
const size = useElementSize(box)

const [gutter, top, right, leastRow] = [118, 50, 14, 62]
const width = computed(() => Math.max(700, size.width.value))
const x = computed(() =>
  scaleLinear([props.ground.from, props.ground.to], [gutter, width.value - right]).clamp(true),
)
const hue = computed(() => hues(props.lanes))
const words = useJobWords()
const worded = (job: Job) => ({ name: words.machine(job), what: words.what(job) })
const rows = computed(() => {
  const lanes = props.lanes.map((l) => ({ person: l.person, jobs: jobsOf(l, props.lanes) }))
  const made = (least: number) => rowsOf(lanes, worded, x.value, width.value - right, least)
  const dense = made(leastRow)
  const room = size.height.value - top - 42
  // Where there is room, rows stand wider apart.
  const isLoose = dense.reduce((sum, r) => sum + r.height, 0) < room
  return isLoose ? made(Math.floor(room / Math.max(1, lanes.length))) : dense
})
const base = computed(() => top + rows.value.reduce((sum, r) => sum + r.height, 0))
const laneOf = (person: string) => props.lanes.find((l) => l.person === person)

const { shift, vDraggable, press } = useMoving(
  {
    mayMove: () => props.mayMove,
    people: () => props.lanes.map((l) => l.person),
    topOf: (row) => rows.value[row]?.top ?? base.value - top,
    rowAt: (y) => {
      const found = rows.value.findIndex((r) => y < r.top + r.height)
      return y < 0 ? 0 : found < 0 ? rows.value.length - 1 : found
    },
    perPx: () => (props.ground.to - props.ground.from) / (width.value - right - gutter),
  },
  (...asked) => emit('put', ...asked),
  (job) => emit('take', job),
)

const offset = (job: Job) =>
  shift.value?.key === job.key ? `translate(${shift.value.dx} ${shift.value.dy})` : ''
const told = (job: Job) =>
  job.state === 'break'
    ? t('plan.break')
    : t('plan.bar', {
        who: job.by
          ? `${names.person(job.person)} (${t('plan.by', { who: names.person(job.by) })})`
          : names.person(job.person),
        station: names.station(job.station),
        title: worded(job).what,
        from: clock(job.from),
        to: clock(job.to),
        state: t(`plan.state.${job.state}`),
      })
const under = (person: string) => {
  const lane = laneOf(person)
  if (!lane || lane.away) return lane ? t('plan.away') : ''
  return lane.leaves === null ? '' : t('plan.until', { time: clock(lane.leaves) })
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
      <g v-for="row in rows" :key="row.person" :transform="`translate(0 ${top})`">
        <line :x1="0" :x2="width - right" :y1="row.top - 5" :y2="row.top - 5" class="row" />
        <g
          class="person"
          role="button"
          tabindex="0"
          :aria-label="t('plan.person', { who: names.person(row.person), until: under(row.person) })"
          @click="emit('person', row.person)"
          @keydown.enter.stop="emit('person', row.person)"
        >
          <rect x="-4" :y="row.top" :width="gutter - 8" height="56" rx="5" class="hit" />
          <text x="2" :y="row.top + 24" class="who">{{ names.person(row.person) }}</text>
          <text x="2" :y="row.top + 46" class="until">{{ under(row.person) }}</text>
        </g>
        <g
          v-for="{ job, line, name, what, at } in row.laid"
          :key="job.key"
          v-draggable="job"
          role="button"
          tabindex="0"
          :aria-label="told(job)"
          :class="['job', job.state, hue(job.place), { moved: shift?.key === job.key }]"
          :transform="offset(job)"
          @keydown="press($event, job)"
          @click="job.state !== 'planned' && job.state !== 'break' && emit('take', job)"
        >
          <shift-job
            :job="job"
            :name="name"
            :what="what"
            :words="at"
            :x="x"
            :top="row.top + line * lineHeight"
          />
        </g>
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
.row {
  stroke: var(--line-soft);
}
.person {
  cursor: pointer;
}
.hit {
  fill: transparent;
}
.who {
  font-size: 19px;
  font-weight: 650;
}
.until {
  font-size: 15px;
  fill: var(--ink-2);
}
.job {
  --ground: var(--sand);
  cursor: grab;
  touch-action: none;
}
.glass {
  --ground: var(--glass);
}
.slate {
  --ground: var(--slate);
}
.cinnamon {
  --ground: var(--cinnamon);
}
.done,
.break {
  cursor: default;
  touch-action: auto;
}
.running :deep(.body) {
  stroke: var(--ink);
  stroke-width: 2;
}
.moved :deep(.body) {
  stroke: var(--sea);
  stroke-width: 2.5;
}
g:focus-visible {
  outline: none;
}
.person:focus-visible .hit,
.job:focus-visible :deep(.hit) {
  stroke: var(--sea);
  stroke-width: 3;
}
</style>
