<script setup lang="ts">
import { NInput } from 'naive-ui'

/** A line of text with its name above it, and what is wrong with it below. */
defineProps<{ name: string; fault?: string; type?: 'date' }>()
const text = defineModel<string>({ required: true })
</script>

<template>
  <label>
    {{ name }}
    <n-input v-model:value="text" placeholder="" :input-props="type ? { type } : {}" />
    <span v-if="fault !== undefined" class="fault">{{ fault }}</span>
    <slot />
  </label>
</template>
