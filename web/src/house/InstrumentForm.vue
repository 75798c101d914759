<script setup lang="ts">
import { volumeUnits } from '@tadka/core/quantity'
import { NSelect, useMessage } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { newId } from '../wire/device.ts'
import {
  emptyInstrument,
  numberFields,
  hasDate,
  instrumentFaults,
  instrumentKinds,
  instrumentOf,
  isChecked,
  unitsOfKind,
  instrumentTyped,
  numbersOfKind,
  type InstrumentDraft,
} from './instrument-draft.ts'
import { useKit, type Kinded } from '../site/kit.ts'
import ChoiceField from './ChoiceField.vue'
import { useDraftForm } from './draft-form.ts'
import HouseForm from './HouseForm.vue'
import TextField from '../pieces/TextField.vue'

/** A strip, kit, thermometer, measuring tool, scale or dispenser, entered or changed. */
const props = defineProps<{ instrument: Kinded<InstrumentDraft['kind']> | null }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()
const message = useMessage()

const { draft, set, fault, rest, keep } = useDraftForm({
  start: () => (props.instrument ? instrumentTyped(props.instrument) : emptyInstrument),
  faults: instrumentFaults,
  made: instrumentOf,
  type: 'instrument.set@1',
  words: 'house.instrument.fault',
  fieldOf: { bestBefore: 'date', checkDue: 'date', ...numberFields },
})
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

function save(): void {
  const made = keep()
  if (!made) return
  site.record('instrument.set@1', { kind: 'instrument', id: props.instrument?.id ?? newId() }, made)
  message.success(t('house.saved'))
  emit('close')
}
</script>

<template>
  <house-form
    :title="t(instrument ? 'house.instrument.change' : 'house.instrument.new')"
    :rest="rest"
    @keep="save"
    @close="emit('close')"
  >
    <div class="fields">
      <choice-field
        v-if="!instrument"
        :name="t('house.instrument.kindName')"
        :model-value="draft.kind"
        :options="options(instrumentKinds, 'instrument.kind')"
        @update:model-value="chooseKind"
      />
      <text-field v-model="draft.name" :name="t('house.label.name')" :fault="fault('name')" />
      <choice-field
        v-if="units.length > 0"
        v-model="draft.unit"
        :name="t('house.instrument.unit')"
        :options="units"
      />
      <choice-field
        v-if="draft.kind === 'titration' || (draft.kind === 'strip' && draft.unit === 'ppm')"
        v-model="draft.agent"
        :name="t('house.label.agent')"
        :options="options(['chlorine', 'quat', 'iodine', 'other'] as const, 'label.agentOf')"
      />
      <choice-field
        v-if="draft.kind === 'thermometer' || draft.kind === 'pressure-gauge'"
        v-model="draft.station"
        :name="t('house.instrument.station')"
        :options="stations"
        :fault="fault('station')"
      />
      <choice-field
        v-if="draft.kind === 'tool'"
        v-model="draft.marks"
        :name="t('house.instrument.marks')"
        :options="volumeUnits.map((u) => ({ label: u, value: u }))"
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
        v-model="draft.blocks"
        class="wide"
        :name="t('house.instrument.blocks')"
        :fault="fault('blocks')"
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
          v-model="draft.by"
          :name="t('house.instrument.byName')"
          :options="options(['stroke', 'second'] as const, 'instrument.by')"
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
        v-model="draft.date"
        :name="t(isChecked(draft.kind) ? 'house.instrument.checkDue' : 'house.instrument.bestBefore')"
        :fault="fault('date')"
        type="date"
      />
    </div>
    <p class="fault">{{ fault('numbers') }}</p>
  </house-form>
</template>
