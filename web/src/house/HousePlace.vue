<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import PlaceTabs from '../frame/PlaceTabs.vue'
import { opened } from '../pieces/later.ts'

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
  start: opened(() => import('./HouseStart.vue')),
  stations: opened(() => import('./HouseStations.vue')),
  trade: opened(() => import('./HouseTrade.vue')),
  procedures: opened(() => import('./HouseProcedures.vue')),
  products: opened(() => import('./HouseProducts.vue')),
  instruments: opened(() => import('./HouseInstruments.vue')),
  devices: opened(() => import('./HouseDevices.vue')),
  spares: opened(() => import('./HouseSpares.vue')),
  rules: opened(() => import('./HouseRules.vue')),
  practices: opened(() => import('./HousePractices.vue')),
  people: opened(() => import('./HousePeople.vue')),
  training: opened(() => import('./HouseTraining.vue')),
  tablet: opened(() => import('./HouseTablet.vue')),
  rounds: opened(() => import('./HouseRounds.vue')),
  stock: opened(() => import('./HouseStock.vue')),
  store: opened(() => import('./HouseStore.vue')),
  pests: opened(() => import('./HousePests.vue')),
  repairs: opened(() => import('./HouseRepairs.vue')),
  lab: opened(() => import('./HouseLab.vue')),
}
const current = computed(() => [...parts, ...upkeep].find((p) => p === props.part) ?? 'stations')
const tabsOf = (of: readonly (keyof typeof views)[]) =>
  of.map((p) => ({ to: `/house/${p}`, text: t(`house.${p}`), on: p === current.value }))
</script>

<template>
  <div class="house">
    <place-bar :title="t('place.house')">
      <place-tabs :label="t('house.site')" :tabs="tabsOf(parts)" />
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
