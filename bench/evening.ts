import { dueList } from '@tadka/core/duty'
import { shiftProblem, type PlanProblem } from '@tadka/core/plan'
import { latestProcedure, stationFold, type StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import { people, site } from '../server/demo/house.ts'
import { stations } from '../server/demo/products.ts'
import { crew, rosters } from '../server/demo/roster.ts'

/** The demo's close as a problem, seen at an instant; the weekly and half-yearly work was done the day before, the opening this morning. */
export function demoClose(at: string, putIn: readonly string[] = []): PlanProblem {
  const now = instant(Date.parse(at))
  const yesterday = { run: 'before', finishedAt: now - 86_400_000, by: 'ines' }
  const thisMorning = { ...yesterday, finishedAt: Date.parse(`${at.slice(0, 10)}T05:00:00Z`) }
  // What is done by hours was done two hours ago.
  const lately = { ...yesterday, finishedAt: now - 2 * 3_600_000 }
  const states = Object.entries(stations).map(([id, plate]): StationState => ({
    ...stationFold.initial(id),
    plate,
    lastRuns: Object.fromEntries([
      ...plate.duties.map((d) => [d.procedure, yesterday]),
      ...plate.duties.flatMap((d) => (d.trigger.kind === 'each-open' ? [[d.procedure, thisMorning]] : [])),
      ...plate.duties.flatMap((d) => (d.trigger.kind === 'hours' ? [[d.procedure, lately]] : [])),
    ]),
  }))
  const [roster] = rosters(at.slice(0, 10), 1)
  if (!roster) throw new Error('no roster')
  return shiftProblem({
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
    putIn,
    putOff: [],
    now,
  })
}

/** The same close with everybody there for longer, minutes. */
export const longer = (problem: PlanProblem, minutes: number): PlanProblem => ({
  ...problem,
  horizon: problem.horizon + minutes,
  people: problem.people.map((p) => ({ ...p, to: p.to + minutes, most: p.most + minutes })),
})

/** A larger close, made of copies of the demo's machines and people: so many runs and people, over the same three counters. */
export function copies(problem: PlanProblem, runs: number, people: number): PlanProblem {
  const nth = (id: string, n: number) => (n === 0 ? id : `${id}#${n}`)
  const round = (i: number, of: number) => Math.floor(i / of)
  const staff = Array.from({ length: people }, (_, i) => {
    const person = problem.people[i % problem.people.length]
    if (!person) throw new Error('nobody')
    return { ...person, id: nth(person.id, round(i, problem.people.length)) }
  })
  const all = (ids: readonly string[]) =>
    staff.map((p) => p.id).filter((id) => ids.includes(id.split('#')[0] ?? ''))
  const work = Array.from({ length: runs }, (_, i) => {
    const run = problem.runs[i % problem.runs.length]
    if (!run) throw new Error('no run')
    const n = round(i, problem.runs.length)
    return {
      ...run,
      id: nth(run.id, n),
      station: nth(run.station, n),
      signedOff: all(run.signedOff),
      learning: all(run.learning),
    }
  })
  const stations = [...new Set(work.map((r) => r.station))].flatMap((id) => {
    const station = problem.stations.find((s) => s.id === id.split('#')[0])
    return station ? [{ ...station, id }] : []
  })
  return {
    ...problem,
    people: staff,
    runs: work,
    stations,
    places: Object.fromEntries(Object.entries(problem.places).map(([p, n]) => [p, n * Math.ceil(runs / 14)])),
    orders: [],
  }
}
