<script setup lang="ts">
import { machineOut } from '@tadka/core/warewash'
import { NInput, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { counted, type DutyRow } from './duty-draft.ts'
import { slugOf } from '@tadka/core/house'
import { weekdays } from './week.ts'

/** The figure and the choice that a duty's kind asks for, and no other. */
const row = defineModel<DutyRow>({ required: true })
const props = defineProps<{
  may: boolean
  procedures: { label: string; value: string }[]
}>()
const { t } = useI18n()
const options = <T extends string | number>(of: readonly T[], words: string) =>
  of.map((value) => ({ label: t(`${words}.${value}`), value }))
const hasFigure = computed(() => ['hours', 'months', 'count'].includes(row.value.kind))
/** By kind: which part of the duty is chosen, among what, under which name; a word of one's own where it may be. */
const choice = computed(() => {
  switch (row.value.kind) {
    case 'hours':
      return {
        part: 'counts',
        of: options(['in-use', 'clock'], 'house.duty.counts'),
        name: 'house.duty.counted',
      } as const
    case 'count':
      return { part: 'of', of: options(counted, 'house.duty.of'), name: 'house.duty.counted' } as const
    case 'weekly':
      return {
        part: 'weekday',
        of: options(weekdays, 'house.trading.weekday'),
        name: 'house.trading.days',
      } as const
    case 'sign':
      return {
        part: 'word',
        of: options(['scale', 'clean-light', 'grease-grey', 'strip-out'], 'house.sign'),
        name: 'shift.trigger.sign',
        own: true,
      } as const
    case 'predicted':
      return {
        part: 'word',
        of: options(['rinse', 'bath', machineOut], 'house.duty.expects'),
        name: 'shift.trigger.predicted',
      } as const
    case 'linked':
      return { part: 'word', of: props.procedures, name: 'shift.trigger.linked' } as const
    default:
      return null
  }
})
const chosen = computed({
  get: () => (choice.value ? row.value[choice.value.part] : null),
  set: (value) => {
    if (choice.value) row.value = { ...row.value, [choice.value.part]: value }
  },
})
</script>

<template>
  <div class="when">
    <n-input
      v-if="hasFigure"
      v-model:value="row.figure"
      :disabled="!may"
      placeholder=""
      :input-props="{ 'aria-label': t(`house.duty.figure.${row.kind}`) }"
    />
    <n-select
      v-if="choice"
      v-model:value="chosen"
      :options="[...choice.of]"
      :filterable="'own' in choice"
      :tag="'own' in choice"
      :on-create="(label: string) => ({ label, value: slugOf(label) })"
      :disabled="!may"
      :aria-label="t(choice.name)"
    />
  </div>
</template>

<style scoped>
.when {
  display: flex;
  gap: 8px;
}
.when > :first-child:not(:last-child) {
  flex: 0 0 72px;
}
</style>
