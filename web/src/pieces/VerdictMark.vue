<script setup lang="ts">
import type { Verdict } from '@tadka/core/rules'
import { useI18n } from 'vue-i18n'

/** A verdict as word, shape and colour together. */
const props = withDefaults(defineProps<{ verdict: Verdict; size?: number; word?: boolean }>(), {
  size: 24,
  word: true,
})
const { t } = useI18n()
</script>

<template>
  <span class="mark" :class="props.verdict">
    <svg :width="props.size" :height="props.size" viewBox="0 0 32 32" aria-hidden="true">
      <circle v-if="props.verdict === 'in'" cx="16" cy="16" r="14" class="fill-in" />
      <path v-if="props.verdict === 'in'" d="M9 16.5l5 5 9-11" class="tick" />
      <template v-else-if="props.verdict === 'too-close'">
        <path d="M16 2L30 16L16 30L2 16Z" class="lozenge" />
        <path d="M16 2L30 16L16 30Z" class="half" />
      </template>
      <template v-else-if="props.verdict === 'out'">
        <rect x="3" y="3" width="26" height="26" class="fill-out" />
        <path d="M8 16h16" class="bar" />
      </template>
      <circle v-else cx="16" cy="16" r="13" class="hollow" />
    </svg>
    <span v-if="props.word" class="word">{{ t(`verdict.${props.verdict}`) }}</span>
    <span v-else class="visually-hidden">{{ t(`verdict.${props.verdict}`) }}</span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 0.45em;
  font-weight: 650;
  white-space: nowrap;
}
svg {
  flex: none;
}
.in .word {
  color: var(--in);
}
.out .word {
  color: var(--out);
}
.cannot-tell .word {
  color: var(--blank);
}
.fill-in {
  fill: var(--in);
}
.tick {
  fill: none;
  stroke: var(--paper);
  stroke-width: 3.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.lozenge {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.4;
}
.half {
  fill: var(--close);
  stroke: var(--ink);
  stroke-width: 2.4;
}
.fill-out {
  fill: var(--out);
}
.bar {
  stroke: var(--paper);
  stroke-width: 4;
  stroke-linecap: square;
}
.hollow {
  fill: none;
  stroke: var(--blank);
  stroke-width: 3;
  stroke-dasharray: 5 4;
}
</style>
