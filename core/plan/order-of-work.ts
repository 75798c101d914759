import { groupOf } from '../house/typical.ts'
import { baseOf, isWaterBack } from '../procedure/index.ts'
import type { PlanProblem, PlanRun } from './problem.ts'

/** Of the house's own work what makes dirt, or walks through it. Common practice, no source. */
const floors = 'house.floors'
const setUp = 'sink.set-up'
const dirty: readonly string[] = ['house.bins', 'house.disposer', 'house.hood', 'house.restrooms', floors]
const foodGroups: readonly string[] = ['hot', 'frozen', 'ice']

type Station = PlanProblem['stations'][number] & { readonly family: string }

/**
 * What comes after what: lines are flushed before anything else at their station; a sink that comes back is flushed and set up before all
 * else, since machines' parts are washed there; an ice bin after the makers of its area, whose first ice falls into it. The house's dirty work after the food machines of its area, floors after all machines above
 * them and after the other dirty work, and what is closed down last after all machines. An area without machines is the whole site. What has
 * begun waits for nothing. Common practice, no source.
 */
export function orderOfWork(
  runs: readonly PlanRun[],
  stations: readonly Station[],
  lastOfAll: readonly string[],
): PlanProblem['orders'] {
  const stationOf = new Map(stations.map((s) => [s.id, s]))
  const isHouse = (r: PlanRun) => stationOf.get(r.station)?.family === 'house'
  const isFood = (r: PlanRun) => foodGroups.includes(groupOf(stationOf.get(r.station)?.family ?? '') ?? '')
  const placeOf = (r: PlanRun) => stationOf.get(r.station)?.place
  const isLast = (r: PlanRun) => lastOfAll.includes(r.station)
  const hasBegun = (r: PlanRun) => r.segments.some((s) => s.fixed)
  const machines = runs.filter((r) => !isHouse(r) && !isLast(r) && !hasBegun(r))
  const near = (all: readonly PlanRun[], to: PlanRun) => {
    const beside = all.filter((r) => placeOf(r) === placeOf(to))
    return stations.some((s) => s.family !== 'house' && s.place === placeOf(to)) ? beside : all
  }
  const flushes = runs.filter((r) => isWaterBack({ id: r.procedure }) && !hasBegun(r))
  const isSink = (r: PlanRun) => stationOf.get(r.station)?.family === 'sink'
  const isBin = (r: PlanRun) => stationOf.get(r.station)?.family === 'ice-bin'
  const isMaker = (r: PlanRun) => groupOf(stationOf.get(r.station)?.family ?? '') === 'ice' && !isBin(r)
  const flushAt = (r: PlanRun) =>
    flushes.filter(
      (f) => f !== r && (f.station === r.station || (isBin(r) && isMaker(f) && placeOf(f) === placeOf(r))),
    )
  /** What a sink comes back by. */
  const setsUp = runs.filter(
    (r) =>
      isSink(r) &&
      !hasBegun(r) &&
      (flushes.includes(r) || (baseOf(r.procedure) === setUp && flushAt(r).length > 0)),
  )
  const before = (after: PlanRun): readonly PlanRun[] =>
    setsUp.includes(after)
      ? flushAt(after)
      : [...new Set([...flushAt(after), ...(isSink(after) ? [] : setsUp), ...worksBefore(after)])]
  const worksBefore = (after: PlanRun): readonly PlanRun[] => {
    if (flushes.includes(after)) return []
    if (isLast(after)) return machines
    const kind = baseOf(after.procedure)
    if (!isHouse(after) || !dirty.includes(kind)) return []
    if (kind !== floors) return near(machines.filter(isFood), after)
    const others = runs.filter(
      (r) => isHouse(r) && r !== after && baseOf(r.procedure) !== floors && !hasBegun(r),
    )
    return [
      ...near(machines, after),
      ...near(
        others.filter((r) => dirty.includes(baseOf(r.procedure))),
        after,
      ),
    ]
  }
  return runs
    .filter((r) => !hasBegun(r))
    .flatMap((after) => before(after).map((b) => ({ before: b.id, after: after.id })))
}
