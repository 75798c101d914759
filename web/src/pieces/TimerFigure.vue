<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** The timer of a wait, the largest thing on the screen: a rope sags from end to end and draws taut as time runs out. */
const props = defineProps<{ startedAt: number; endsAt: number; now: number }>()
const { t } = useI18n()

const left = computed(() => props.endsAt - props.now)
const share = computed(() =>
  Math.min(1, Math.max(0, (props.now - props.startedAt) / Math.max(1, props.endsAt - props.startedAt))),
)
const sag = computed(() => 108 - 100 * share.value)
/** Where the bead hangs on the rope's curve. */
const x = computed(() => {
  const [t1, t0] = [share.value, 1 - share.value]
  return 20 * t0 ** 3 + 3 * 150 * t1 * t0 ** 2 + 3 * 410 * t1 ** 2 * t0 + 540 * t1 ** 3
})
const y = computed(() => 20 + 3 * share.value * (1 - share.value) * sag.value)
</script>

<template>
  <div
    class="timer"
    :class="{ over: left <= 0 }"
    role="timer"
    :aria-label="t('timer.left', { left: showCountdown(left) })"
  >
    <div class="left">{{ showCountdown(left) }}</div>
    <svg viewBox="0 0 560 120" width="560" aria-hidden="true">
      <path :d="`M20 20C150 ${20 + sag} 410 ${20 + sag} 540 20`" class="rope" />
      <circle cx="20" cy="20" r="7" class="knot" />
      <circle cx="540" cy="20" r="7" class="knot" />
      <circle :cx="x" :cy="y" r="12" class="bead" />
    </svg>
  </div>
</template>

<style scoped>
.left {
  font-size: 132px;
  font-weight: 700;
  line-height: 1;
  letter-spacing: -2px;
}
.over .left {
  color: var(--in);
}
svg {
  max-width: 100%;
  margin-top: 18px;
  overflow: visible;
}
.rope {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 4;
  stroke-linecap: round;
}
.knot {
  fill: var(--ink-2);
}
.bead {
  fill: var(--close);
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
