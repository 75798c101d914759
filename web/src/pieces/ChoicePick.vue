<script setup lang="ts" generic="T extends string | number | boolean">
/** One of a few, side by side; the chosen one is told by more than its colour. */
const model = defineModel<T | null>({ required: true })
defineProps<{
  label: string
  choices: readonly { readonly value: T; readonly text: string; readonly note?: string | undefined }[]
  disabled?: boolean
  /** Whether its name stands above the choices. */
  named?: boolean
}>()
</script>

<template>
  <div class="choices" role="radiogroup" :aria-label="label">
    <span v-if="named" class="name" aria-hidden="true">{{ label }}</span>
    <button
      v-for="c in choices"
      :key="String(c.value)"
      type="button"
      role="radio"
      :aria-checked="model === c.value"
      :disabled="disabled"
      @click="model = c.value"
    >
      {{ c.text }}<span v-if="c.note" class="quiet small"> · {{ c.note }}</span>
    </button>
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

.name {
  flex: 1 0 100%;
  font-size: 15px;
  font-weight: 600;
  color: var(--ink-2);
}
button {
  min-height: 48px;
  padding: 6px 16px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
  text-align: left;
}
button[aria-checked='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
  text-decoration: underline 3px var(--sea);
  text-underline-offset: 5px;
}
button:disabled {
  cursor: default;
}
</style>
