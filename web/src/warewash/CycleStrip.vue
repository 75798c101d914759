<script setup lang="ts">
import type { Mark } from '@tadka/core/warewash'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import { stripOf, wordRoom } from './strip.ts'

/** The last cycles as marks on the line of the limit; each opens its trace. */
const props = defineProps<{ marks: readonly Mark[]; limit: number }>()
const open = defineModel<string | null>('open', { required: true })
const { t } = useI18n()
const { clock, isTwelve } = useTimes()
const units = useUnits()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const height = 150
const least = 12
/** Room for the limit's figure. */
const left = 64
const step = computed(() => Math.max(least, (width.value - left) / Math.max(20, props.marks.length)))
const strip = computed(() =>
  stripOf(props.marks, props.limit, step.value, height, left, isTwelve() ? wordRoom.of12 : wordRoom.of24),
)
/** The newest stand at the right end: that end is shown. */
watch([() => props.marks.length, width], () => box.value?.scrollTo({ left: box.value.scrollWidth }), {
  flush: 'post',
})
const nameOf = (m: Mark) =>
  t('dish.markName', {
    time: clock(m.at),
    verdict: m.verdict ? t(`verdict.${m.verdict}`) : t('dish.cutShort'),
    rinse: units.read(m.rinseLow),
  })
function move(by: number): void {
  const at = props.marks.findIndex((m) => m.key === open.value)
  const next = props.marks[Math.max(0, Math.min(props.marks.length - 1, at + by))]
  if (next) open.value = next.key
}
</script>

<template>
  <div
    ref="box"
    class="strip"
    tabindex="0"
    role="group"
    :aria-label="t('dish.strip')"
    @keydown.left.prevent="move(-1)"
    @keydown.right.prevent="move(1)"
  >
    <svg
      :width="left + strip.marks.length * step"
      :height="height + 30"
      role="list"
      :aria-label="t('dish.strip')"
    >
      <line
        :x1="left"
        :x2="left + strip.marks.length * step"
        :y1="strip.limitAt"
        :y2="strip.limitAt"
        class="limit"
      />
      <text x="0" :y="strip.limitAt + 5" class="quietly">{{ units.limit(limit) }}</text>
      <text v-for="turn in strip.turns" :key="turn.at" :x="turn.x" :y="height + 26" class="quietly">
        {{ clock(turn.at) }}
      </text>
      <g
        v-for="m in strip.marks"
        :key="m.mark.key"
        role="listitem"
        :class="[m.shape, { open: open === m.mark.key }]"
        :aria-label="nameOf(m.mark)"
        @click="open = open === m.mark.key ? null : m.mark.key"
      >
        <title>{{ nameOf(m.mark) }}</title>
        <rect :x="m.x - step / 2" y="0" :width="step" :height="height + 10" class="ground" />
        <template v-if="m.shape === 'cut'">
          <path :d="`M${m.x - 3} ${m.from - 4}l6 8`" class="tick" />
        </template>
        <template v-else>
          <line :x1="m.x" :x2="m.x" :y1="m.from" :y2="m.to" class="stem" />
          <circle v-if="m.shape === 'in'" :cx="m.x" :cy="m.to" r="4.5" />
          <path
            v-else-if="m.shape === 'too-close'"
            :d="`M${m.x} ${m.to - 6}l6 6l-6 6l-6 -6z`"
            class="lozenge"
          />
          <rect v-else-if="m.shape === 'out'" :x="m.x - 5" :y="m.to - 5" width="10" height="10" />
          <circle v-else :cx="m.x" :cy="m.to" r="5" class="hollow" />
        </template>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.strip {
  overflow-x: auto;
  overflow-y: hidden;
}
.limit {
  stroke: var(--ink-2);
  stroke-dasharray: 7 5;
}
.quietly {
  font-size: 15px;
  fill: var(--ink-2);
}
g {
  cursor: pointer;
}
.ground {
  fill: transparent;
}
g:hover .ground {
  fill: var(--line-soft);
}
.open .ground {
  fill: var(--sea-wash);
}
.stem {
  stroke: currentColor;
  stroke-width: 2.5;
}
.in {
  color: var(--in);
  fill: var(--in);
}
.out {
  color: var(--out);
  fill: var(--out);
}
.too-close {
  color: var(--ink);
}
.lozenge {
  fill: var(--close);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.cannot-tell {
  color: var(--blank);
}
.hollow {
  fill: var(--paper);
  stroke: var(--blank);
  stroke-width: 2;
  stroke-dasharray: 3 2;
}
.tick {
  stroke: var(--ink-3);
  stroke-width: 2;
}
</style>
