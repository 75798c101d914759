<script setup lang="ts" generic="T extends string">
import { NSelect } from 'naive-ui'

/** One of a few, with its name above it, and what is wrong with it below. */
defineProps<{
  name: string
  options: readonly { readonly label: string; readonly value: T }[]
  fault?: string
  modelValue: T | null
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
</script>

<template>
  <div>
    <span class="name">{{ name }}</span>
    <n-select
      :value="modelValue"
      :options="[...options]"
      :aria-label="name"
      :virtual-scroll="false"
      @update:value="(value: T) => emit('update:modelValue', value)"
    />
    <span v-if="fault !== undefined" class="fault">{{ fault }}</span>
  </div>
</template>
