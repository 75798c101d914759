import { dateAfter } from '@tadka/core/calendar'
import type { CrewState, RosterSet, SiteSet } from '@tadka/core/house'
import { baseOf, isWaterBack, proceduresHere, type Procedure } from '@tadka/core/procedure'
import {
  crewForPlan,
  isOnShift,
  standingOf,
  trainingOf,
  usualTraining,
  type Standing,
  type TrainingOf,
} from '@tadka/core/training'
import { computed } from 'vue'
import { useFamilyName } from '../site/family-name.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { nowByMinute } from '../wire/clock.ts'

/** How everybody stands with what the site's machines ask for, as this tablet knows it. */
export function useStandings() {
  const site = useSite()
  const { today, latest } = useProcedures()
  const { one } = useFamilyName()
  const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
  const rule = computed(() => set.value?.training ?? usualTraining)

  /** What can be begun on the machines that stand here, by the machine's name and its own. */
  const procedures = computed((): Procedure[] =>
    proceduresHere(site.all('station'), today.value, site.all('procedure')).toSorted(
      (a, b) => one(a.family).localeCompare(one(b.family)) || a.name.localeCompare(b.name),
    ),
  )

  /** What people are signed off on. */
  const taught = computed(() => procedures.value.filter((p) => !isWaterBack(p)))

  const own = (id: string) => site.one('procedure', id)
  /** Null where the site has no hours yet. */
  function ofPerson(person: string): TrainingOf | null {
    const crew = site.one('crew', person) ?? ({ id: person } satisfies CrewState)
    return set.value && trainingOf(set.value, nowByMinute(), crew, site.one('training', person), own)
  }
  /** How somebody stands with a procedure; null where no such procedure is known here. */
  function standing(person: string, procedure: string): Standing | null {
    const found = latest(procedure) ?? latest(baseOf(procedure))
    const of = ofPerson(person)
    return found && of ? standingOf(of, found) : null
  }
  /** "Soft-serve machine: Close": by its name alone nobody knows of what. */
  const nameOf = (p: Procedure) => `${one(p.family)}: ${p.name}`
  /** The same by its id. */
  const called = (id: string) => {
    const found = procedures.value.find((p) => p.id === id) ?? latest(id)
    return found ? nameOf(found) : id
  }
  const nobodyYet = { signedOff: [], learning: [], serves: [], home: null }
  const forPlan = (person: string) => {
    const of = ofPerson(person)
    return of ? crewForPlan(of, procedures.value) : nobodyYet
  }
  /** Whether somebody is on the roster at this hour. */
  function isOnShiftNow(person: string): boolean {
    const rosters = [today.value, dateAfter(today.value, -1)].flatMap((day) => {
      const found = site.one('roster', day)
      return found && 'shifts' in found ? [found as RosterSet] : []
    })
    return isOnShift(person, rosters, nowByMinute(), set.value?.timeZone ?? 'UTC')
  }
  return { isOnShiftNow, nameOf, called, rule, today, taught, ofPerson, standing, forPlan }
}
