<script setup lang="ts">
import { NInput } from 'naive-ui'
import { ref, watch } from 'vue'
import { keptLocalTime } from './local-time.ts'
import { useTimes } from './times.ts'

/** A time of day as people here write it, 22:30 or 10:30 PM; kept as "HH:MM", past 24:00 where it lies past midnight. */
const props = defineProps<{
  label: string
  /** The time that it follows. */
  after?: string
  example?: string
  disabled?: boolean
  /** What nothing typed means. */
  empty?: string
}>()
const time = defineModel<string>({ required: true })
const { local } = useTimes()

const text = ref(local(time.value))
const kept = (typed: string) => keptLocalTime(typed, props.after)
watch(time, (now) => {
  if (kept(text.value) !== now) text.value = local(now)
})
// What it follows has moved: whether it lies past midnight is seen anew.
watch(
  () => props.after,
  () => (time.value = kept(text.value)),
)
function type(typed: string): void {
  text.value = typed
  time.value = kept(typed)
}
</script>

<template>
  <n-input
    :value="text"
    :placeholder="example === undefined ? (empty ?? '') : local(example)"
    :disabled="disabled ?? false"
    :input-props="{ 'aria-label': label }"
    size="large"
    @update:value="type"
    @blur="text = local(time)"
  />
</template>
