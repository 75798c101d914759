<script setup lang="ts">
import type { MeasuringTool } from '@tadka/core/solution'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { jugMarks, onTool } from './jug.ts'

/** The measuring tool, filled to the mark. */
const props = withDefaults(defineProps<{ tool: MeasuringTool; pour: number; height?: number }>(), {
  height: 440,
})
const { t } = useI18n()

const floor = 420
const brim = 74
/** What the drawing shows: one filling; more than one is told in words. */
const level = computed(() => Math.min(props.pour, props.tool.capacity))
const y = (mL: number) => floor - (mL / props.tool.capacity) * (floor - brim)
const left = (at: number) => 70 + ((at - 40) / 380) * 10
const right = (at: number) => 220 - ((at - 40) / 380) * 10
/** The line of the pour would go through a number that stands beside it. */
const clear = (at: number) => Math.abs(y(at) - y(level.value)) > 9
const marks = computed(() => jugMarks(props.tool))
const liquid = computed(() => {
  const top = y(level.value)
  return `M${left(top)} ${top}H${right(top)}L${right(floor)} ${floor - 6}q-1 12-16 12H${left(floor) + 16}q-15 0-16-12Z`
})
</script>

<template>
  <svg
    class="jug"
    :height="height"
    viewBox="0 0 330 450"
    role="img"
    :aria-label="t('jug.told', { ...onTool(pour, tool), tool: tool.name })"
  >
    <path d="M220 92q62 0 52 92q-9 74-57 92" class="line" />
    <path d="M70 40h150l-10 378q-1 14-18 14H98q-17 0-18-14z" class="glass" />
    <path :d="liquid" class="liquid" />
    <path d="M70 40h150l-10 378q-1 14-18 14H98q-17 0-18-14z" class="line" />
    <g v-for="m in marks" :key="m.at">
      <line
        :x1="left(y(m.at)) + 2"
        :x2="left(y(m.at)) + (m.long ? 28 : 16)"
        :y1="y(m.at)"
        :y2="y(m.at)"
        :class="['mark', { long: m.long }]"
      />
      <text v-if="m.long && clear(m.at)" :x="left(y(m.at)) + 34" :y="y(m.at) + 6" class="number">
        {{ onTool(m.at, tool).figure }}
      </text>
    </g>
    <path :d="`M26 ${y(level)}H${right(y(level))}`" class="level" />
    <path :d="`M28 ${y(level)}l-16 -10v20z`" class="pointer" />
    <text :x="146" :y="y(level) - 10" class="amount">{{ onTool(pour, tool).figure }}</text>
  </svg>
</template>

<style scoped>
.jug {
  display: block;
  max-width: 100%;
}
.glass {
  fill: var(--raised);
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
  stroke-linejoin: round;
}
.liquid {
  fill: var(--tide-crest);
}
.mark {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.mark.long {
  stroke-width: 2.2;
}
.number {
  font-size: 16px;
}
.level {
  stroke: var(--sea);
  stroke-width: 4;
}
.pointer {
  fill: var(--sea);
}
.amount {
  font-size: 24px;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--raised);
  stroke-width: 4px;
}
</style>
