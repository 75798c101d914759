<script setup lang="ts">
/** A date, by the browser's own calendar; what is no date, or past the ends, changes nothing. */
const day = defineModel<string>({ required: true })
const props = defineProps<{
  label: string
  /** ISO dates. */
  min?: string | undefined
  max?: string | undefined
  /** Whether its name stands before it. */
  named?: boolean
  /** May be left empty. */
  optional?: boolean
}>()
function take(event: Event): void {
  const typed = (event.target as HTMLInputElement).value
  const isDay = /^\d{4}-\d{2}-\d{2}$/.test(typed)
  if (isDay ? typed >= (props.min ?? '') && typed <= (props.max ?? typed) : props.optional && typed === '')
    day.value = typed
}
</script>

<template>
  <label>
    <span v-if="named">{{ label }}</span>
    <input type="date" :value="day" :min="min" :max="max" :aria-label="label" @change="take" />
  </label>
</template>

<style scoped>
label {
  font-weight: 600;
  display: flex;
  gap: 8px;
  align-items: center;
}
input {
  min-height: 48px;
  padding: 0 12px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  color: var(--ink);
  font: inherit;
}
</style>
