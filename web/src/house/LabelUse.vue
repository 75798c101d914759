<script setup lang="ts">
import { productUses } from '@tadka/core/house'
import type { UnitSystem } from '@tadka/core/quantity'
import { NCheckbox } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceField from './ChoiceField.vue'
import type { UseDraft } from './label-draft.ts'
import TextField from '../pieces/TextField.vue'

/** One use of a label: what it is for, from the list that procedures ask by, and what the label says of it. */
const props = defineProps<{ use: UseDraft; units: UnitSystem; fault: string }>()
const emit = defineEmits<{ set: [change: Partial<UseDraft>] }>()
const { t } = useI18n()

const options = computed(() => [
  ...productUses.map((u) => ({ label: t(`uses.${u.id}`), value: u.id as string })),
  { label: t('house.label.useOther'), value: 'other' },
])
const listed = computed(() => productUses.find((p) => p.id === props.use.id) ?? null)
const chosen = computed(() => {
  if (listed.value) return listed.value.id as string
  return props.use.id !== '' || props.use.name !== '' ? 'other' : null
})
/** A cleaner or descaler has a dose and no strength to hold. */
const fields = computed(() => {
  const does = listed.value?.does
  const strength = does === 'wash' || does === 'descale' ? [] : (['lo', 'hi', 'target'] as const)
  const water = props.units === 'us' ? ('waterF' as const) : ('waterC' as const)
  return [...strength, 'contact' as const, water, ...(strength.length > 0 ? ['hardest' as const] : [])]
})

function choose(id: string): void {
  // The label's own wording stands beside; until it is typed, the list's.
  const isListed = options.value.some((o) => o.label === props.use.name)
  const own = props.use.name !== '' && !isListed
  const name = own ? props.use.name : id === 'other' ? '' : t(`uses.${id}`)
  emit('set', { id: id === 'other' ? '' : id, name })
}
/** The other unit is worked out anew once one of them is typed. */
function type(field: (typeof fields.value)[number], text: string): void {
  const other = field === 'waterF' ? { waterC: '' } : field === 'waterC' ? { waterF: '' } : {}
  emit('set', { [field]: text, ...other })
}
</script>

<template>
  <div class="fields">
    <choice-field
      :name="t('house.label.useFor')"
      :model-value="chosen"
      :options="options"
      @update:model-value="choose"
    />
    <text-field
      :name="t('house.label.useName')"
      :model-value="use.name"
      @update:model-value="(name: string) => emit('set', { name })"
    />
    <text-field
      v-for="f in fields"
      :key="f"
      :name="t(`house.label.field.${f}`)"
      :model-value="use[f]"
      @update:model-value="(text: string) => type(f, text)"
    />
    <n-checkbox
      :checked="use.rinseAfter"
      @update:checked="(rinseAfter: boolean) => emit('set', { rinseAfter })"
    >
      {{ t('house.label.rinseAfter') }}
    </n-checkbox>
    <n-checkbox
      :checked="use.alsoWashes"
      @update:checked="(alsoWashes: boolean) => emit('set', { alsoWashes })"
    >
      {{ t('house.label.alsoWashes') }}
    </n-checkbox>
    <p v-if="fault" class="fault wide" role="alert">{{ fault }}</p>
  </div>
</template>
