<script setup lang="ts">
import type { StationState } from '@tadka/core/procedure'
import { useMessage } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import HeatCheck from '../solution/HeatCheck.vue'
import { useColdStores, type ColdRow } from './cold.ts'
import ColdFate from './ColdFate.vue'

/** Each fridge with how it was read last; the one that is to be read next stands open, and after it the one after that. */
const { t } = useI18n()
const { clock, day } = useTimes()
const names = useNames()
const message = useMessage()
const { rows, asking } = useColdStores()

const named = useRoute().query['station']
const at = ref<string | null>(typeof named === 'string' ? named : null)
const row = computed(() => rows.value.find((r) => r.station.id === at.value) ?? null)
watch(
  () => rows.value.length,
  () => (at.value ??= rows.value[0]?.station.id ?? null),
  { immediate: true },
)
const place = computed(() => ({
  ...{ station: at.value, run: null, step: null, bath: null },
  case: row.value?.openCase ?? null,
}))
/** Counts up with each reading: the field stands empty for the next. */
const taken = ref(0)
function kept(verdict: string): void {
  message.success(t('bench.saved'))
  taken.value += 1
  // What is not cold is looked after before the next is read.
  const next = asking.value.find((r) => r.station.id !== at.value)
  if (verdict === 'in' && next) at.value = next.station.id
}
const read = ({ cold }: StationState) => (cold ? `${cold.last.read.value} ${cold.last.read.unit}` : '')
const when = ({ cold }: StationState) =>
  cold
    ? t('cold.readAt', {
        when: `${day(cold.last.at)} ${clock(cold.last.at)}`,
        who: names.person(cold.last.by),
      })
    : t('cold.notRead')
const dueOf = ({ due }: ColdRow) =>
  due ? t(`cold.due.${due.is}`, { time: clock(due.at) }) : t('cold.due.none')
</script>

<template>
  <div v-if="rows.length === 0" class="empty">
    <h2>{{ t('cold.none') }}</h2>
    <p class="quiet">{{ t('cold.noneHow') }}</p>
    <router-link to="/house/stations" class="link">{{ t('bench.noStationsHow') }}</router-link>
  </div>
  <div v-else class="stores">
    <ul :aria-label="t('cold.view.fridges')">
      <li v-for="r in rows" :key="r.station.id">
        <button
          type="button"
          :aria-pressed="r.station.id === at"
          :class="r.due?.is"
          @click="at = r.station.id"
        >
          <span class="who">
            <b>{{ r.name }}</b>
            <b class="read">{{ read(r.station) }}</b>
          </span>
          <verdict-mark v-if="r.station.cold" :verdict="r.station.cold.last.verdict" />
          <span class="small">{{ when(r.station) }}</span>
          <span class="small due">{{ dueOf(r) }}</span>
        </button>
      </li>
    </ul>
    <div v-if="row" class="at">
      <cold-fate v-if="row.openCase" :key="row.openCase" :row="row" />
      <heat-check
        :key="`${row.station.id} ${taken}`"
        what="cold-product"
        :recheck-of="row.openCase"
        :place="place"
        @kept="kept"
      >
        <h2>{{ row.name }}</h2>
        <p class="quiet small">{{ t('cold.where') }}</p>
      </heat-check>
    </div>
  </div>
</template>

<style scoped>
.empty {
  padding: 16px var(--gutter);
}
.stores {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
}
ul {
  padding: 8px 0 24px var(--gutter);
  border-right: 1px solid var(--line-soft);
}
li button {
  width: 100%;
  min-height: 88px;
  padding: 10px 14px;
  border: 0;
  border-bottom: 1px solid var(--line-soft);
  border-left: 5px solid transparent;
  background: none;
  color: var(--ink);
  text-align: left;
  display: grid;
  gap: 2px;
  justify-items: start;
  cursor: pointer;
}
li button[aria-pressed='true'] {
  border-left-color: var(--sea);
  background: var(--raised);
}
.who {
  width: 100%;
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 12px;
}
.read {
  white-space: nowrap;
}
.late .due {
  color: var(--out);
  font-weight: 650;
}
.now .due {
  font-weight: 650;
}
.at {
  min-width: 0;
  display: flex;
  flex-direction: column;
}
@media (max-width: 760px) {
  .stores {
    grid-template-columns: minmax(0, 1fr);
  }
  ul {
    padding-right: var(--gutter);
    border-right: 0;
  }
}
</style>
