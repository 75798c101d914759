<script setup lang="ts">
import { NAutoComplete } from 'naive-ui'
import { computed } from 'vue'
import { useAreas } from './areas.ts'

/** Where in the site: one of its areas, or another in one's own words. */
const area = defineModel<string>({ required: true })
const props = defineProps<{
  label: string
  example?: string
  /** Areas that are named elsewhere already. */
  also?: readonly string[]
}>()
const { areas } = useAreas()
const options = computed(() =>
  [...new Set([...(props.also ?? []), ...areas.value])].map((a) => ({ label: a, value: a })),
)
</script>

<template>
  <label>
    {{ label }}
    <n-auto-complete
      v-model:value="area"
      :options="options"
      :get-show="() => true"
      size="large"
      :placeholder="example ?? ''"
      :input-props="{ 'aria-label': label, maxlength: 60 }"
    />
  </label>
</template>

<style scoped>
label {
  display: grid;
  gap: 6px;
  font-weight: 600;
}
</style>
