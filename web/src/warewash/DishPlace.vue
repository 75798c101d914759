<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import PlaceTabs from '../frame/PlaceTabs.vue'
import LoggerFiles from '../logger/LoggerFiles.vue'
import BathList from '../solution/BathList.vue'
import CycleStrip from './CycleStrip.vue'
import CycleTrace from './CycleTrace.vue'
import DishAdvice from './DishAdvice.vue'
import DishCounts from './DishCounts.vue'
import DishTrends from './DishTrends.vue'
import DishGauges from './DishGauges.vue'
import RackTally from './RackTally.vue'
import WareCard from './WareCard.vue'
import SinkBasins from './SinkBasins.vue'
import { useDish, useDishMachines, useSinks } from './dish.ts'

/** The dish room: the machine now, its last cycles, what is counted; its months; and the sink. */
const props = defineProps<{ view?: string; station?: string }>()
const { t } = useI18n()
const machines = useDishMachines()
const sinks = useSinks()
const id = computed(() => {
  const found = machines.value.find((m) => m.id === props.station) ?? machines.value[0]
  return found?.id ?? ''
})
const dish = useDish(id)
const views = ['machine', 'ware', 'months', 'sink', 'files'] as const
const view = computed(() => views.find((v) => v === props.view) ?? 'machine')
const tabs = computed(() =>
  views.map((v) => ({
    to: id.value ? `/dish/${v}/${id.value}` : `/dish/${v}`,
    text: t(`dish.view.${v}`),
    on: v === view.value,
  })),
)
const others = computed(() =>
  machines.value.map((m) => ({
    to: `/dish/${view.value}/${m.id}`,
    text: m.plate?.name ?? m.id,
    on: m.id === id.value,
  })),
)
const open = ref<string | null>(null)
watch(id, () => (open.value = null))
const opened = computed(() => dish.state.value.marks.find((m) => m.key === open.value) ?? null)
</script>

<template>
  <div class="dish">
    <place-bar :title="t('place.dish')">
      <place-tabs :label="t('place.dish')" :tabs="tabs" />
      <place-tabs v-if="machines.length > 1" :label="t('dish.machines')" :tabs="others" />
    </place-bar>
    <div v-if="view === 'sink'" class="one sinks" tabindex="0">
      <sink-basins v-for="s in sinks" :key="s.id" :station="s" />
      <h2>{{ t('dish.standing') }}</h2>
      <bath-list :without="sinks.map((s) => s.id)" />
    </div>
    <div v-else-if="view === 'ware'" class="one" tabindex="0"><ware-card :station="id" :dish="dish" /></div>
    <div v-else-if="view === 'files'" class="one" tabindex="0"><logger-files :station="id" /></div>
    <div v-else-if="id === ''" class="one">
      <h2>{{ t('dish.noMachine') }}</h2>
      <p class="quiet">{{ t('dish.noMachineHow') }}</p>
      <router-link to="/house/stations">{{ t('place.house') }}</router-link>
    </div>
    <div v-else-if="view === 'months'" class="one" tabindex="0">
      <dish-trends :station="id" :dish="dish" />
    </div>
    <div v-else class="machine">
      <div class="main" tabindex="0" role="region" :aria-label="dish.station.value?.plate?.name ?? ''">
        <dish-advice :station="id" :dish="dish" />
        <dish-gauges :station="id" :dish="dish" />
        <rack-tally v-if="!dish.told.value.streams" :station="id" :dish="dish" />
        <template v-if="dish.state.value.marks.length > 0">
          <h2 class="label">{{ t('dish.stripTitle') }}</h2>
          <cycle-strip
            v-model:open="open"
            :marks="dish.state.value.marks"
            :limit="dish.told.value.limits.rinse"
          />
          <cycle-trace v-if="opened" :mark="opened" :limits="dish.told.value.limits" @close="open = null" />
        </template>
      </div>
      <dish-counts class="side" :station="id" :dish="dish" tabindex="0" />
    </div>
  </div>
</template>

<style scoped>
.dish {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.one {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 12px var(--gutter) 28px;
}
.sinks > h2 {
  margin-top: 24px;
}
.sinks > :deep(.baths),
.sinks > :deep(.empty) {
  padding-left: 0;
  padding-right: 0;
}
.machine {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 380px;
}
.main {
  overflow: auto;
  padding: 8px var(--gutter) 24px;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.main > * {
  flex: none;
}
.side {
  overflow: auto;
  padding: 8px var(--gutter) 24px 20px;
  border-left: 1px solid var(--line);
}
@media (max-width: 900px) {
  .dish {
    height: auto;
  }
  .machine {
    display: block;
  }
  .side {
    border-left: 0;
    padding-left: var(--gutter);
  }
}
</style>
