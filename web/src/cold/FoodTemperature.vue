<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import FigureField from '../pieces/FigureField.vue'
import HeatOn from '../solution/HeatOn.vue'
import ReportedReading from '../solution/ReportedReading.vue'
import type { useFoodTyped } from './food.ts'

/** A temperature of food: typed, or taken from a thermometer that reports. */
const props = defineProps<{ id: string; typing: ReturnType<typeof useFoodTyped> }>()
const { t } = useI18n()
const { typed, unit, fault, readOn, on } = props.typing
</script>

<template>
  <div class="food">
    <figure-field
      :id="id"
      v-model="typed"
      :label="t('cold.temperature')"
      :unit="unit"
      :fault="fault ? t(`bench.${fault.code}`, { lo: fault.lo, hi: fault.hi, unit }) : undefined"
      keys
    />
    <heat-on
      field="product"
      :candidates="readOn.candidates('product')"
      :chosen="on"
      @choose="(chosen) => readOn.choose('product', chosen)"
    />
    <reported-reading :instrument="on" :unit="unit" @take="typed = $event" />
  </div>
</template>

<style scoped>
.food {
  display: grid;
  gap: 10px;
  max-width: 420px;
}
</style>
