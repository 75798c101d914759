import { numbersFrom } from './numbers.ts'
import type { PlanLink, PlanPerson, PlanProblem, PlanRun, PlanSegment } from '../../plan/index.ts'

export interface Size {
  readonly runs: number
  readonly people: number
  readonly counters: number
  /** Every duration is a multiple of it. */
  readonly grid: number
  readonly pieces: readonly [number, number]
  readonly horizon: number
  /** When the trade's last window ends. */
  readonly trade: number
  /** Some people take other minutes. */
  readonly ownMinutes?: boolean
  /** Some people are still learning. */
  readonly learners?: boolean
}

/** A made-up shift, the same for the same seed: runs of work and waits, stations that must be up, one sink, staff by the hour. */
export function madeUp(seed: number, size: Size): PlanProblem {
  const { chance, int } = numbersFrom(seed)
  const g = (lo: number, hi: number) => size.grid * int(Math.ceil(lo / size.grid), Math.floor(hi / size.grid))
  const counters = Array.from({ length: size.counters }, (_, c) => ({
    id: `counter-${c}`,
    name: `Counter ${c}`,
    need: [{ from: 0, to: size.trade, people: 1 }],
  }))
  const people = Array.from({ length: size.people }, (_, i): PlanPerson => ({
    id: `p${i}`,
    name: `P${i}`,
    from: 0,
    to: chance(0.3) ? size.horizon - g(size.horizon / 4, size.horizon / 3) : size.horizon,
    most: size.horizon,
    serves: counters.filter((_, c) => c === i % size.counters || chance(0.5)).map((c) => c.id),
    breaks: [],
    home: null,
  }))
  const runs = Array.from({ length: size.runs }, (_, i): PlanRun => {
    const segments: PlanSegment[] = []
    const links: PlanLink[] = []
    for (let k = 0, n = int(...size.pieces); k < n; k++) {
      const wait = k > 0 && segments.at(-1)?.kind === 'hands-on' && chance(0.4)
      const minutes = wait ? g(5, 25) : g(5, 15)
      const slow = size.ownMinutes && !wait && chance(0.4) ? people[int(0, size.people - 1)] : undefined
      const most = wait && k < n - 1 && chance(0.5) ? minutes + size.grid * int(0, 2) : null
      segments.push({
        id: `s${k}`,
        title: `s${k}`,
        kind: wait ? 'wait' : 'hands-on',
        minutes,
        ...(slow && { minutesBy: { [slow.id]: minutes + size.grid * int(-1, 2) || size.grid } }),
        most,
        places: chance(0.25) ? ['sink'] : [],
      })
      if (k > 0) links.push({ from: `s${k - 1}`, to: `s${k}`, least: 0, most: null })
    }
    const signedOff = people.filter((_, p) => p === i % size.people || chance(0.6))
    const learning = people.filter((p) => size.learners && !signedOff.includes(p) && chance(0.7))
    return {
      id: `r${i}`,
      station: `st${i}`,
      procedure: 'made-up',
      title: `Run ${i}`,
      earliest: 0,
      target: size.horizon,
      latest: chance(0.4) ? g(size.trade, size.trade * 1.6) : size.horizon,
      weight: int(1, 3),
      signedOff: signedOff.map((p) => p.id),
      learning: learning.map((p) => p.id),
      segments,
      links,
      endsFrom: 0,
    }
  })
  const up = () =>
    chance(0.3) ? [{ from: 0, to: size.trade }] : chance(0.4) ? [{ from: g(20, 30), to: g(40, 55) }] : []
  return {
    format: 'tadka-plan-problem@1',
    start: 0,
    horizon: size.horizon,
    people,
    counters,
    stations: runs.map((r, i) => ({
      id: r.station,
      name: r.title,
      place: `place ${i % size.counters}`,
      up: up(),
    })),
    keepUp: [{ stations: ['st0', 'st1'], mostDown: 1 }],
    places: { sink: Math.max(1, Math.floor(size.people / 4)) },
    runs,
    orders: size.runs > 2 ? [{ before: 'r1', after: 'r2' }] : [],
    pins: [],
  }
}
