<script setup lang="ts">
import { showInterval, showVolume } from '@tadka/core/quantity'
import type { Correction } from '@tadka/core/solution'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../record/site.ts'

/** The way back into the band, as one large act; `plain` only tells it. */
const props = defineProps<{ correction: Correction; ppe: readonly string[]; plain?: boolean }>()
const emit = defineEmits<{ did: [] }>()
const { t } = useI18n()
const site = useSite()

const volume = (mL: number) => {
  const shown = showVolume(mL, site.set?.units ?? 'metric')
  return `${shown.value} ${shown.unit}`
}
const title = computed(() => {
  const { move, amount, first } = props.correction
  if (move === 'remix') return t('bench.remix')
  if (move === 'drain-refill') return t('bench.drain', { amount: volume(amount) })
  if (move === 'weaken') return t('bench.addWater', { amount: volume(first ?? amount) })
  return first === null
    ? t('bench.add', { amount: volume(amount) })
    : t('bench.addFirst', { amount: volume(first) })
})
const under = computed(() => {
  const { move, after, safe, why } = props.correction
  if (move === 'remix')
    return why === 'no-room' || why === 'reading-too-wide' || why === 'spoiled'
      ? t(`bench.remixWhy.${why}`)
      : ''
  const becomes = after
    ? t('bench.becomes', {
        after: showInterval({ lo: Math.round(after.lo ?? 0), hi: Math.round(after.hi ?? 0) }),
      })
    : ''
  return `${becomes} ${safe ? t('bench.inside') : t('bench.perhaps')}`
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
