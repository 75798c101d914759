<script setup lang="ts">
import type { Correction } from '@tadka/core/solution'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { useAmounts } from './amounts.ts'

/** The way back into the band, as one large act; `plain` only tells it. */
const props = defineProps<{ correction: Correction; ppe: readonly string[]; plain?: boolean }>()
const emit = defineEmits<{ did: [] }>()
const { t, te } = useI18n()
const span = useSpanWords()

const amountOf = useAmounts()
const title = computed(() => {
  const { move, why } = props.correction
  if (move === 'remix') return t('bench.remix')
  const amount = amountOf(props.correction)
  if (move === 'drain-refill') return t('bench.drain', { amount })
  if (move === 'weaken') return t('bench.addWater', { amount })
  return t(why === 'first-part' ? 'bench.addFirst' : 'bench.add', { amount })
})
const under = computed(() => {
  const { move, after, safe, why } = props.correction
  if (move === 'remix') return te(`bench.remixWhy.${why}`) ? t(`bench.remixWhy.${why}`) : ''
  const rounded = (end: number | null) => (end === null ? null : Math.round(end))
  const becomes = after
    ? t('bench.becomes', { after: span({ lo: rounded(after.lo), hi: rounded(after.hi) }, 'ppm') })
    : ''
  return `${becomes} ${safe ? t('bench.inside') : t('bench.perhaps')}`
})
const measure = computed(() => {
  const { tool, move } = props.correction
  return tool && move === 'strengthen' ? t('bench.measureIn', { tool }) : ''
})
const label = computed(() => {
  const { move } = props.correction
  return t(move === 'remix' ? 'bench.poured' : move === 'drain-refill' ? 'bench.drained' : 'bench.added')
})
</script>

<template>
  <div class="act">
    <div class="words">
      <b>{{ title }}</b>
      <p v-if="measure">{{ measure }}</p>
      <p>{{ under }}</p>
      <p v-if="correction.move === 'strengthen' && ppe.length > 0" class="ppe">
        {{ t('bench.ppe', { list: ppe.join(', ') }) }}
      </p>
    </div>
    <button v-if="!plain" type="button" @click="emit('did')">{{ label }}</button>
  </div>
</template>

<style scoped>
.act {
  margin: 12px 0;
  padding: 16px 18px;
  background: var(--close);
  color: var(--close-ink);
  border-radius: 8px;
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
}
b {
  font-size: 25px;
  font-weight: 650;
  line-height: 1.15;
}
p {
  font-size: 17px;
}
.ppe {
  font-weight: 600;
}
button {
  flex: none;
  min-height: 64px;
  padding: 0 26px;
  border: 0;
  border-radius: 8px;
  background: var(--close-ink);
  color: #ffffff;
  font-weight: 650;
  font-size: 20px;
  cursor: pointer;
}
</style>
