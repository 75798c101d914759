<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import type { Job } from './jobs.ts'
import { lineHeight } from './sheet-lines.ts'

/** One job on the sheet: its name above it, work filled, waits open, others' visits as marks. */
const props = defineProps<{
  job: Job
  name: string
  what: string
  /** Where its words begin, px. */
  words: number
  /** Where an instant stands, px. */
  x: (at: number) => number
  top: number
}>()
const { t } = useI18n()
const names = useNames()
const bar = 24
const y = computed(() => props.top + lineHeight - bar - 4)
const left = computed(() => props.x(props.job.from))
const wide = (from: number, to: number) => Math.max(3, props.x(to) - props.x(from) - 1)
/** The wait's name, where it has room. */
const waitOf = (title: string, from: number, to: number) => {
  const room = Math.floor((wide(from, to) - 8) / 6.4)
  const text = title && t('plan.waits', { title, n: Math.round((to - from) / 60_000) })
  return text.length <= room ? text : ''
}
</script>

<template>
  <g>
    <rect
      :x="left"
      :y="y - 24"
      :width="Math.max(44, wide(job.from, job.to))"
      :height="bar + 24"
      class="hit"
    />
    <text :x="words" :y="y - 7" class="name">
      <tspan class="machine">{{ name }}</tspan> {{ what }}
    </text>
    <template v-for="p in job.parts" :key="p.from">
      <rect
        :x="x(p.from)"
        :y="y"
        :width="wide(p.from, p.to)"
        :height="bar"
        rx="4"
        :class="job.state === 'break' ? 'rest' : p.kind === 'work' ? 'body' : 'pale'"
      />
      <line
        v-if="p.kind === 'wait'"
        :x1="x(p.from) + 2"
        :x2="x(p.to) - 3"
        :y1="y + bar / 2 + (waitOf(p.title, p.from, p.to) ? 6 : 0)"
        :y2="y + bar / 2 + (waitOf(p.title, p.from, p.to) ? 6 : 0)"
        class="wait"
      />
      <text v-if="p.kind === 'wait'" :x="(x(p.from) + x(p.to)) / 2" :y="y + 12" class="waits">
        {{ waitOf(p.title, p.from, p.to) }}
      </text>
    </template>
    <path v-if="job.state === 'done'" :d="`M${left + 6} ${y + 12}l5 5 9 -10`" class="done-mark" />
    <g v-for="v in job.visits" :key="v.at">
      <circle :cx="x(v.at)" :cy="y + bar" r="8" class="visit" />
      <text :x="x(v.at)" :y="y + bar + 4" class="visitor">{{ names.person(v.person).slice(0, 1) }}</text>
    </g>
    <path v-if="job.pinned" :d="`M${left + wide(job.from, job.to) - 6} ${y - 4}v9m-4 -9h8`" class="pin" />
  </g>
</template>

<style scoped>
.hit {
  fill: transparent;
}
.name {
  font-size: 15px;
  fill: var(--ink-2);
  pointer-events: none;
}
.machine {
  font-weight: 650;
  fill: var(--ink);
}
.body {
  fill: var(--ground);
}
.pale {
  fill: var(--ground);
  opacity: 0.35;
}
.rest {
  fill: none;
  stroke: var(--ink-3);
  stroke-dasharray: 3 4;
}
.wait {
  stroke: var(--ink-2);
  stroke-width: 2;
  stroke-dasharray: 3 4;
}
.waits {
  font-size: 12.5px;
  fill: var(--ink);
  text-anchor: middle;
  pointer-events: none;
}
.done-mark {
  stroke: var(--ink);
  stroke-width: 2.5;
  fill: none;
}
.visit {
  fill: var(--raised);
  stroke: var(--ink-2);
}
.visitor {
  font-size: 11px;
  font-weight: 650;
  text-anchor: middle;
  pointer-events: none;
}
.pin {
  stroke: var(--ink);
  stroke-width: 2.5;
  fill: none;
}
</style>
