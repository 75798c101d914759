<script setup lang="ts">
import { volumeUnits } from '@tadka/core/quantity'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceField from './ChoiceField.vue'
import type { LabelDraft } from './label-draft.ts'
import TextField from '../pieces/TextField.vue'

/** The rest of a dose as its label words it: so much per so much, so many ppm at 1 to N, a tablet per so many litres. */
const props = defineProps<{ draft: LabelDraft }>()
const emit = defineEmits<{ set: [change: Partial<LabelDraft>] }>()
const { t } = useI18n()
const named = <T extends string>(all: readonly T[]) => all.map((value) => ({ label: value, value }))
const units = computed(() => (props.draft.supply === 'per-weight' ? (['g', 'oz'] as const) : volumeUnits))
const meanings = computed(() =>
  (['to', 'in'] as const).map((value) => ({ label: t(`house.label.supplyOf.${value}`), value })),
)
</script>

<template>
  <choice-field
    v-if="draft.supply === 'per-volume' || draft.supply === 'per-weight'"
    :name="t('house.label.wordedUnit')"
    :model-value="draft.unit"
    :options="named<LabelDraft['unit']>(units)"
    @update:model-value="(unit: LabelDraft['unit']) => emit('set', { unit })"
  />
  <text-field
    :name="t(draft.supply === 'at-ratio' ? 'house.label.amountOf.to' : 'house.label.wordedPer')"
    :model-value="draft.per"
    @update:model-value="(per: string) => emit('set', { per })"
  />
  <choice-field
    v-if="draft.supply === 'at-ratio'"
    :name="t('house.label.wordedMeaning')"
    :model-value="draft.meaning"
    :options="meanings"
    @update:model-value="(meaning: LabelDraft['meaning']) => emit('set', { meaning })"
  />
  <choice-field
    v-else
    :name="t('house.label.wordedOf')"
    :model-value="draft.of"
    :options="named(volumeUnits)"
    @update:model-value="(of: LabelDraft['of']) => emit('set', { of })"
  />
  <text-field
    v-if="draft.supply === 'pieces-per'"
    :name="t('house.label.wordedGives')"
    :model-value="draft.gives"
    @update:model-value="(gives: string) => emit('set', { gives })"
  />
</template>
