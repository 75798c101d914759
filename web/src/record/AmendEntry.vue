<script setup lang="ts">
import { decimals } from '@tadka/core/quantity'
import { amendmentOf } from '@tadka/core/record'
import { type AnyRecord } from '@tadka/core/stream'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FigureField from '../pieces/FigureField.vue'
import { parseField } from '../pieces/field.ts'
import { editsOf, valueAt, withValue, type Edit } from './edits.ts'
import { useUnits } from '../site/units.ts'
import { useSite } from '../site/site.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** What somebody typed, put right by a new entry beside the old, with the reason. */
const props = defineProps<{ record: AnyRecord }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()

const edits = computed(() => editsOf(props.record))
const name = (path: readonly string[]) => path.join('.')
const units = useUnits()
const unitOf = (e: Edit) => e.kept && units.typed(e.kept)
/** Of what was read on an instrument: the instrument's. */
const readIn = (e: Edit) =>
  e.label === 'temperature' ? String(valueAt(props.record.payload, ['facts', 'unit']) ?? '') : ''
/** As it stands in the record, in the unit that people here type. */
function shown(e: Edit): string {
  const value = valueAt(props.record.payload, e.path)
  const unit = unitOf(e)
  return unit && typeof value === 'number' ? decimals(unit.typed(value), 2) : String(value ?? '')
}
const typed = ref<Record<string, string>>(
  Object.fromEntries(editsOf(props.record).map((e) => [name(e.path), shown(e)])),
)
const reason = ref('')
const fault = (e: Edit) => {
  if (e.kind === 'text') return undefined
  const code = parseField(typed.value[name(e.path)] ?? '', { below: true }).fault
  return code ? t(`bench.${code}`) : undefined
}
const changed = computed(() => edits.value.filter((e) => typed.value[name(e.path)] !== shown(e)))
const ready = computed(
  () =>
    changed.value.length > 0 &&
    reason.value.trim().length > 2 &&
    edits.value.every((e) => fault(e) === undefined),
)
function keep(): void {
  if (!ready.value) return
  // What was left as it stood keeps its last digit.
  const instead = changed.value.reduce<unknown>((payload, e) => {
    const text = typed.value[name(e.path)] ?? ''
    const { value } = parseField(text, { below: true })
    const number = value === null ? null : (unitOf(e)?.kept(value) ?? value)
    return withValue(payload, e.path, e.kind === 'text' ? text.trim() : number)
  }, props.record.payload)
  const payload = amendmentOf(props.record, instead, reason.value.trim())
  site.record('record.amended@1', props.record.subject, payload)
  emit('close')
}
</script>

<template>
  <dialog-card
    :show="true"
    :title="t('log.amendTitle')"
    width="min(560px, 96vw)"
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
          :unit="unitOf(e)?.unit ?? readIn(e)"
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
  </dialog-card>
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
