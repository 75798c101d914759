<script setup lang="ts">
/** Gauges and displays, each with what it shows. */
defineProps<{ readings: readonly { readonly of: string; readonly says: string }[] }>()
</script>

<template>
  <dl class="out">
    <div v-for="r in readings" :key="r.of">
      <dt>{{ r.of }}</dt>
      <dd>{{ r.says }}</dd>
    </div>
  </dl>
</template>

<style scoped>
.out {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.out > div {
  padding: 8px 12px;
  border: 3px solid var(--ink);
  border-radius: 10px;
}
dt {
  font-size: 14px;
  color: var(--ink-2);
  line-height: 1.15;
}
dd {
  font-size: 26px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
</style>
