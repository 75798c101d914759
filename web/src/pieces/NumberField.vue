<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { readWithin } from './field.ts'

/**
 * A number in a form: decimal comma or point, and what is wrong with it below. What was typed is never changed. Nothing typed is
 * null; what is no number within its bounds is NaN, which no form keeps.
 */
const props = defineProps<{
  min: number
  max: number
  /** No parts of one. */
  whole?: boolean
  disabled?: boolean
  /** What nothing typed means. */
  empty?: string
  /** Its name, where none stands beside it. */
  label?: string
}>()
const value = defineModel<number | null>({ required: true })
const { t } = useI18n()
const id = useId()

const shown = (n: number | null) => (n === null || Number.isNaN(n) ? '' : String(n))
const text = ref(shown(value.value))
const read = (typed: string) => readWithin(typed, props)
watch(value, (now) => {
  if (!Object.is(read(text.value), now)) text.value = shown(now)
})
const isWrong = computed(() => Number.isNaN(read(text.value)))
const wrong = computed(() =>
  t(props.whole ? 'common.wholeWithin' : 'common.within', { lo: props.min, hi: props.max }),
)
function type(typed: string): void {
  text.value = typed
  value.value = read(typed)
}
</script>

<template>
  <span class="number">
    <n-input
      :value="text"
      :placeholder="empty ?? ''"
      :disabled="disabled ?? false"
      v-bind="isWrong ? { status: 'error' as const } : {}"
      :input-props="{
        inputmode: whole ? 'numeric' : 'decimal',
        autocomplete: 'off',
        ...(label ? { 'aria-label': label } : {}),
        ...(isWrong ? { 'aria-invalid': true, 'aria-describedby': id } : {}),
      }"
      maxlength="9"
      size="large"
      @update:value="type"
    />
    <span v-if="isWrong" :id="id" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.number {
  display: block;
}
.wrong {
  display: block;
  color: var(--out);
  font-weight: 600;
}
</style>
