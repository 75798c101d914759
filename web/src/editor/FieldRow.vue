<script setup lang="ts">
import type { Facets, Parameter, ParameterUnit, Picture, When } from '@tadka/core/procedure'
import { NInput, NSelect } from 'naive-ui'
import { computed, inject, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import AmountField from './AmountField.vue'
import { editing, mayEdit } from './editing.ts'
import type { FieldSpec } from './fields.ts'
import LinesField from './LinesField.vue'
import { namesIn } from './plate-names.ts'
import PicturesField from './PicturesField.vue'
import RowsField from './RowsField.vue'
import StateField from './StateField.vue'
import WaterField, { type Water } from './WaterField.vue'
import WhenField from './WhenField.vue'

/** One field of a step or a group, by what it is: its name above it, how it is typed, what is wrong with it below. */
const props = defineProps<{
  spec: FieldSpec
  kind: string
  modelValue: unknown
  own?: ParameterUnit
  fault?: string | undefined
}>()
const emit = defineEmits<{ 'update:modelValue': [value: unknown] }>()
type Maybe<T> = T | undefined
const { t, te } = useI18n()
const may = inject(mayEdit, ref(true))
const procedure = inject(editing, null)

const label = computed(() => {
  const of = `editor.field.${props.kind}.${props.spec.name}`
  return t(te(of) ? of : `editor.field.any.${props.spec.name}`)
})
const set = (value: unknown) => emit('update:modelValue', value)
const text = computed(() => (typeof props.modelValue === 'string' ? props.modelValue : ''))
/** Names of the plate's numbers in what is typed. */
const standing = computed(() =>
  props.spec.is === 'line' || props.spec.is === 'text'
    ? [...text.value.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => name)
    : [],
)
const braced = (name: string) => `{${name}}`
/** An empty line that may be left out is left out. */
const write = (typed: string) => set(typed === '' && props.spec.optional ? undefined : typed)
const choices = computed(() => {
  if (props.spec.is !== 'choice') return []
  const { of, words, optional } = props.spec
  const all = of.map((value) => ({ value, label: t(`${words}.${value}`) }))
  return optional ? [{ value: '', label: t('editor.none') }, ...all] : all
})
const plates = computed(() =>
  props.spec.is === 'plate'
    ? [
        { value: '', label: t('editor.none') },
        ...namesIn(props.spec.unit).map((value) => ({ value, label: t(`plate.${value}`) })),
      ]
    : [],
)
/** Two of them stand side by side. */
const isShort = computed(() =>
  ['choice', 'amount', 'whole', 'plate', 'flag', 'water'].includes(props.spec.is),
)
const unit = computed<ParameterUnit>(() =>
  props.spec.is !== 'amount' ? 'count' : props.spec.unit === 'own' ? (props.own ?? 'count') : props.spec.unit,
)
</script>

<template>
  <div class="field" :class="{ short: isShort }" :data-field="spec.name">
    <span class="name">{{ label }}</span>
    <n-input
      v-if="spec.is === 'line' || spec.is === 'text'"
      :value="text"
      :type="spec.is === 'text' ? 'textarea' : 'text'"
      :autosize="spec.is === 'text' ? { minRows: 1, maxRows: 5 } : false"
      placeholder=""
      :maxlength="300"
      :input-props="{ 'aria-label': label, autocomplete: 'off', 'aria-invalid': fault ? true : undefined }"
      @update:value="write"
    />
    <n-select
      v-else-if="spec.is === 'choice'"
      :disabled="!may"
      :value="text"
      :options="choices"
      :aria-label="label"
      :virtual-scroll="false"
      @update:value="write"
    />
    <n-select
      v-else-if="spec.is === 'plate'"
      :disabled="!may"
      :value="text"
      :options="plates"
      :aria-label="label"
      filterable
      :virtual-scroll="false"
      @update:value="(name: string) => set(name === '' ? undefined : name)"
    />
    <amount-field
      v-else-if="spec.is === 'amount'"
      :model-value="modelValue as Maybe<Parameter>"
      :label="label"
      :unit="unit"
      :optional="spec.optional ?? false"
      @update:model-value="set"
    />
    <number-field
      v-else-if="spec.is === 'whole'"
      :model-value="(modelValue as number | undefined) ?? null"
      :min="spec.min"
      :max="spec.max"
      whole
      :label="label"
      v-bind="spec.optional ? { empty: t('editor.none') } : {}"
      @update:model-value="(n) => set(n === null ? undefined : n)"
    />
    <button
      v-else-if="spec.is === 'flag'"
      type="button"
      role="switch"
      class="switch"
      :aria-checked="modelValue === true"
      :aria-label="label"
      @click="set(modelValue === true ? (spec.optional ? undefined : false) : true)"
    >
      {{ modelValue === true ? t('editor.yes') : t('editor.no') }}
    </button>
    <lines-field
      v-else-if="spec.is === 'lines'"
      :model-value="modelValue as Maybe<readonly string[]>"
      :label="label"
      @update:model-value="(all) => set(!all?.length && spec.optional ? undefined : (all ?? []))"
    />
    <water-field
      v-else-if="spec.is === 'water'"
      :model-value="modelValue as Water"
      @update:model-value="set"
    />
    <state-field
      v-else-if="spec.is === 'state'"
      :model-value="modelValue as Maybe<Partial<Facets>>"
      :label="label"
      :facets="spec.of"
      unsaid="asItWas"
      @update:model-value="set"
    />
    <when-field
      v-else-if="spec.is === 'when'"
      :model-value="modelValue as Maybe<readonly When[]>"
      :label="label"
      :options="procedure?.options ?? []"
      @update:model-value="set"
    />
    <rows-field
      v-else-if="spec.is === 'rows'"
      :model-value="modelValue as Maybe<readonly Record<string, unknown>[]>"
      :label="label"
      :spec="spec"
      :kind="kind"
      @update:model-value="set"
    />
    <pictures-field
      v-else-if="spec.is === 'pictures'"
      :model-value="modelValue as Maybe<readonly Picture[]>"
      :label="label"
      :most="4"
      @update:model-value="set"
    />
    <pictures-field
      v-else-if="spec.is === 'picture'"
      :model-value="modelValue ? [modelValue as Picture] : undefined"
      :label="label"
      :most="1"
      @update:model-value="(all) => set(all?.[0])"
    />
    <p v-for="name in standing" :key="name" class="quiet small">
      {{ t('editor.standsFor', { name: braced(name), says: t(`plate.${name}`) }) }}
    </p>
    <span v-if="fault" class="fault" role="alert">{{ fault }}</span>
  </div>
</template>

<style scoped>
.field {
  min-width: 0;
}
.name {
  display: block;
  font-weight: 600;
  color: var(--ink-2);
  margin-bottom: 2px;
}
.fault {
  display: block;
  color: var(--out);
  font-weight: 600;
}
.switch {
  min-height: 48px;
  min-width: 84px;
  padding: 6px 16px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
}
.switch[aria-checked='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
</style>
