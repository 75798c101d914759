<script setup lang="ts">
import { volumeUnits } from '@tadka/core/quantity'
import { NButton, NSelect, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { newId } from '../wire/device.ts'
import {
  emptyInstrument,
  hasDate,
  instrumentFaults,
  instrumentKinds,
  instrumentOf,
  isChecked,
  unitsOfKind,
  instrumentTyped,
  numbersOfKind,
  type InstrumentDraft,
  type InstrumentFault,
} from './instrument-draft.ts'
import { useKit, type Kinded } from '../site/kit.ts'
import ChoiceField from './ChoiceField.vue'
import TextField from './TextField.vue'
import './form.css'

/** A strip, kit, thermometer, measuring tool, scale or dispenser, entered or changed. */
const props = defineProps<{ instrument: Kinded<InstrumentDraft['kind']> | null }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()
const message = useMessage()

const draft = ref<InstrumentDraft>(
  props.instrument ? instrumentTyped(props.instrument) : { ...emptyInstrument },
)
const tried = ref(false)
const set = (change: Partial<InstrumentDraft>) => (draft.value = { ...draft.value, ...change })
const faults = computed(() => instrumentFaults(draft.value))
const fault = (name: InstrumentFault) =>
  tried.value && faults.value.includes(name) ? t(`house.instrument.fault.${name}`) : ''
const units = computed(() => (unitsOfKind[draft.value.kind] ?? []).map((u) => ({ label: u, value: u })))
const options = <T extends string>(names: readonly T[], key: string) =>
  names.map((n) => ({ label: t(`house.${key}.${n}`), value: n }))
const chooseKind = (kind: InstrumentDraft['kind']) =>
  set({ kind, unit: preferred(kind), marks: isUs.value ? 'fl oz' : 'mL' })
const { isUs } = useUnitSystem()
/** A site that works in US units has its gauges in them, until somebody says otherwise. */
const preferred = (kind: InstrumentDraft['kind']): string => {
  const [first, other] = unitsOfKind[kind] ?? ['']
  return kind !== 'strip' && isUs.value ? (other ?? first) : first
}
const stations = computed(() => [
  ...(draft.value.kind === 'thermometer' ? [{ label: t('house.instrument.anywhere'), value: '' }] : []),
  ...site.all('station').flatMap((s) => (s.plate ? [{ label: s.plate.name, value: s.id }] : [])),
])

const tested = computed(() =>
  kit.products.value
    .filter((p) => p.agent === draft.value.agent)
    .map((p) => ({ label: p.name, value: p.id })),
)
const numberUnit = computed(() => (draft.value.kind === 'tool' ? draft.value.marks : draft.value.unit))

function keep(): void {
  tried.value = true
  const made = instrumentOf(draft.value)
  if (!made) return
  site.record('instrument.set@1', { kind: 'instrument', id: props.instrument?.id ?? newId() }, made)
  message.success(t('house.saved'))
  emit('close')
}
</script>

<template>
  <form class="house-form" @submit.prevent="keep">
    <h2>{{ t(instrument ? 'house.instrument.change' : 'house.instrument.new') }}</h2>
    <div class="fields">
      <choice-field
        v-if="!instrument"
        :name="t('house.instrument.kindName')"
        :model-value="draft.kind"
        :options="options(instrumentKinds, 'instrument.kind')"
        @update:model-value="chooseKind"
      />
      <text-field
        :name="t('house.label.name')"
        :model-value="draft.name"
        :fault="fault('name')"
        @update:model-value="(name: string) => set({ name })"
      />
      <choice-field
        v-if="units.length > 0"
        :name="t('house.instrument.unit')"
        :model-value="draft.unit"
        :options="units"
        @update:model-value="(unit: string) => set({ unit })"
      />
      <choice-field
        v-if="draft.kind === 'titration' || (draft.kind === 'strip' && draft.unit === 'ppm')"
        :name="t('house.label.agent')"
        :model-value="draft.agent"
        :options="options(['chlorine', 'quat', 'iodine', 'other'] as const, 'label.agentOf')"
        @update:model-value="(agent: InstrumentDraft['agent']) => set({ agent })"
      />
      <choice-field
        v-if="draft.kind === 'thermometer' || draft.kind === 'pressure-gauge'"
        :name="t('house.instrument.station')"
        :model-value="draft.station"
        :options="stations"
        :fault="fault('station')"
        @update:model-value="(station: string) => set({ station })"
      />
      <choice-field
        v-if="draft.kind === 'tool'"
        :name="t('house.instrument.marks')"
        :model-value="draft.marks"
        :options="volumeUnits.map((u) => ({ label: u, value: u }))"
        @update:model-value="(marks: InstrumentDraft['marks']) => set({ marks })"
      />
      <div v-if="(draft.kind === 'strip' && draft.unit === 'ppm') || draft.kind === 'titration'">
        <span class="name">{{ t('house.instrument.madeFor') }}</span>
        <n-select
          multiple
          :value="[...draft.madeFor]"
          :options="tested"
          :placeholder="t('house.instrument.anyOfAgent')"
          :aria-label="t('house.instrument.madeFor')"
          @update:value="(madeFor: string[]) => set({ madeFor })"
        />
      </div>
      <text-field
        v-if="draft.kind === 'strip'"
        class="wide"
        :name="t('house.instrument.blocks')"
        :model-value="draft.blocks"
        :fault="fault('blocks')"
        @update:model-value="(blocks: string) => set({ blocks })"
      />
      <template v-if="draft.kind === 'dispenser'">
        <choice-field
          :name="t('bench.product')"
          :model-value="draft.product || null"
          :options="kit.products.value.map((p) => ({ label: p.name, value: p.id }))"
          :fault="fault('product')"
          @update:model-value="(product: string) => set({ product })"
        />
        <choice-field
          :name="t('house.instrument.byName')"
          :model-value="draft.by"
          :options="options(['stroke', 'second'] as const, 'instrument.by')"
          @update:model-value="(by: InstrumentDraft['by']) => set({ by })"
        />
      </template>
      <text-field
        v-for="n in numbersOfKind[draft.kind]"
        :key="n"
        :name="t(`house.instrument.number.${draft.kind}.${n}`, { unit: numberUnit })"
        :model-value="draft.numbers[n] ?? ''"
        @update:model-value="(v: string) => set({ numbers: { ...draft.numbers, [n]: v } })"
      />
      <text-field
        v-if="hasDate(draft.kind)"
        :name="t(isChecked(draft.kind) ? 'house.instrument.checkDue' : 'house.instrument.bestBefore')"
        :model-value="draft.date"
        :fault="fault('date')"
        type="date"
        @update:model-value="(date: string) => set({ date })"
      />
    </div>
    <p class="fault">{{ fault('numbers') }}</p>
    <div class="act">
      <n-button type="primary" attr-type="submit">{{ t('house.label.keep') }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>
