import type { PlanLink, PlanPerson, PlanProblem, PlanRun, PlanSegment } from '../../plan/index.ts'

export const person = (id: string, more: Partial<PlanPerson> = {}): PlanPerson => ({
  id,
  name: id,
  from: 0,
  to: 120,
  most: 150,
  serves: ['bar'],
  breaks: [],
  home: null,
  ...more,
})

/** "h10 w5<8 h4@sink": work and waits in a chain, minutes each, the most of a wait, a place. */
export function chain(text: string): { segments: PlanSegment[]; links: PlanLink[] } {
  const segments = text.split(' ').map((part, i): PlanSegment => {
    const [, kind, minutes, most, place] = part.match(/^([hw])(\d+)(?:<(\d+))?(?:@(\w+))?$/) ?? []
    return {
      id: `s${i}`,
      title: `s${i}`,
      kind: kind === 'w' ? 'wait' : 'hands-on',
      minutes: Number(minutes),
      most: most === undefined ? null : Number(most),
      places: place === undefined ? [] : [place],
    }
  })
  const links = segments.slice(1).map((s, i) => ({ from: `s${i}`, to: s.id, least: 0, most: null }))
  return { segments, links }
}

export const run = (id: string, work: string, more: Partial<PlanRun> = {}): PlanRun => ({
  id,
  station: id,
  procedure: 'p',
  title: id,
  earliest: 0,
  target: 90,
  latest: 100,
  weight: 1,
  signedOff: ['ana', 'ben'],
  learning: [],
  endsFrom: 0,
  ...chain(work),
  ...more,
})

/** Two people and a bar that needs one of them until minute 30; a machine for each run. */
export function shift(runs: readonly PlanRun[], more: Partial<PlanProblem> = {}): PlanProblem {
  return {
    format: 'tadka-plan-problem@1',
    start: 0,
    horizon: 150,
    people: [person('ana'), person('ben')],
    counters: [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: 30, people: 1 }] }],
    stations: [...new Set(runs.map((r) => r.station))].map((id) => ({ id, name: id, place: id, up: [] })),
    keepUp: [],
    places: {},
    runs,
    orders: [],
    pins: [],
    ...more,
  }
}

/** No term of a price. */
export const noTerms = {
  paid: 0,
  last: 0,
  wish: 0,
  handovers: 0,
  walks: 0,
  areas: 0,
  short: 0,
  gaps: 0,
  unfair: 0,
  changes: 0,
}
