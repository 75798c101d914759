<script setup lang="ts">
import { dateAfter, weekdayOf } from '@tadka/core/calendar'
import type { RosterSet } from '@tadka/core/house'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import PlaceBar from '../frame/PlaceBar.vue'
import FilePick from '../pieces/FilePick.vue'
import TimeField from '../site/TimeField.vue'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { ask } from '../wire/api.ts'
import { useSite } from '../site/site.ts'
import { readCalendar } from './calendar.ts'
import { useShiftInput } from './input.ts'
import { draftOf, emptyRow, faultIn, mostRest, rosterFrom, type RosterRow } from './roster-draft.ts'

/** Who works on a day, from when to when, with their breaks; typed, copied from the week before, or brought in from a calendar. */
const site = useSite()
const session = useSession()
const names = useNames()
const { t } = useI18n()
const { longDay } = useTimes()
const { day: today, set } = useShiftInput()

const shown = ref<string | null>(null)
const day = computed(() => shown.value ?? today.value)
const kept = (date: string | null): RosterSet | null => {
  const found = date === null ? null : site.one('roster', date)
  return found && 'shifts' in found ? (found as unknown as RosterSet) : null
}
/** What came of the last act, told in place. */
const said = ref<{ text: string; bad: boolean } | null>(null)
const rows = ref<RosterRow[]>([])
watch([day, () => site.loaded], () => (rows.value = draftOf(kept(day.value))), { immediate: true })
const may = computed(() => session.mayDo('plan-shift'))
const people = computed(() => session.everyone.map((p) => ({ label: p.name, value: p.id })))
const fault = computed(() => faultIn(rows.value))
/** When the site closes on the day shown. */
const close = computed(() => set.value?.hours[String(weekdayOf(day.value ?? ''))]?.close)
const others = computed(() => people.value.filter((p) => !rows.value.some((r) => r.person === p.value)))
const addOthers = () => rows.value.push(...others.value.map((p) => emptyRow(p.value, close.value)))

const tell = (bad: boolean, text: string) => (said.value = { text, bad })

function save(): void {
  if (day.value === null || fault.value) return
  site.record('roster.set@1', { kind: 'roster', id: day.value }, rosterFrom(day.value, rows.value))
  tell(false, t('plan.roster.saved'))
}
async function subscribe(): Promise<void> {
  try {
    const { path } = await ask<{ path: string }>('POST', `/api/sites/${session.site}/calendar`)
    address.value = `${window.location.origin}${path}`
  } catch (error) {
    tell(true, error instanceof Error ? error.message : '')
  }
}
const address = ref('')
const turn = (by: number) => (shown.value = day.value && dateAfter(day.value, by))
const copy = () => (rows.value = draftOf(kept(day.value && dateAfter(day.value, -7))))

async function bringIn(file: File): Promise<void> {
  if (!set.value) return
  try {
    const rosters = await readCalendar(
      await file.text(),
      people.value.map((p) => ({ id: p.value, name: p.label })),
      set.value,
    )
    if (rosters.length === 0) {
      tell(true, t('plan.roster.importNobody'))
      return
    }
    for (const r of rosters) site.record('roster.set@1', { kind: 'roster', id: r.day }, r)
    rows.value = draftOf(rosters.find((r) => r.day === day.value) ?? kept(day.value))
    tell(
      false,
      t('plan.roster.imported', {
        n: rosters.reduce((n, r) => n + r.shifts.length, 0),
        days: rosters.length,
      }),
    )
  } catch (error) {
    tell(true, t('plan.roster.importBad', { why: error instanceof Error ? error.message : '' }))
  }
}
</script>

<template>
  <div class="roster">
    <place-bar :title="t('plan.roster.title')" :under="day ? longDay(Date.parse(`${day}T12:00:00Z`)) : ''">
      <router-link to="/shift" class="back">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <div class="inside">
      <div class="days">
        <n-button size="large" @click="turn(-1)">‹ {{ t('plan.roster.before') }}</n-button>
        <n-button size="large" @click="turn(1)">{{ t('plan.roster.next') }} ›</n-button>
        <n-button v-if="may" size="large" @click="copy">{{ t('plan.roster.copy') }}</n-button>
        <file-pick v-if="may" :text="t('plan.roster.import')" accept=".ics,text/calendar" @pick="bringIn" />
        <n-button size="large" @click="subscribe">{{ t('plan.roster.calendar') }}</n-button>
        <router-link to="/shift/lists" class="back">{{ t('plan.roster.lists') }}</router-link>
      </div>
      <p v-if="address" class="address">
        {{ t('plan.roster.address', { who: session.acting?.name ?? '' }) }}
        <code>{{ address }}</code>
      </p>
      <p v-if="said" role="status" :class="{ fault: said.bad }">{{ said.text }}</p>
      <p v-if="rows.length === 0" class="quiet">{{ t('plan.roster.none') }}</p>
      <ul>
        <li v-for="(row, i) in rows" :key="i" :class="{ away: row.away }">
          <n-select
            v-model:value="row.person"
            :options="people"
            :disabled="!may"
            :aria-label="t('plan.roster.title')"
            size="large"
            class="who"
          />
          <label
            >{{ t('plan.roster.from') }}
            <time-field v-model="row.from" :label="t('plan.roster.from')" :disabled="!may" class="time"
          /></label>
          <label
            >{{ t('plan.roster.to') }}
            <time-field
              v-model="row.to"
              :label="t('plan.roster.to')"
              :after="row.from"
              :disabled="!may"
              class="time"
          /></label>
          <label>
            {{ t('plan.roster.breaks') }}
            <number-field v-model="row.rest" :min="0" :max="mostRest" whole :disabled="!may" class="rest" />
            {{ t('plan.roster.minutes') }}
          </label>
          <label v-if="row.rest !== null && row.rest > 0">
            {{ t('plan.roster.between') }}
            <time-field
              v-model="row.earliest"
              :label="t('plan.roster.between')"
              :after="row.from"
              :disabled="!may"
              class="time"
            />–<time-field
              v-model="row.latest"
              :label="t('plan.roster.to')"
              :after="row.from"
              :disabled="!may"
              class="time"
            />
          </label>
          <n-button v-if="may" @click="row.away = !row.away">
            {{ t(row.away ? 'plan.roster.here' : 'plan.roster.away') }}
          </n-button>
          <n-button v-if="may" @click="rows.splice(i, 1)">{{ t('plan.roster.remove') }}</n-button>
        </li>
      </ul>
      <div v-if="may" class="acts">
        <n-button size="large" @click="rows.push(emptyRow(null, close))">{{ t('plan.roster.add') }}</n-button>
        <n-button v-if="others.length > 1" size="large" @click="addOthers">{{
          t('plan.roster.addAll', { n: others.length })
        }}</n-button>
        <n-button type="primary" size="large" :disabled="fault !== null" @click="save">{{
          t('plan.roster.save')
        }}</n-button>
        <span v-if="fault" role="alert" class="fault">
          {{ t(`plan.roster.${fault.kind}`, { who: names.person(fault.person) }) }}
        </span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.inside {
  padding: 0 var(--gutter) 24px;
}
.days,
.acts {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
  align-items: center;
  padding: 10px 0;
}
.back {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
li {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  padding: 8px 0;
  border-top: 1px solid var(--line-soft);
}
label {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.away label {
  color: var(--ink-3);
  text-decoration: line-through;
}
.address code {
  overflow-wrap: anywhere;
}
.who {
  width: 128px;
}
.time {
  width: 116px;
}
.rest {
  width: 62px;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
