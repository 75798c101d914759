import { tradingDayAt } from '@tadka/core/calendar'
import { dueList } from '@tadka/core/duty'
import type { PlanSet, ShiftInput } from '@tadka/core/plan'
import type { RosterSet, SiteSet } from '@tadka/core/house'
import { computed, shallowRef } from 'vue'
import { useProcedures } from '../site/procedures.ts'
import { useStandings } from '../training/standings.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { useDutyInputs } from '../warewash/duty-inputs.ts'
import { now, nowByMinute } from '../wire/clock.ts'

/** Two hours after a close its work is over: what is planned is the day to come. */
const afterClose = 120

/** Minutes that the site takes by step, from the server, which has all its runs; the model's until they came. */
const learned = shallowRef<ShiftInput['learned']>({})
const worked = shallowRef<ShiftInput['worked']>(undefined)
let askedAt = 0
let learning: Promise<void> = Promise.resolve()
const askAgainMs = 3_600_000

async function learn(site: string): Promise<void> {
  if (Date.now() - askedAt < askAgainMs) return learning
  askedAt = Date.now()
  try {
    const told = await ask<{ steps: ShiftInput['learned']; worked: Readonly<Record<string, number>> }>(
      'GET',
      `/api/sites/${site}/learned`,
    )
    learned.value = told.steps
    worked.value = told.worked
  } catch {
    // Without network the last ones hold, and it is asked for again.
    askedAt = 0
  }
}

/** What the shift is planned from, as this tablet knows it; null where the site, its day or the roster is missing. */
export function useShiftInput() {
  const site = useSite()
  const names = useNames()
  const { latest } = useProcedures()
  const session = useSession()
  const counted = useDutyInputs()
  const { forPlan: crewFor } = useStandings()
  if (session.site) learning = learn(session.site)
  const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
  const day = computed(() =>
    set.value ? (tradingDayAt(set.value, nowByMinute(), afterClose)?.date ?? null) : null,
  )
  const roster = computed((): RosterSet | null => {
    const found = day.value === null ? null : site.one('roster', day.value)
    return found && 'shifts' in found ? (found as unknown as RosterSet) : null
  })
  const kept = computed(() => (day.value === null ? null : site.one('plan', day.value)))
  const inForce = computed(() => kept.value?.inForce ?? null)
  const before = computed(() => kept.value?.before ?? null)

  /** What people decided, the pins told in minutes from now; one whose time is over holds its person only. */
  function decisions(): Pick<PlanSet, 'pins' | 'putIn' | 'putOff'> {
    const { pins = [], putIn = [], putOff = [], start = 0 } = inForce.value ?? {}
    const by = Math.floor(now() / 60_000) - Math.floor(start / 60_000)
    const held = pins.map((p) => ({ ...p, start: p.start === null || p.start < by ? null : p.start - by }))
    return { pins: held.filter((p) => p.person !== null || p.start !== null), putIn, putOff }
  }

  function input(): ShiftInput | null {
    if (!set.value || !roster.value) return null
    const stations = counted.stations.value
    const due = dueList(set.value, stations, now(), counted.predictions.value)
    const { pins, putIn, putOff } = decisions()
    return {
      site: set.value,
      stations,
      due,
      runs: site.all('run'),
      roster: roster.value,
      crew: Object.fromEntries(roster.value.shifts.map((s) => [s.person, crewFor(s.person)])),
      names: Object.fromEntries(roster.value.shifts.map((s) => [s.person, names.person(s.person)])),
      procedure: latest,
      learned: learned.value,
      worked: worked.value,
      pins,
      putIn,
      putOff,
      now: now(),
    }
  }
  /** What the site has learned is there, or cannot be had. */
  const ready = () => learning
  return { set, day, roster, inForce, before, input, decisions, ready }
}
