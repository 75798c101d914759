<script setup lang="ts">
import type { SiteSet } from '@tadka/core/house'
import { dayOf } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import type { CaseState } from '@tadka/core/case'
import { caseTitle } from '@tadka/words/sheet'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useSite } from '../site/site.ts'
import { useTeller } from '../site/teller.ts'
import { useTimes } from '../site/times.ts'

/** Corrective actions that are open, before everything else: each opens its story, with what to do next. */
const { t } = useI18n()
const site = useSite()
const tell = useTeller()
const { day } = useTimes()

const cases = computed(() =>
  site
    .all('case')
    .filter((c) => c.status === 'open')
    .toSorted((a, b) => a.openedAt - b.openedAt),
)
const dayIn = (c: CaseState) => dayOf(site.set as SiteSet, instant(c.openedAt))
const told = (c: CaseState) =>
  [c.station ? tell.station(c.station) : '', caseTitle(tell, c, null)].filter(Boolean).join(': ')
</script>

<template>
  <section v-if="cases.length > 0" class="open-cases" :aria-label="t('shift.openCases', cases.length)">
    <h2 class="label">{{ t('shift.openCases', cases.length) }}</h2>
    <ul>
      <li v-for="c in cases" :key="c.id">
        <router-link :to="`/log/case/${c.id}?day=${dayIn(c)}`">
          <verdict-mark v-if="c.verdict" :verdict="c.verdict" :size="20" />
          <b>{{ told(c) }}</b>
          <span class="since">{{ day(c.openedAt) }} {{ tell.clock(c.openedAt) }}</span>
        </router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.open-cases {
  display: flex;
  gap: 4px 14px;
  align-items: center;
  padding: 4px var(--gutter);
  border-left: 6px solid var(--out);
  background: var(--out-wash);
  max-height: 132px;
  overflow: auto;
}
.label {
  flex: none;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
a {
  min-height: 52px;
  display: inline-flex;
  gap: 8px;
  align-items: center;
  padding: 0 12px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  color: inherit;
}
b {
  font-weight: 600;
}
.since {
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
@media (max-width: 760px) {
  .open-cases {
    display: block;
    max-height: none;
  }
  ul {
    display: grid;
    gap: 6px;
  }
  a {
    width: 100%;
    flex-wrap: wrap;
    padding: 6px 12px;
  }
}
</style>
