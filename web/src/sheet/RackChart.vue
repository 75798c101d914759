<script setup lang="ts">
import type { CycleSheet } from '@tadka/core/sheet'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useTeller } from '../site/teller.ts'
import { useUnits } from '../site/units.ts'

/** A dish machine's racks over a day: the final rinse of each, by time, what is not in range as a block. */
const props = defineProps<{ cycles: CycleSheet; from: number; to: number }>()
const { t } = useI18n()
const tell = useTeller()
const units = useUnits()
const [wide, high, left, under] = [720, 110, 44, 20]

const points = computed(() => props.cycles.points.filter((p) => p.rinse !== null))
const span = computed(() => {
  const at = points.value.map((p) => p.at)
  return { from: Math.min(...at), to: Math.max(...at, Math.min(...at) + 3_600_000) }
})
const range = computed(() => {
  const all = points.value.map((p) => units.inDegrees(p.rinse ?? 0))
  return { lo: Math.floor(Math.min(...all) - 2), hi: Math.ceil(Math.max(...all) + 2) }
})
const x = (at: number) =>
  left + ((at - span.value.from) / (span.value.to - span.value.from)) * (wide - left - 8)
const y = (rinse: number) => {
  const { lo, hi } = range.value
  return 6 + ((hi - units.inDegrees(rinse)) / (hi - lo)) * (high - under - 6)
}
const kinds = ['in', 'too-close', 'out', 'cannot-tell'] as const
</script>

<template>
  <!-- On a phone it is moved sideways, by keyboard too. -->
  <figure v-if="points.length > 0" class="racks chart" tabindex="0">
    <figcaption class="small quiet">{{ t('sheet.dishAxis', { unit: units.degree.value }) }}</figcaption>
    <svg :viewBox="`0 0 ${wide} ${high}`" role="img" :aria-label="t('sheet.dish')">
      <path :d="`M${left} ${high - under}H${wide}`" class="axis" />
      <text :x="left - 6" :y="14" text-anchor="end">{{ range.hi }}</text>
      <text :x="left - 6" :y="high - under" text-anchor="end">{{ range.lo }}</text>
      <text :x="left" :y="high - 4">{{ tell.clock(span.from) }}</text>
      <text :x="wide" :y="high - 4" text-anchor="end">{{ tell.clock(span.to) }}</text>
      <template v-for="(p, i) in points" :key="i">
        <circle v-if="p.verdict === 'in'" :cx="x(p.at)" :cy="y(p.rinse ?? 0)" r="2.6" class="in" />
        <rect v-else :x="x(p.at) - 4" :y="y(p.rinse ?? 0) - 4" width="8" height="8" :class="p.verdict" />
      </template>
    </svg>
    <p class="counts">
      <span v-for="k in kinds" v-show="cycles.counts[k] > 0" :key="k">
        {{ cycles.counts[k] }} <verdict-mark :verdict="k" :size="16" />
      </span>
      <span v-if="cycles.counts['cut-short'] > 0">
        {{ cycles.counts['cut-short'] }} {{ t('sheet.cutShort') }}
      </span>
    </p>
  </figure>
</template>

<style scoped src="../pieces/dot-chart.css" />
<style scoped>
.racks {
  margin: 10px 0;
}
.in {
  fill: var(--in);
}
.out {
  fill: var(--out);
}
.too-close {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.cannot-tell {
  fill: none;
  stroke: var(--blank);
  stroke-width: 2;
}
.counts {
  display: flex;
  gap: 20px;
  flex-wrap: wrap;
}
</style>
