<script setup lang="ts">
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../record/site.ts'
import { newId } from '../wire/device.ts'
import {
  emptyInstrument,
  hasDate,
  instrumentFaults,
  instrumentKinds,
  instrumentOf,
  instrumentTyped,
  numbersOfKind,
  type InstrumentDraft,
  type InstrumentFault,
} from './instrument-draft.ts'
import { useKit, type Kinded } from './kit.ts'
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
const units = computed(() =>
  (draft.value.kind === 'strip' ? ['ppm', 'pH'] : ['°C', '°F']).map((u) => ({ label: u, value: u })),
)
const options = <T extends string>(names: readonly T[], key: string) =>
  names.map((n) => ({ label: t(`house.${key}.${n}`), value: n }))
const chooseKind = (kind: InstrumentDraft['kind']) =>
  set({ kind, unit: kind === 'thermometer' ? '°C' : 'ppm' })

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
        v-if="draft.kind === 'strip' || draft.kind === 'thermometer'"
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
        :name="t(`house.instrument.number.${draft.kind}.${n}`)"
        :model-value="draft.numbers[n] ?? ''"
        @update:model-value="(v: string) => set({ numbers: { ...draft.numbers, [n]: v } })"
      />
      <text-field
        v-if="hasDate(draft.kind)"
        :name="t(draft.kind === 'thermometer' ? 'house.instrument.checkDue' : 'house.instrument.bestBefore')"
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
