<script setup lang="ts">
import { dueList, type DueItem } from '@tadka/core/duty'
import { coldStore, type SiteSet } from '@tadka/core/house'
import { baseOf, bringsProduct, stationFold } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import DueList from '../duty/DueList.vue'
import PlaceBar from '../frame/PlaceBar.vue'
import LogList from '../record/LogList.vue'
import OutOfService from '../procedure/OutOfService.vue'
import MixAsked from './MixAsked.vue'
import NextMix from './NextMix.vue'
import ReadTrend from './ReadTrend.vue'
import { useStartRun } from '../procedure/start.ts'
import { useFacets } from '../site/facets.ts'
import FamilyMark from '../site/FamilyMark.vue'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useDutyInputs } from '../warewash/duty-inputs.ts'
import { nowByMinute } from '../wire/clock.ts'

/** One machine, as its tag opens it: how it stands, what is due on it, what can be started, and what was done there. */
const props = defineProps<{ station: string }>()
const { t } = useI18n()
const site = useSite()
const router = useRouter()
const procedures = useProcedures()
const { start } = useStartRun()
const names = useNames()
const { clock, day } = useTimes()
const { stations, predictions } = useDutyInputs()

const state = computed(() => site.one('station', props.station))
const plate = computed(() => state.value?.plate ?? null)
const due = computed(() => {
  const set = site.set && 'hours' in site.set ? (site.set as SiteSet) : null
  const own = stations.value.filter((s) => s.id === props.station)
  return set ? dueList(set, own, nowByMinute(), predictions.value) : []
})
const facets = useFacets(() => state.value ?? stationFold.initial(props.station))
const offered = computed(() => procedures.of(plate.value?.family ?? ''))
/** Where mix goes in, another may go in next. */
const takesMix = computed(
  () => state.value?.facets.contents === 'product' && offered.value.some(bringsProduct),
)
/** Where food is kept cold it is read: nothing else of it is followed. */
const isStore = computed(() => plate.value?.family === coldStore)
const lastRead = computed(() => {
  const last = state.value?.cold?.last
  if (!last) return t('cold.notRead')
  return `${last.read.value} ${last.read.unit}, ${day(last.at)} ${clock(last.at)}`
})
const isBusy = (procedure: string) => !!state.value?.currentRun && !isOn(procedure)
const isOn = (procedure: string) => state.value?.currentRun?.procedure === baseOf(procedure)
const begin = (item: DueItem) => start(item.station, item.procedure)
</script>

<template>
  <div v-if="state && plate">
    <place-bar :title="plate.name" :under="names.where(station)">
      <router-link to="/run" class="back">‹ {{ t('machine.all') }}</router-link>
    </place-bar>
    <div class="machine">
      <section class="now">
        <family-mark :family="plate.family" />
        <dl v-if="isStore">
          <div>
            <dt>{{ t('cold.lastRead') }}</dt>
            <dd>{{ lastRead }}</dd>
          </div>
        </dl>
        <dl v-else>
          <div v-for="[name, value] in facets" :key="name">
            <dt>{{ t(`run.facet.${name}`) }}</dt>
            <dd>{{ value }}</dd>
          </div>
        </dl>
      </section>
      <n-button
        v-if="isStore"
        class="read"
        type="primary"
        size="large"
        @click="router.push({ path: '/shift/cold/fridges', query: { station } })"
        >{{ t('cold.readThis') }}</n-button
      >
      <out-of-service :stations="[state]" />
      <mix-asked :stations="[state]" />
      <section>
        <h2 class="label">{{ t('shift.atRisk') }}</h2>
        <DueList :due="due" @start="begin" @go-on="(run) => router.push(`/run/${run}`)" />
      </section>
      <section>
        <h2 class="label">{{ t('machine.start') }}</h2>
        <div class="acts">
          <n-button
            v-for="p in offered"
            :key="p.id"
            size="large"
            :disabled="isBusy(p.id)"
            @click="start(station, p.id)"
          >
            {{ isOn(p.id) ? t('shift.goOn') : t('run.start', { name: p.name }) }}
          </n-button>
        </div>
        <p v-if="offered.length === 0" class="quiet">{{ t('machine.nothing') }}</p>
        <router-link class="back" :to="{ path: '/house/repairs', query: { station } }">{{
          t('machine.fault')
        }}</router-link>
      </section>
      <read-trend :station="state" />
      <next-mix v-if="takesMix && !state.mixChange && !state.currentRun" :station="state" />
    </div>
    <section class="history">
      <h2 class="label">{{ t('machine.history') }}</h2>
      <log-list :of="{ kind: 'station', id: station }" />
    </section>
  </div>
  <div v-else>
    <place-bar :title="t('machine.unknown')">
      <router-link to="/run" class="back">‹ {{ t('machine.all') }}</router-link>
    </place-bar>
    <p class="machine quiet">{{ t('machine.unknownHow') }}</p>
  </div>
</template>

<style scoped>
.machine {
  display: grid;
  gap: 22px;
  max-width: 1000px;
  padding: 8px var(--gutter) 24px;
}
.back {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.read {
  justify-self: start;
}
.now {
  display: flex;
  gap: 24px;
  align-items: center;
}
.now dl {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 32px;
}
dt {
  color: var(--ink-2);
  font-size: 15px;
}
dd {
  font-size: 20px;
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 8px;
}
.history .label {
  padding: 0 var(--gutter);
}
</style>
