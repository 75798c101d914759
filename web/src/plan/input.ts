import { dueList, tradingDayAt, type DueItem } from '@tadka/core/duty'
import type { PlanSet, ShiftInput } from '@tadka/core/plan'
import { learnedMinutes } from '@tadka/core/procedure'
import type { RosterSet, SiteSet } from '@tadka/core/record'
import { computed } from 'vue'
import { useProcedures } from '../procedure/procedures.ts'
import { useNames } from '../record/names.ts'
import { useSite } from '../record/site.ts'
import { now } from '../wire/clock.ts'

/** Two hours after a close its work is over: what is planned is the day to come. */
const afterClose = 120

/** What the shift is planned from, as this tablet knows it; null where the site, its day or the roster is missing. */
export function useShiftInput() {
  const site = useSite()
  const names = useNames()
  const { latest } = useProcedures()
  const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
  const day = computed(() => (set.value ? (tradingDayAt(set.value, now(), afterClose)?.date ?? null) : null))
  const roster = computed((): RosterSet | null => {
    const found = day.value === null ? null : site.one('roster', day.value)
    return found && 'shifts' in found ? (found as unknown as RosterSet) : null
  })
  const inForce = computed(() => (day.value === null ? null : (site.one('plan', day.value)?.inForce ?? null)))

  /** Minutes by step, learned from this site's finished runs of the same version. */
  function learned(due: readonly DueItem[]): ShiftInput['learned'] {
    const finished = site.all('run').filter((r) => r.status === 'finished')
    return Object.fromEntries(
      [...new Set(due.map((d) => d.procedure))].flatMap((id) => {
        const procedure = latest(id)
        const runs = finished.filter(
          (r) => r.procedure.id === id && r.procedure.version === procedure?.version,
        )
        const [first] = runs
        return procedure && first ? [[id, learnedMinutes(procedure, runs.slice(-20), first.parameters)]] : []
      }),
    )
  }

  /** What people decided, the pins told in minutes from now; one whose time is over holds its person only. */
  function decisions(): Pick<PlanSet, 'pins' | 'putIn' | 'putOff'> {
    const { pins = [], putIn = [], putOff = [], start = 0 } = inForce.value ?? {}
    const by = Math.floor(now() / 60_000) - Math.floor(start / 60_000)
    const held = pins.map((p) => ({ ...p, start: p.start === null || p.start < by ? null : p.start - by }))
    return { pins: held.filter((p) => p.person !== null || p.start !== null), putIn, putOff }
  }

  function input(): ShiftInput | null {
    if (!set.value || !roster.value) return null
    const stations = site.all('station')
    const due = dueList(set.value, stations, now())
    const { pins, putIn, putOff } = decisions()
    return {
      site: set.value,
      stations,
      due,
      runs: site.all('run'),
      roster: roster.value,
      crew: Object.fromEntries(site.all('crew').flatMap((c) => ('signedOff' in c ? [[c.id, c]] : []))),
      names: Object.fromEntries(roster.value.shifts.map((s) => [s.person, names.person(s.person)])),
      procedure: latest,
      learned: learned(due),
      pins,
      putIn,
      putOff,
      now: now(),
    }
  }
  return { set, day, roster, inForce, input, decisions }
}
