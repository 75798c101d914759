<script setup lang="ts">
import { NModal } from 'naive-ui'
import { onUpdated, ref, watch, nextTick } from 'vue'

/** A dialog with its title: named for who does not see it, its title a heading of the second level. */
const show = defineModel<boolean>('show', { required: true })
defineProps<{
  title: string
  /** CSS, as wide as it is at most; by its own class where left out. */ width?: string
}>()
const inside = ref<HTMLElement | null>(null)

/** The kit makes its title, and what stands round it, headings without a level. */
function level(): void {
  const headings = inside.value?.closest('.n-card')?.querySelectorAll('[role="heading"]:not([aria-level])')
  headings?.forEach((heading) => heading.setAttribute('aria-level', '2'))
}
watch(inside, () => nextTick(level))
onUpdated(level)
</script>

<template>
  <n-modal
    v-model:show="show"
    preset="card"
    :title="title"
    :aria-label="title"
    :style="width ? { width } : undefined"
  >
    <div ref="inside"><slot /></div>
  </n-modal>
</template>
