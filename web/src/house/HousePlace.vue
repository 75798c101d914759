<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import PlaceTabs from '../frame/PlaceTabs.vue'
import HouseDevices from './HouseDevices.vue'
import HouseInstruments from './HouseInstruments.vue'
import HousePeople from './HousePeople.vue'
import HouseProcedures from './HouseProcedures.vue'
import HouseProducts from './HouseProducts.vue'
import HouseRounds from './HouseRounds.vue'
import HouseRepairs from './HouseRepairs.vue'
import HouseLab from './HouseLab.vue'
import HouseRules from './HouseRules.vue'
import HousePractices from './HousePractices.vue'
import HousePests from './HousePests.vue'
import HouseStore from './HouseStore.vue'
import HouseStock from './HouseStock.vue'
import HouseStart from './HouseStart.vue'
import HouseSpares from './HouseSpares.vue'
import HouseStations from './HouseStations.vue'
import HouseTrade from './HouseTrade.vue'
import HouseTablet from './HouseTablet.vue'
import HouseTraining from './HouseTraining.vue'

/** What the site has: stations, labels, instruments, people; and this tablet's own settings. */
const props = defineProps<{ part?: string }>()
const { t } = useI18n()
const parts = [
  'start',
  'stations',
  'trade',
  'procedures',
  'products',
  'instruments',
  'devices',
  'spares',
  'rules',
  'practices',
  'people',
  'training',
  'tablet',
] as const
/** What is kept up day by day, beside what there is. */
const upkeep = ['rounds', 'stock', 'store', 'repairs', 'pests', 'lab'] as const
const views = {
  start: HouseStart,
  stations: HouseStations,
  trade: HouseTrade,
  procedures: HouseProcedures,
  products: HouseProducts,
  instruments: HouseInstruments,
  devices: HouseDevices,
  spares: HouseSpares,
  rules: HouseRules,
  practices: HousePractices,
  people: HousePeople,
  training: HouseTraining,
  tablet: HouseTablet,
  rounds: HouseRounds,
  stock: HouseStock,
  store: HouseStore,
  pests: HousePests,
  repairs: HouseRepairs,
  lab: HouseLab,
}
const current = computed(() => [...parts, ...upkeep].find((p) => p === props.part) ?? 'stations')
const tabsOf = (of: readonly (keyof typeof views)[]) =>
  of.map((p) => ({ to: `/house/${p}`, text: t(`house.${p}`), on: p === current.value }))
</script>

<template>
  <div class="house">
    <place-bar :title="t('place.house')">
      <place-tabs :label="t('place.house')" :tabs="tabsOf(parts)" />
      <place-tabs :label="t('house.upkeep')" :tabs="tabsOf(upkeep)" />
    </place-bar>
    <component :is="views[current]" class="view" />
  </div>
</template>

<style scoped>
.view {
  padding: 12px var(--gutter) 32px;
  max-width: 1080px;
}
</style>
