<script setup lang="ts">
import type { CostAnswer } from '@tadka/contract/cost'
import { monthAfter } from '@tadka/core/calendar'
import type { Money } from '@tadka/core/cost'
import { NButton } from 'naive-ui'
import { computed, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSiteStore } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import { ask } from '../wire/api.ts'
import CostPrices from './CostPrices.vue'

/** What a month of cleaning cost, machine by machine. Where a price is missing, the sum says that it is more. */
const { t } = useI18n()
const session = useSession()
const store = useSiteStore()
const names = useNames()
const units = useUnits()
const { today } = useProcedures()
const { month: monthSaid } = useTimes()
const month = ref(today.value.slice(0, 7))
const answer = ref<CostAnswer | null>(null)
const failed = ref(false)
async function look(): Promise<void> {
  const asked = month.value
  try {
    const got = await ask<CostAnswer>('GET', `/api/sites/${session.site}/costs?month=${asked}`)
    if (asked === month.value) answer.value = got
    failed.value = false
  } catch {
    failed.value = true
  }
}
onMounted(look)
watch(month, () => ((answer.value = null), look()))
// What was just entered counts once the server has it.
watch(
  () => store.waiting.length,
  (n) => n === 0 && look(),
)
const money = ({ sum, unpriced }: Money) => {
  const whole = sum.toFixed(2)
  if (unpriced === 0) return sum === 0 ? '–' : whole
  return sum === 0 ? t('cost.noPrice') : t('cost.atLeast', { sum: whole })
}
const minutes = (n: number) =>
  n < 60
    ? t('cost.minutesOf', { n: Math.round(n) })
    : t('cost.hoursOf', { h: Math.floor(n / 60), m: Math.round(n % 60) })
const rows = computed(() =>
  (answer.value?.stations ?? []).map((s) => ({
    ...s,
    name: s.spent.station ? names.station(s.spent.station) : t('cost.noMachine'),
  })),
)
const isMissing = computed(() => rows.value.some((r) => r.total.unpriced > 0))
const print = () => window.print()
</script>

<template>
  <div class="costs">
    <p class="quiet">{{ t('cost.how') }}</p>
    <div class="month">
      <n-button class="no-print" :aria-label="t('cost.before')" @click="month = monthAfter(month, -1)"
        >‹</n-button
      >
      <h2 aria-live="polite">{{ monthSaid(month) }}</h2>
      <n-button
        class="no-print"
        :aria-label="t('cost.after')"
        :disabled="month >= today.slice(0, 7)"
        @click="month = monthAfter(month, 1)"
        >›</n-button
      >
      <n-button v-if="rows.length > 0" class="no-print" @click="print">{{ t('cost.print') }}</n-button>
    </div>
    <p v-if="failed" role="status">{{ t('cost.unreachable') }}</p>
    <p v-else-if="!answer" class="quiet" role="status">{{ t('common.loading') }}</p>
    <p v-else-if="rows.length === 0" class="quiet">{{ t('cost.none') }}</p>
    <div v-else class="scroll" tabindex="0" role="region" :aria-label="t('cost.title')">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t('cost.station') }}</th>
            <th scope="col">{{ t('cost.cleanings') }}</th>
            <th scope="col">{{ t('cost.minutes') }}</th>
            <th scope="col">{{ t('cost.chemicals') }}</th>
            <th scope="col">{{ t('cost.water') }}</th>
            <th scope="col">{{ t('cost.parts') }}</th>
            <th scope="col">{{ t('cost.repairs') }}</th>
            <th scope="col">{{ t('cost.down') }}</th>
            <th scope="col">{{ t('cost.total') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.name">
            <th scope="row">{{ r.name }}</th>
            <td :data-name="t('cost.cleanings')">{{ r.spent.cleanings || '–' }}</td>
            <td :data-name="t('cost.minutes')">
              <span
                >{{ minutes(r.spent.minutes) }}<br /><span class="quiet small">{{
                  money(r.work)
                }}</span></span
              >
            </td>
            <td :data-name="t('cost.chemicals')">{{ money(r.chemicals) }}</td>
            <td :data-name="t('cost.water')">
              <span
                >{{ r.spent.water === 0 ? '–' : units.volume(Math.round(r.spent.water) * 1000) }}<br /><span
                  class="quiet small"
                  >{{ money(r.water) }}</span
                ></span
              >
            </td>
            <td :data-name="t('cost.parts')">{{ money(r.parts) }}</td>
            <td :data-name="t('cost.repairs')">{{ money(r.repairs) }}</td>
            <td :data-name="t('cost.down')">
              {{ r.spent.hoursDown === 0 ? '–' : t('cost.downOf', { n: Math.round(r.spent.hoursDown) }) }}
            </td>
            <td :data-name="t('cost.total')">
              <b>{{ money(r.total) }}</b>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="isMissing">{{ t('cost.missing') }}</p>
    <cost-prices class="no-print" />
  </div>
</template>

<style scoped>
.costs {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.month {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
.month > button {
  min-width: 48px;
  min-height: 48px;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  padding: 10px 14px 10px 0;
  text-align: right;
  vertical-align: top;
  border-bottom: 1px solid var(--line-soft);
  font-variant-numeric: tabular-nums;
}
th:first-child {
  text-align: left;
}
td {
  white-space: nowrap;
}
/* On a phone a machine is a block, each number with its name before it. */
@media (max-width: 900px) {
  thead {
    display: none;
  }
  table,
  tbody,
  tr,
  th,
  td {
    display: block;
  }
  tr {
    padding: 10px 0;
    border-bottom: 2px solid var(--line);
  }
  th,
  td {
    padding: 4px 0;
    border: 0;
  }
  td {
    display: flex;
    justify-content: space-between;
    gap: 14px;
  }
  td::before {
    content: attr(data-name);
    color: var(--ink-2);
  }
}
</style>
