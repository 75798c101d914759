import { dateAfter, dayOf } from '@tadka/core/duty'
import type { CrewState, RosterSet, SiteSet } from '@tadka/core/house'
import { baseOf, type Procedure } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import {
  crewForPlan,
  isOnShift,
  standingOf,
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
  const { today, of, latest } = useProcedures()
  const { one } = useFamilyName()
  const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
  const rule = computed(() => set.value?.training ?? usualTraining)

  /** What can be begun on the machines that stand here, each once, by name. */
  const procedures = computed((): Procedure[] => {
    const families = new Set(site.all('station').flatMap((s) => s.plate?.family ?? []))
    const all = [...families].flatMap((family) => of(family))
    return [...new Map(all.map((p) => [p.id, p])).values()].toSorted(
      (a, b) => one(a.family).localeCompare(one(b.family)) || a.name.localeCompare(b.name),
    )
  })
  const dayAt = (at: number) =>
    set.value ? dayOf(set.value, instant(at)) : new Date(at).toISOString().slice(0, 10)

  const trainingOf = (person: string): TrainingOf => ({
    crew: site.one('crew', person) ?? ({ id: person } satisfies CrewState),
    training: site.one('training', person),
    rule: rule.value,
    day: today.value,
    dayOf: dayAt,
    own: (id) => site.one('procedure', id),
  })
  /** How somebody stands with a procedure; null where no such procedure is known here. */
  function standing(person: string, procedure: string): Standing | null {
    const found = latest(procedure) ?? latest(baseOf(procedure))
    return found ? standingOf(trainingOf(person), found) : null
  }
  /** "Soft-serve machine: Close": by its name alone nobody knows of what. */
  const nameOf = (p: Procedure) => `${one(p.family)}: ${p.name}`
  const forPlan = (person: string) => crewForPlan(trainingOf(person), procedures.value)
  /** Whether somebody is on the roster at this hour. */
  function isOnShiftNow(person: string): boolean {
    const rosters = [today.value, dateAfter(today.value, -1)].flatMap((day) => {
      const found = site.one('roster', day)
      return found && 'shifts' in found ? [found as RosterSet] : []
    })
    return isOnShift(person, rosters, nowByMinute(), set.value?.timeZone ?? 'UTC')
  }
  return { isOnShiftNow, nameOf, rule, today, procedures, trainingOf, standing, forPlan }
}
