<script lang="ts">
/** How warm the water of a mix may be, °C. */
export interface Water {
  readonly lo: number
  readonly hi: number
  readonly unit: '°C'
}
</script>

<script setup lang="ts">
import { typedIn } from '@tadka/core/plate'
import { decimals } from '@tadka/core/quantity'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { useUnitSystem } from '../site/unit-system.ts'

const value = defineModel<Water>({ required: true })
const { t } = useI18n()
const { system } = useUnitSystem()
const typed = computed(() => typedIn({ unit: '°C' }, system.value))
const shown = (end: 'lo' | 'hi') => Number(decimals(typed.value.shown(value.value[end]), 0))
/** A number that is none changes nothing: what was typed stays, and is told at the field. */
function set(end: 'lo' | 'hi', n: number | null): void {
  if (n !== null && !Number.isNaN(n)) value.value = { ...value.value, [end]: typed.value.kept(n) }
}
</script>

<template>
  <div class="water">
    <number-field
      v-for="end in ['lo', 'hi'] as const"
      :key="end"
      :model-value="shown(end)"
      :min="0"
      :max="Math.round(typed.shown(100))"
      :label="t(`editor.water.${end}`)"
      @update:model-value="(n) => set(end, n)"
    />
    <span>{{ typed.unit }}</span>
  </div>
</template>

<style scoped>
.water {
  display: grid;
  grid-template-columns: 120px 120px auto;
  gap: 10px;
  align-items: center;
}
</style>
