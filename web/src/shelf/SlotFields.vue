<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { listRows } from '../pieces/list-rows.ts'
import TextField from '../pieces/TextField.vue'
import ProductPick from './ProductPick.vue'
import { useChemicalStore } from './chemical-store.ts'

/** The slots of a dispenser: the mark on each, and what belongs in it. */
const model = defineModel<{ mark: string; product: string | null }[]>({ required: true })
const { t } = useI18n()
const store = useChemicalStore()
const { change, add, drop } = listRows(model)
const most = 12
</script>

<template>
  <fieldset>
    <legend>{{ t('shelf.set.slots') }}</legend>
    <div v-for="(s, i) in model" :key="i" class="slot">
      <text-field
        :model-value="s.mark"
        :name="t('shelf.set.mark')"
        :most="12"
        @update:model-value="(mark) => change(i, { mark })"
      />
      <product-pick
        :model-value="s.product"
        :products="store.products.value"
        :label="t('shelf.set.product')"
        @update:model-value="(product) => change(i, { product })"
      />
      <n-button
        v-if="model.length > 1"
        size="large"
        :aria-label="t('shelf.set.dropSlot', { mark: s.mark })"
        @click="drop(i)"
        >×</n-button
      >
    </div>
    <n-button v-if="model.length < most" @click="add({ mark: String(model.length + 1), product: null })">{{
      t('shelf.set.addSlot')
    }}</n-button>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  justify-items: start;
}
legend {
  font-weight: 600;
  margin-bottom: 6px;
}
.slot {
  display: grid;
  grid-template-columns: 140px minmax(0, 1fr) 56px;
  gap: 12px;
  align-items: end;
  width: 100%;
}
@media (max-width: 520px) {
  .slot {
    grid-template-columns: 90px minmax(0, 1fr) 56px;
  }
}
</style>
