<script setup lang="ts">
/** Any number of some, side by side; what is chosen is told by more than its colour. */
const model = defineModel<readonly string[]>({ required: true })
defineProps<{ label: string; choices: readonly { readonly value: string; readonly text: string }[] }>()
const turn = (value: string) => {
  const now = model.value
  model.value = now.includes(value) ? now.filter((v) => v !== value) : [...now, value]
}
</script>

<template>
  <div class="choices" role="group" :aria-label="label">
    <span class="name" aria-hidden="true">{{ label }}</span>
    <button
      v-for="c in choices"
      :key="c.value"
      type="button"
      :aria-pressed="model.includes(c.value)"
      @click="turn(c.value)"
    >
      {{ c.text }}
    </button>
  </div>
</template>

<style scoped src="./choices.css" />
