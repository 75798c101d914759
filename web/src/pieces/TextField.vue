<script setup lang="ts">
import { NInput } from 'naive-ui'

/** A line of text with its name above it, and what is wrong with it below. */
defineProps<{
  name: string
  fault?: string
  type?: 'date' | 'password'
  /** A real example of what goes there. */
  example?: string
  /** As tall as what stands beside it on a page that is all form. */
  large?: boolean
  /** So many characters at most. */
  most?: number
  disabled?: boolean
}>()
const text = defineModel<string>({ required: true })
</script>

<template>
  <label>
    {{ name }}
    <n-input
      v-model:value="text"
      :placeholder="example ?? ''"
      :disabled="disabled ?? false"
      :type="type === 'password' ? 'password' : 'text'"
      :size="large ? 'large' : 'medium'"
      v-bind="most === undefined ? {} : { maxlength: most }"
      :input-props="{
        'aria-label': name,
        'aria-invalid': fault ? true : undefined,
        ...(type === 'date' ? { type } : { autocomplete: 'off' }),
      }"
    />
    <span v-if="fault !== undefined" class="fault">{{ fault }}</span>
    <slot />
  </label>
</template>
