<script setup lang="ts">
import { NInput } from 'naive-ui'
import { ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'

/** Several short lines, one beneath the other; an empty one is none. */
defineProps<{ label: string }>()
const value = defineModel<readonly string[] | undefined>({ required: true })
const { t } = useI18n()

const linesOf = (typed: string) =>
  typed
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)
const text = ref((value.value ?? []).join('\n'))
watch(value, (now) => {
  if (linesOf(text.value).join('\n') !== (now ?? []).join('\n')) text.value = (now ?? []).join('\n')
})
function type(typed: string): void {
  text.value = typed
  value.value = linesOf(typed)
}
</script>

<template>
  <n-input
    :value="text"
    type="textarea"
    :autosize="{ minRows: 2, maxRows: 10 }"
    :placeholder="t('editor.onePerLine')"
    :input-props="{ 'aria-label': label }"
    @update:value="type"
  />
</template>
