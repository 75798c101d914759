<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import type { Position } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'
import { useClock } from '../wire/clock.ts'
import type { LaneNow } from './run-view.ts'

/** The lanes side by side: what each stands at, its timer, and which one is in hand. */
defineProps<{ lanes: readonly LaneNow[]; taken: string | null; titleOf: (p: Position) => string }>()
const emit = defineEmits<{ take: [key: string] }>()
const { t } = useI18n()
const { now } = useClock()
const left = (l: LaneNow) => (l.endsAt === null ? '' : showCountdown(Math.max(0, l.endsAt - now())))
</script>

<template>
  <div class="lanes" role="group" :aria-label="t('run.lanes')">
    <button
      v-for="l in lanes"
      :key="l.key"
      type="button"
      :aria-pressed="l.key === taken"
      :class="{ over: l.endsAt !== null && l.endsAt <= now() }"
      @click="emit('take', l.key)"
    >
      <b>{{ l.name }}</b>
      <span>{{ titleOf(l.position) }}</span>
      <span v-if="l.endsAt !== null" class="left">{{ l.endsAt <= now() ? t('run.waitOver') : left(l) }}</span>
    </button>
  </div>
</template>

<style scoped>
.lanes {
  display: flex;
  gap: 12px;
  padding: 10px var(--gutter);
  border-bottom: 1px solid var(--line-soft);
  overflow-x: auto;
}
button {
  flex: 1 1 0;
  min-width: 190px;
  min-height: 64px;
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 12px;
  align-content: center;
  text-align: left;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  padding: 6px 14px;
  cursor: pointer;
}
b {
  text-transform: capitalize;
}
button span:nth-child(2) {
  grid-column: 1;
  color: var(--ink-2);
  font-size: 15px;
  line-height: 1.2;
}
.left {
  grid-area: 1 / 2 / 3 / 3;
  align-self: center;
  font-weight: 700;
  font-size: 22px;
}
button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
.over {
  border-color: var(--close);
  background: var(--close-wash);
}
</style>
