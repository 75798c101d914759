<script setup lang="ts">
import type { Tally } from '@tadka/core/logger'
import type { Verdict } from '@tadka/core/rules'
import { computed } from 'vue'
import VerdictMark from '../pieces/VerdictMark.vue'

/** How many came out how; nothing where nothing was judged. */
const props = defineProps<{ tally: Tally | null }>()
const order: readonly Verdict[] = ['out', 'cannot-tell', 'too-close', 'in']
const counts = computed(() => order.flatMap((v) => (props.tally?.[v] ? [{ v, n: props.tally[v] }] : [])))
</script>

<template>
  <span class="tally">
    <span v-for="c in counts" :key="c.v" class="one">
      <b>{{ c.n }}</b> <verdict-mark :verdict="c.v" :size="20" />
    </span>
  </span>
</template>

<style scoped>
.tally {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
}
.one {
  display: inline-flex;
  gap: 7px;
  align-items: center;
}
</style>
