<script setup lang="ts">
import { pestTrend } from '@tadka/core/pest'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAreas } from '../site/areas.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { nowByMinute } from '../wire/clock.ts'

/** What was seen and caught by area, week by week. */
const { t } = useI18n()
const site = useSite()
const { areas } = useAreas()
const { day } = useTimes()
const weeks = 8
const weekMs = 7 * 24 * 3_600_000
const rows = computed(() => pestTrend(site.all('pest'), site.all('trap'), areas.value, weeks, nowByMinute()))
const heads = computed(() =>
  Array.from({ length: weeks }, (_, w) => day(nowByMinute() - (weeks - w) * weekMs + 24 * 3_600_000)),
)
const said = ({ seen, caught }: { seen: number; caught: number }) =>
  seen + caught === 0 ? '·' : t('pest.trend.cell', { seen, caught })
</script>

<template>
  <div class="trend" tabindex="0" role="region" :aria-label="t('pest.view.trend')">
    <p class="quiet">{{ t('pest.trend.how') }}</p>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ t('pest.trend.area') }}</th>
          <th v-for="h in heads" :key="h" scope="col" class="small">
            {{ t('pest.trend.week', { day: h }) }}
          </th>
          <th scope="col">{{ t('pest.trend.goes') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.area">
          <th scope="row">{{ r.area }}</th>
          <td v-for="(w, i) in r.weeks" :key="i" :class="{ some: w.seen + w.caught > 0 }">{{ said(w) }}</td>
          <td :class="r.goes">{{ t(`pest.trend.${r.goes}`) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.trend {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  margin-top: 8px;
}
th,
td {
  padding: 10px 12px 10px 0;
  text-align: left;
  border-bottom: 1px solid var(--line-soft);
  vertical-align: top;
}
td {
  color: var(--ink-2);
  font-size: 15px;
}
.some,
.up {
  color: var(--ink);
  font-weight: 650;
}
.up {
  color: var(--out);
}
td:last-child {
  white-space: nowrap;
}
</style>
