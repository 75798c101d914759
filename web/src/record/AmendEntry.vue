<script setup lang="ts">
import { amendmentOf } from '@tadka/core/record'
import { type AnyRecord } from '@tadka/core/stream'
import { NButton, NInput, NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FigureField from '../pieces/FigureField.vue'
import { parseField } from '../pieces/field.ts'
import { editsOf, valueAt, withValue } from './edits.ts'
import { useSite } from '../site/site.ts'

/** What somebody typed, put right by a new entry beside the old, with the reason. */
const props = defineProps<{ record: AnyRecord }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()

const edits = computed(() => editsOf(props.record))
const name = (path: readonly string[]) => path.join('.')
const typed = ref<Record<string, string>>(
  Object.fromEntries(
    editsOf(props.record).map((e) => [name(e.path), String(valueAt(props.record.payload, e.path) ?? '')]),
  ),
)
const reason = ref('')
const fault = (e: (typeof edits.value)[number]) => {
  if (e.kind === 'text') return undefined
  const code = parseField(typed.value[name(e.path)] ?? '', { below: true }).fault
  return code ? t(`bench.${code}`) : undefined
}
const changed = computed(() =>
  edits.value.some((e) => typed.value[name(e.path)] !== String(valueAt(props.record.payload, e.path) ?? '')),
)
const ready = computed(
  () => changed.value && reason.value.trim().length > 2 && edits.value.every((e) => fault(e) === undefined),
)
function keep(): void {
  if (!ready.value) return
  const instead = edits.value.reduce<unknown>((payload, e) => {
    const text = typed.value[name(e.path)] ?? ''
    return withValue(
      payload,
      e.path,
      e.kind === 'text' ? text.trim() : parseField(text, { below: true }).value,
    )
  }, props.record.payload)
  const payload = amendmentOf(props.record, instead, reason.value.trim())
  site.record('record.amended@1', props.record.subject, payload)
  emit('close')
}
</script>

<template>
  <n-modal
    :show="true"
    preset="card"
    :title="t('log.amendTitle')"
    style="width: min(560px, 96vw)"
    @update:show="emit('close')"
  >
    <form class="entry" @submit.prevent="keep">
      <template v-for="e in edits" :key="name(e.path)">
        <figure-field
          v-if="e.kind === 'number'"
          :id="`edit-${name(e.path)}`"
          v-model="typed[name(e.path)]!"
          keys
          :label="t(`log.edit.${e.label}`)"
          unit=""
          :fault="fault(e)"
          active
        />
        <template v-else>
          <label :for="`edit-${name(e.path)}`">{{ t(`log.edit.${e.label}`) }}</label>
          <n-input
            v-model:value="typed[name(e.path)]!"
            :input-props="{ id: `edit-${name(e.path)}` }"
            :placeholder="t(`log.edit.${e.label}`)"
            maxlength="300"
          />
        </template>
      </template>
      <label for="edit-why">{{ t('log.amendWhy') }}</label>
      <n-input
        v-model:value="reason"
        :placeholder="t('log.amendLike')"
        :input-props="{ id: 'edit-why' }"
        maxlength="500"
      />
      <div class="act">
        <n-button type="primary" size="large" attr-type="submit" :disabled="!ready">{{
          t('log.amendKeep')
        }}</n-button>
        <n-button size="large" @click="emit('close')">{{ t('common.cancel') }}</n-button>
      </div>
    </form>
  </n-modal>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 10px;
}
label {
  font-weight: 600;
}
.act {
  display: flex;
  gap: 12px;
  margin-top: 8px;
}
</style>
