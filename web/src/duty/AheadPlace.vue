<script setup lang="ts">
import { dateAt } from '@tadka/core/calendar'
import { showMinutes } from '@tadka/core/quantity'
import type { SiteSet } from '@tadka/core/house'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { localeOf } from '@tadka/words/times'
import PlaceBar from '../frame/PlaceBar.vue'
import { useProcedures } from '../site/procedures.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useDutyInputs } from '../warewash/duty-inputs.ts'
import { rightNow } from '../wire/clock.ts'
import { aheadOf, isBesides, type AheadDay } from './ahead.ts'

/** Four weeks ahead: the hands that each night takes, and what comes besides the daily work. */
const { t } = useI18n()
const site = useSite()
const names = useNames()
const procedures = useProcedures()
const { stations, predictions } = useDutyInputs()

const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const opened = rightNow()
const days = computed(() =>
  set.value ? aheadOf(set.value, stations.value, procedures.latest, opened, 4, predictions.value) : [],
)
const today = computed(() => (set.value ? dateAt(opened, set.value.timeZone) : ''))
const most = computed(() => Math.max(60, ...days.value.map((d) => d.minutes)))
const taken = ref<string | null>(null)
const shown = computed(() => days.value.find((d) => d.date === (taken.value ?? today.value)) ?? null)

const locale = localeOf(set.value?.country)
const format = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', timeZone: 'UTC' })
const long = new Intl.DateTimeFormat(locale, {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  timeZone: 'UTC',
})
const short = (date: string) => format.format(Date.parse(date))
const besides = (d: AheadDay) => d.items.filter(isBesides)
const weekdays = Array.from({ length: 7 }, (_, i) =>
  new Intl.DateTimeFormat(locale, { weekday: 'short', timeZone: 'UTC' }).format(Date.UTC(2026, 10, 23 + i)),
)
</script>

<template>
  <div class="ahead">
    <place-bar :title="t('shift.ahead')">
      <router-link to="/shift" class="back">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <div class="body">
      <section>
        <div class="names" aria-hidden="true">
          <span v-for="w in weekdays" :key="w">{{ w }}</span>
        </div>
        <div class="grid">
          <button
            v-for="d in days"
            :key="d.date"
            type="button"
            :class="{ past: d.date < today, today: d.date === today, closed: d.closed }"
            :aria-pressed="d.date === (taken ?? today)"
            @click="taken = d.date"
          >
            <span class="date">{{ short(d.date) }}</span>
            <span v-if="d.closed" class="quiet small">{{ t('shift.closed') }}</span>
            <span v-else-if="d.date >= today" class="small">{{ showMinutes(d.minutes) }}</span>
            <span class="load" :style="{ height: `${(d.minutes / most) * 100}%` }" aria-hidden="true">
              <i :style="{ height: `${(d.besides / Math.max(1, d.minutes)) * 100}%` }" />
            </span>
            <span v-for="a in besides(d).slice(0, 2)" :key="a.due.station + a.due.procedure" class="besides">
              {{ names.station(a.due.station) }}
            </span>
            <span v-if="besides(d).length > 2" class="besides">+{{ besides(d).length - 2 }}</span>
          </button>
        </div>
      </section>
      <aside v-if="shown" aria-live="polite" tabindex="0">
        <h2>{{ long.format(Date.parse(shown.date)) }}</h2>
        <p class="quiet">
          {{ shown.closed ? t('shift.closed') : t('shift.hands', { time: showMinutes(shown.minutes) }) }}
        </p>
        <ul>
          <li v-for="a in shown.items" :key="a.due.station + a.due.procedure + a.due.target">
            <b>{{ names.station(a.due.station) }}: {{ procedures.nameOf(a.due.procedure) }}</b>
            <span class="quiet small">
              {{ t(`shift.trigger.${a.due.trigger}`) }},
              {{ a.minutes === null ? t('shift.minutesUnknown') : showMinutes(a.minutes)
              }}{{ a.on === a.due.day ? '' : `, ${t('shift.quiet', { day: short(a.due.day) })}` }}
            </span>
          </li>
        </ul>
        <p v-if="shown.items.length === 0" class="quiet">{{ t('shift.nothing') }}</p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.ahead {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.back {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 340px;
}
section {
  padding: 0 20px 16px var(--gutter);
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.names,
.grid {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 6px;
}
.names {
  color: var(--ink-2);
  font-weight: 600;
  padding-bottom: 4px;
}
.grid {
  flex: 1;
  grid-auto-rows: 1fr;
}
.grid button {
  position: relative;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 1px;
  min-height: 84px;
  padding: 6px 22px 6px 10px;
  border: 1.5px solid var(--line-soft);
  border-radius: var(--r);
  background: var(--raised);
  text-align: left;
  cursor: pointer;
  overflow: hidden;
}
.grid .past {
  background: none;
  color: var(--ink-3);
}
.grid .past .date {
  font-weight: 400;
}
.grid .closed {
  background: none;
}
.grid .today {
  border-color: var(--ink);
}
.grid button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
.date {
  font-weight: 700;
}
.load {
  position: absolute;
  right: 5px;
  bottom: 5px;
  width: 9px;
  max-height: calc(100% - 10px);
  border-radius: 3px;
  background: var(--tide-crest);
  overflow: hidden;
}
.load i {
  display: block;
  background: var(--sea);
}
.besides {
  font-size: 14px;
  font-weight: 600;
  line-height: 1.15;
  max-width: 100%;
  overflow-wrap: anywhere;
}
aside {
  border-left: 1px solid var(--line-soft);
  padding: 0 var(--gutter) 16px 20px;
  overflow: auto;
}
li {
  padding: 8px 0;
  border-bottom: 1px solid var(--line-soft);
}
li b,
li span {
  display: block;
}
@media (max-width: 760px) {
  .body {
    display: block;
  }
  .names {
    display: none;
  }
  .grid {
    grid-template-columns: 1fr 1fr;
  }
  aside {
    border: 0;
    padding: 16px var(--gutter);
  }
}
</style>
