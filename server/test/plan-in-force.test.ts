import { dueList } from '@tadka/core/duty'
import { contradictionOf, planSearch, shiftProblem, type PlanSet } from '@tadka/core/plan'
import { latestProcedure, stationFold, type StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import { describe, expect, it } from 'vitest'
import { people, site } from '../demo/house.ts'
import { stations } from '../demo/products.ts'
import { crew, rosters } from '../demo/roster.ts'

const day = '2026-11-26'
const [roster] = rosters(day, 1)
const states = Object.entries(stations).map(([id, plate]): StationState => ({
  ...stationFold.initial(id),
  plate,
}))

/** What the records say of the plan that a tablet would put in force at a time of the day. */
function contradictionAt(time: string) {
  if (!roster) throw new Error('no roster')
  const now = instant(Date.parse(`${day}T${time}:00Z`))
  const problem = shiftProblem({
    site,
    stations: states,
    due: dueList(site, states, now),
    runs: [],
    roster,
    crew,
    names: Object.fromEntries(people.map((p) => [p.id, p.name])),
    procedure: latestProcedure,
    learned: {},
    pins: [],
    putIn: [],
    putOff: [],
    now,
  })
  const plan = planSearch(problem).plan()
  expect(plan.placed.length).toBeGreaterThan(5)
  const set: PlanSet = { day, start: problem.start, plan, bound: 0, pins: [], putIn: [], putOff: [] }
  return contradictionOf(set, {
    site,
    roster,
    crew: (id) => crew[id] ?? null,
    station: (id) => states.find((s) => s.id === id) ?? null,
  })
}

describe('the plan of a shift of the demo, put in force', () => {
  it.each(['04:50', '05:00', '05:20', '14:00', '18:00', '20:40', '22:30', '23:50'])(
    'at %s is not contradicted by its records',
    (time) => expect(contradictionAt(time)).toBeNull(),
  )
})
