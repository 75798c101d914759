<script setup lang="ts">
/** A button that asks for a file. */
defineProps<{ text: string; accept: string; primary?: boolean }>()
const emit = defineEmits<{ pick: [file: File] }>()

function picked(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // The same file can be picked again, once it has been mended.
  input.value = ''
  if (file) emit('pick', file)
}
</script>

<template>
  <label class="file" :class="{ primary }">
    {{ text }}
    <input type="file" :accept="accept" class="visually-hidden" @change="picked" />
  </label>
</template>

<style scoped>
.file {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  padding: 0 18px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  font-weight: 600;
  cursor: pointer;
}
.primary {
  min-height: 52px;
  border-color: var(--sea);
  background: var(--sea);
  color: var(--sea-ink);
}
.file:focus-within {
  outline: 3px solid var(--sea);
  outline-offset: 2px;
}
</style>
