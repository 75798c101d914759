<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'

/** One of the site's products, by name. */
const model = defineModel<string | null>({ required: true })
const props = defineProps<{
  products: readonly { readonly id: string; readonly name: string }[]
  label: string
}>()
const options = computed(() =>
  props.products
    .map(({ id, name }) => ({ value: id, label: name }))
    .toSorted((a, b) => a.label.localeCompare(b.label)),
)
</script>

<template>
  <n-select
    v-model:value="model"
    class="pick"
    :options="options"
    :virtual-scroll="false"
    clearable
    size="large"
    :placeholder="label"
    :aria-label="label"
  />
</template>

<style scoped>
.pick {
  max-width: 420px;
}
</style>
