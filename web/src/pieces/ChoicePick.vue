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

<style scoped src="./choices.css" />
