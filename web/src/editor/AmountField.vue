<script setup lang="ts">
import { typedIn } from '@tadka/core/plate'
import { decimals } from '@tadka/core/quantity'
import type { Parameter, ParameterUnit } from '@tadka/core/procedure'
import { NSelect } from 'naive-ui'
import { computed, inject, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { useUnitSystem } from '../site/unit-system.ts'
import { namesIn } from './plate-names.ts'
import { mayEdit } from './editing.ts'

/** An amount, a time or a count: a number that holds for every machine, or the one on the machine's plate. */
const props = defineProps<{ label: string; unit: ParameterUnit; optional?: boolean }>()
const value = defineModel<Parameter | undefined>({ required: true })
const { t } = useI18n()
const may = inject(mayEdit, ref(true))
const { system } = useUnitSystem()

const typed = computed(() => typedIn({ unit: props.unit }, system.value))
const most = computed(
  () => ({ mL: 100_000, min: 1440, count: 200, '°C': 120, K: 60, g: 5000, µm: 2000, ppm: 1000 })[props.unit],
)
const from = computed(() => (typeof value.value === 'object' ? value.value.of : 'typed'))
const names = computed(() => [
  { value: 'typed', label: t('editor.typed') },
  ...[...new Set([...namesIn(props.unit), ...(from.value === 'typed' ? [] : [from.value])])].map((name) => ({
    value: name,
    label: t('editor.fromPlate', { name: t(`plate.${name}`) }),
  })),
])
/** What is typed is no number of these: it stays where it is, and is no amount. */
const isWrong = ref(false)
const figure = computed<number | null>({
  get: () => {
    if (isWrong.value) return NaN
    const now = value.value
    return typeof now === 'number' ? Number(decimals(typed.value.shown(now), 2)) : null
  },
  set: (n) => {
    isWrong.value = Number.isNaN(n)
    value.value = n === null || Number.isNaN(n) ? undefined : typed.value.kept(n)
  },
})
const times = computed<number | null>({
  get: () => (typeof value.value === 'object' ? (value.value.times ?? 1) : null),
  set: (n) => {
    if (typeof value.value !== 'object') return
    const { times: _, ...rest } = value.value
    value.value = n === null || n === 1 ? rest : { ...rest, times: n }
  },
})
const choose = (name: string) => (value.value = name === 'typed' ? undefined : { of: name })
</script>

<template>
  <div class="amount">
    <n-select
      :disabled="!may"
      class="from"
      :value="from"
      :options="names"
      :aria-label="t('editor.amountFrom', { label })"
      :virtual-scroll="false"
      @update:value="choose"
    />
    <span v-if="from === 'typed'" class="figure">
      <number-field
        v-model="figure"
        :min="0"
        :max="Math.round(typed.shown(most))"
        :label="label"
        :whole="unit === 'count'"
        v-bind="optional ? { empty: t('editor.none') } : {}"
      />
      <span class="unit">{{ typed.unit }}</span>
    </span>
    <label v-else class="figure times">
      <span class="unit">{{ t('editor.times') }}</span>
      <number-field v-model="times" :min="0.01" :max="100" :label="t('editor.times')" />
    </label>
  </div>
</template>

<style scoped>
.amount {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(110px, 1fr);
  gap: 10px;
  align-items: start;
}
.figure {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  align-items: center;
}
.times {
  grid-template-columns: auto 1fr;
  font-weight: 400;
}
.unit {
  color: var(--ink-2);
  white-space: nowrap;
}
</style>
