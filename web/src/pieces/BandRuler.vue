<script setup lang="ts">
import { type Interval } from '@tadka/core/quantity'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from './span-words.ts'
import { bandScale, commonBand, type BandModel } from './band.ts'

/** The band: a ruler, above it a bracket for each layer, below it the reading as wide as its uncertainty. */
const props = withDefaults(
  defineProps<{
    model: BandModel
    after?: Interval | null
    afterLabel?: string
    width?: number
    small?: boolean
  }>(),
  { after: null, afterLabel: '', width: 0, small: false },
)
const { t } = useI18n()
const span = useSpanWords()
const holder = useTemplateRef<HTMLElement>('ruler')
const frame = useElementSize(holder)
/** As wide as it is told to be, or as the place has room for. */
const wide = computed(() => props.width || Math.max(300, frame.width.value || 740))

const pad = computed(() => (props.small ? 6 : 26))
const scale = computed(() => bandScale(props.model, props.after, wide.value, pad.value))
const lane = computed(() => (props.small ? 0 : 44))
const top = computed(() => (props.small ? 8 : 10 + props.model.brackets.length * lane.value))
const height = computed(() => (props.small ? 28 : top.value + 62 + 38 + (props.after ? 36 : 0)))
const common = computed(() => commonBand(props.model.brackets))

const end = (value: number | null, side: 'lo' | 'hi') => {
  const [from = 0, to = 0] = scale.value.range()
  return value === null ? (side === 'lo' ? from : to) : scale.value(value)
}
const box = (i: Interval, least = 4) => {
  const x = end(i.lo, 'lo')
  const width = Math.max(end(i.hi, 'hi') - x, least)
  return { x: i.lo === i.hi ? x - least / 2 : x, width }
}
const bracketPath = (limit: Interval, y: number) => {
  const [from, to] = [end(limit.lo, 'lo'), end(limit.hi, 'hi')]
  const foot = y + 14
  return `M${from} ${limit.lo === null ? y : foot}V${y}H${to}${limit.hi === null ? '' : `V${foot}`}`
}
const ticks = computed(() => scale.value.ticks(props.small ? 4 : 10))
const labelled = (value: number, i: number) => ticks.value.length <= 7 || i % 2 === 0 || value === 0
const told = computed(() => {
  const limits = props.model.brackets.map((b) => `${t(`layer.${b.label}`)} ${span(b.limit)}`)
  const reading = props.model.reading
    ? `${t('band.reading')} ${span(props.model.reading)}`
    : t('band.noReading')
  return `${reading} ${props.model.unit}; ${limits.join('; ')}: ${t(`verdict.${props.model.verdict}`)}`
})
</script>

<template>
  <div ref="ruler">
    <svg
      class="band"
      :width="wide"
      :height="height"
      :viewBox="`0 0 ${wide} ${height}`"
      role="img"
      :aria-label="told"
    >
      <template v-if="!small">
        <g v-for="(b, i) in model.brackets" :key="b.label">
          <path :d="bracketPath(b.limit, 22 + i * lane)" class="bracket" />
          <path
            v-if="b.limit.hi === null"
            :d="`M${end(null, 'hi')} ${22 + i * lane}l-9 -5v10z`"
            class="arrow"
          />
          <path
            v-if="b.limit.lo === null"
            :d="`M${end(null, 'lo')} ${22 + i * lane}l9 -5v10z`"
            class="arrow"
          />
          <text :x="end(b.limit.lo, 'lo') + 8" :y="15 + i * lane" class="layer">
            {{ t(`layer.${b.label}`) }}
          </text>
        </g>
      </template>
      <rect v-if="common" v-bind="box(common)" :y="top" :height="small ? 8 : 26" class="common" />
      <line
        :x1="scale.range()[0]"
        :x2="scale.range()[1]"
        :y1="top + (small ? 8 : 26)"
        :y2="top + (small ? 8 : 26)"
        class="ruler"
      />
      <template v-if="!small">
        <g v-for="(v, i) in ticks" :key="v">
          <line
            :x1="scale(v)"
            :x2="scale(v)"
            :y1="top + 26"
            :y2="top + (labelled(v, i) ? 38 : 33)"
            class="tick"
          />
          <text v-if="labelled(v, i)" :x="scale(v)" :y="top + 56" text-anchor="middle" class="number">
            {{ v }}
          </text>
        </g>
        <text :x="wide - pad" :y="top + 84" text-anchor="end" class="layer">{{ model.unit }}</text>
      </template>
      <g v-if="model.reading" :class="`reading ${model.verdict}`">
        <rect
          v-bind="box(model.reading, small ? 6 : 10)"
          :y="small ? top + 11 : top + 68"
          :height="small ? 9 : 26"
          :rx="small ? 4.5 : 13"
        />
        <text v-if="!small" :x="box(model.reading, 10).x - 9" :y="top + 87" text-anchor="end" class="now">
          {{ t('band.now') }}
        </text>
      </g>
      <g v-if="after && !small">
        <rect v-bind="box(after, 10)" :y="top + 104" height="26" rx="13" class="after" />
        <text :x="box(after, 10).x + box(after, 10).width + 10" :y="top + 123" class="number">
          {{ afterLabel }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.band {
  display: block;
  overflow: visible;
}
.bracket {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 2.5;
}
.arrow {
  fill: var(--ink-2);
}
.layer {
  font-size: 15px;
  fill: var(--ink-2);
}
.common {
  fill: var(--in-wash);
}
.ruler {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.tick {
  stroke: var(--ink);
  stroke-width: 2;
}
.number {
  font-size: 16px;
}
.now {
  font-size: 16px;
  font-weight: 600;
}
.reading rect {
  stroke: var(--ink);
  stroke-width: 2;
}
.reading.in rect {
  fill: var(--in);
}
.reading.too-close rect {
  fill: var(--close);
}
.reading.out rect {
  fill: var(--out);
}
.reading.cannot-tell rect {
  fill: var(--paper);
  stroke: var(--blank);
  stroke-dasharray: 4 3;
}
.after {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
  stroke-dasharray: 5 5;
}
</style>
