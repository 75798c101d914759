<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import { computed } from 'vue'

/** A running wait along the top edge: time left, what it is for, and the rope that runs out. */
const props = defineProps<{ label: string; endsAt: number; startedAt: number; now: number }>()

const left = computed(() => props.endsAt - props.now)
const share = computed(() => {
  const whole = Math.max(1, props.endsAt - props.startedAt)
  return Math.min(1, Math.max(0, 1 - left.value / whole))
})
</script>

<template>
  <div class="rope" :class="{ due: left <= 0 }" role="timer">
    <b>{{ showCountdown(left) }}</b>
    <span>{{ label }}</span>
    <i class="whole"><i :style="{ width: `${share * 100}%` }" /></i>
  </div>
</template>

<style scoped>
.rope {
  width: 240px;
  padding: 10px 18px 8px 0;
  text-align: left;
}
b {
  font-size: 24px;
  font-weight: 650;
  line-height: 1.1;
}
span {
  display: block;
  color: var(--ink-2);
  font-size: 15px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.whole {
  display: block;
  height: 4px;
  border-radius: 2px;
  background: var(--line);
  margin-top: 5px;
}
.whole i {
  display: block;
  height: 4px;
  border-radius: 2px;
  background: var(--ink-2);
}
.due b {
  color: var(--out);
}
.due .whole i {
  background: var(--out);
}
</style>
