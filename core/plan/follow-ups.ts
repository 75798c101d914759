import type { FollowUp, StationState } from '../procedure/index.ts'
import type { CrewSet } from '../house/roster.ts'
import type { PlanPerson, PlanRun } from './problem.ts'

/** The name by which planning knows what an inspection asked for: no procedure of the library, and begun from its own list. */
export const followUpProcedure = 'follow-up'

/** Minutes that one takes. Common practice, no source. */
const minutes = 15

/** The key of a follow-up in a plan. */
export const followUpKey = (station: string, f: Pick<FollowUp, 'run' | 'step'>): string =>
  `${station}/${followUpProcedure}/${f.run}.${f.step}`.slice(0, 200)

/**
 * What inspections asked the crew for, as runs of the shift: aimed at by its end. What is for a technician is not: nobody here does it.
 * Done by those who are signed off on anything of such a machine. @param horizon the shift's last minute.
 */
export function followUpRuns(
  stations: readonly StationState[],
  crew: Readonly<Record<string, CrewSet>>,
  people: readonly PlanPerson[],
  horizon: number,
  weight: number,
): PlanRun[] {
  return stations
    .filter((s) => s.laidUp === null && s.plate !== null)
    .flatMap((station) =>
      station.followUps.flatMap((f): PlanRun[] => {
        if (f.outcome === 'technician') return []
        const [family = ''] = (station.plate?.family ?? '').split('.')
        const knows = (list: 'signedOff' | 'learning') =>
          people
            .filter((p) => crew[p.id]?.[list].some((x) => x === family || x.startsWith(`${family}.`)))
            .map((p) => p.id)
        // A code: screens have the words.
        const title = f.outcome
        return [
          {
            id: followUpKey(station.id, f),
            station: station.id,
            procedure: followUpProcedure,
            title,
            earliest: 0,
            target: horizon,
            latest: horizon,
            weight,
            endsFrom: 0,
            signedOff: knows('signedOff'),
            learning: knows('learning'),
            segments: [{ id: 'do', title, kind: 'hands-on', minutes, most: null, places: [] }],
            links: [],
          },
        ]
      }),
    )
}
