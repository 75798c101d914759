import type { PlanLink, PlanPerson, PlanProblem, PlanRun, PlanSegment } from '../../plan/index.ts'
import { numbersFrom } from './numbers.ts'

const areas = ['kiosk', 'galley', 'lounge'] as const

/**
 * A made-up evening with everything that a real one can have, the same for the same seed: areas, breaks, keys, tasks of several pieces,
 * side lanes, waits first and last, runs under way, pins, learners, work for two.
 */
export function evening(seed: number, runs = 5, crew = 3): PlanProblem {
  const { chance, int, pick } = numbersFrom(seed)
  const horizon = 260
  const trade = int(20, 90)
  const people = Array.from({ length: crew }, (_, i): PlanPerson => {
    const to = horizon - int(0, 60)
    return {
      id: `p${i}`,
      name: `P${i}`,
      from: chance(0.2) ? int(5, 40) : 0,
      to,
      most: Math.min(horizon, to + int(0, 45)),
      serves: chance(0.8) ? ['bar'] : [],
      breaks: chance(0.5)
        ? [{ id: 'rest', minutes: int(10, 20), earliest: int(0, 60), latest: int(60, 160) }]
        : [],
      home: null,
      ...(chance(0.3) && { earlier: int(0, 600) }),
    }
  })
  const ids = people.map((p) => p.id)
  const made = Array.from({ length: runs }, (_, i) => runOf(i, { chance, int, pick }, ids, horizon))
  const begun = chance(0.5) ? made.map((r, i) => (i === 0 ? under(r, pick(ids)) : r)) : made
  const pinned = begun.find((r) => !r.segments.some((s) => s.fixed) && r.signedOff.length > 0)
  return {
    format: 'tadka-plan-problem@1',
    start: 0,
    horizon,
    people,
    counters: [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: trade, people: int(0, 2) }] }],
    stations: begun.map((r, i) => ({
      id: r.station,
      name: r.title,
      place: pick(areas),
      up: chance(0.3) ? [{ from: 0, to: trade }] : chance(0.2) && i > 0 ? [{ from: 60, to: 80 }] : [],
    })),
    keepUp: chance(0.4) ? [{ stations: ['st0', 'st1'], mostDown: 1 }] : [],
    places: { sink: 1 },
    walkElse: int(0, 3),
    placeAreas: chance(0.5) ? { sink: 'galley' } : {},
    washing: int(0, 2),
    handing: int(0, 2),
    ...(chance(0.4) && { neverAlone: true }),
    ...(chance(0.4) && { keys: [pick(ids)] }),
    runs: begun,
    orders: chance(0.4) && runs > 2 ? [{ before: 'r1', after: 'r2' }] : [],
    pins: chance(0.3) && pinned ? [{ run: pinned.id, person: pick(pinned.signedOff), start: null }] : [],
  }
}

type Numbers = ReturnType<typeof numbersFrom>

function runOf(i: number, { chance, int, pick }: Numbers, ids: readonly string[], horizon: number): PlanRun {
  const segments: PlanSegment[] = []
  const links: PlanLink[] = []
  let open: string[] = []
  const isWork = (id: string) => segments.find((s) => s.id === id)?.kind === 'hands-on'
  const add = (segment: Omit<PlanSegment, 'id' | 'title'>, after = open): string => {
    const id = `s${segments.length}`
    segments.push({ id, title: id, ...segment })
    for (const from of after)
      links.push({ from, to: id, least: isWork(from) && chance(0.1) ? int(1, 4) : 0, most: null })
    return id
  }
  const work = (task?: string): Omit<PlanSegment, 'id' | 'title'> => ({
    kind: 'hands-on',
    minutes: int(2, 14),
    most: null,
    places: chance(0.2) ? ['sink'] : [],
    ...(task && { task }),
    ...(chance(0.3) && { first: pick(['dirty', 'food'] as const), last: pick(['dirty', 'food'] as const) }),
    ...(chance(0.3) && { handover: true }),
    ...(chance(0.05) && { hands: 2 }),
    ...(chance(0.2) && { minutesBy: { [pick(ids)]: int(2, 18) } }),
  })
  const wait = (): Omit<PlanSegment, 'id' | 'title'> => {
    const minutes = int(3, 20)
    return {
      kind: 'wait',
      minutes,
      most: chance(0.4) ? minutes + int(0, 15) : null,
      places: chance(0.2) ? ['sink'] : [],
    }
  }
  if (chance(0.15)) open = [add(wait())]
  for (let k = 0, n = int(1, 3); k < n; k++) {
    const task = `t${k}`
    open = [add(work(task))]
    if (chance(0.4)) open = [add(work(task))]
    if (chance(0.4)) open = [add(wait())]
    if (chance(0.2)) {
      const before = open
      const [one, other] = [add(work(), before), add(chance(0.5) ? wait() : work(), before)]
      open = [one, other]
    }
  }
  if (chance(0.2)) open = [add({ ...wait(), most: null })]
  const signedOff = ids.filter(() => chance(0.6))
  return {
    id: `r${i}`,
    station: `st${i}`,
    procedure: 'made-up',
    title: `Run ${i}`,
    earliest: chance(0.2) ? int(5, 40) : 0,
    target: int(60, 150),
    latest: int(90, horizon),
    weight: int(1, 3),
    signedOff,
    learning: ids.filter((id) => !signedOff.includes(id) && chance(0.4)),
    segments,
    links,
    endsFrom: chance(0.1) ? int(60, 120) : 0,
  }
}

/** The same run with its first work in somebody's hands. */
function under(run: PlanRun, person: string): PlanRun {
  const first = run.segments.find((s) => !run.links.some((l) => l.to === s.id))
  if (first?.kind !== 'hands-on') return run
  const { hands: _one, ...alone } = first
  return {
    ...run,
    begunBy: person,
    segments: run.segments.map((s) => (s === first ? { ...alone, fixed: { person, start: 0 } } : s)),
  }
}
