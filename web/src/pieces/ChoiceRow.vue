<script setup lang="ts" generic="T extends string | boolean">
/** One of a few, a button each: large enough for a wet glove, with its name for those who do not see it. */
defineProps<{
  name: string
  options: readonly { readonly label: string; readonly value: T }[]
  /** Whether the name stands above the buttons. */
  named?: boolean
}>()
const chosen = defineModel<T | null>({ required: true })
</script>

<template>
  <div class="choices" role="group" :aria-label="name">
    <span v-if="named" class="name" aria-hidden="true">{{ name }}</span>
    <button
      v-for="o in options"
      :key="String(o.value)"
      type="button"
      :aria-pressed="chosen === o.value"
      @click="chosen = o.value"
    >
      {{ o.label }}
    </button>
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.name {
  flex: 1 0 100%;
  font-size: 15px;
  font-weight: 600;
  color: var(--ink-2);
}
button {
  min-height: 48px;
  padding: 0 16px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
}
button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
</style>
