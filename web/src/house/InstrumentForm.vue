<script setup lang="ts">
import { NButton, NInput, NSelect, useMessage } from 'naive-ui'
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
      <div v-if="!instrument">
        <span class="name">{{ t('house.instrument.kindName') }}</span>
        <n-select
          :value="draft.kind"
          :options="options(instrumentKinds, 'instrument.kind')"
          :aria-label="t('house.instrument.kindName')"
          @update:value="chooseKind"
        />
      </div>
      <label>
        {{ t('house.label.name') }}
        <n-input :value="draft.name" placeholder="" @update:value="(name: string) => set({ name })" />
        <span class="fault">{{ fault('name') }}</span>
      </label>
      <div v-if="draft.kind === 'strip' || draft.kind === 'thermometer'">
        <span class="name">{{ t('house.instrument.unit') }}</span>
        <n-select
          :value="draft.unit"
          :options="units"
          :aria-label="t('house.instrument.unit')"
          @update:value="(unit: string) => set({ unit })"
        />
      </div>
      <div v-if="draft.kind === 'titration' || (draft.kind === 'strip' && draft.unit === 'ppm')">
        <span class="name">{{ t('house.label.agent') }}</span>
        <n-select
          :value="draft.agent"
          :options="options(['chlorine', 'quat', 'iodine', 'other'], 'label.agentOf')"
          :aria-label="t('house.label.agent')"
          @update:value="(agent: InstrumentDraft['agent']) => set({ agent })"
        />
      </div>
      <label v-if="draft.kind === 'strip'" class="wide">
        {{ t('house.instrument.blocks') }}
        <n-input :value="draft.blocks" placeholder="" @update:value="(blocks: string) => set({ blocks })" />
        <span class="fault">{{ fault('blocks') }}</span>
      </label>
      <template v-if="draft.kind === 'dispenser'">
        <div>
          <span class="name">{{ t('bench.product') }}</span>
          <n-select
            :value="draft.product || null"
            :options="kit.products.value.map((p) => ({ label: p.name, value: p.id }))"
            :aria-label="t('bench.product')"
            @update:value="(product: string) => set({ product })"
          />
          <span class="fault">{{ fault('product') }}</span>
        </div>
        <div>
          <span class="name">{{ t('house.instrument.byName') }}</span>
          <n-select
            :value="draft.by"
            :options="options(['stroke', 'second'], 'instrument.by')"
            :aria-label="t('house.instrument.byName')"
            @update:value="(by: InstrumentDraft['by']) => set({ by })"
          />
        </div>
      </template>
      <label v-for="n in numbersOfKind[draft.kind]" :key="n">
        {{ t(`house.instrument.number.${draft.kind}.${n}`) }}
        <n-input
          :value="draft.numbers[n] ?? ''"
          placeholder=""
          @update:value="(v: string) => set({ numbers: { ...draft.numbers, [n]: v } })"
        />
      </label>
      <label v-if="hasDate(draft.kind)">
        {{ t(draft.kind === 'thermometer' ? 'house.instrument.checkDue' : 'house.instrument.bestBefore') }}
        <n-input
          :value="draft.date"
          placeholder=""
          :input-props="{ type: 'date' }"
          @update:value="(date: string) => set({ date })"
        />
        <span class="fault">{{ fault('date') }}</span>
      </label>
    </div>
    <p class="fault">{{ fault('numbers') }}</p>
    <div class="act">
      <n-button type="primary" attr-type="submit">{{ t('house.label.keep') }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>
