import type { Plan, PlanProblem } from '@tadka/core/plan'
import { z } from 'zod'

/** Ids in plans may hold what names runs and pieces: slashes, and the marks of cut pieces and visits. */
const key = z.string().min(1).max(200)
const minute = z.number().int().min(-100_000).max(100_000)
const length = z.number().int().min(0).max(10_000)
const span = z.strictObject({ from: minute, to: minute })

const segment = z.strictObject({
  id: key,
  title: z.string().max(300),
  kind: z.enum(['hands-on', 'wait']),
  minutes: length,
  minutesBy: z.record(key, length.min(1)).optional(),
  most: length.nullable(),
  places: z.array(key).max(10),
  task: key.optional(),
  hands: z.union([z.literal(1), z.literal(2)]).optional(),
  first: z.enum(['dirty', 'food']).optional(),
  last: z.enum(['dirty', 'food']).optional(),
  handover: z.boolean().optional(),
  fixed: z.strictObject({ person: key.nullable(), start: minute.min(0) }).optional(),
})

const run = z.strictObject({
  id: key,
  station: key,
  procedure: key,
  title: z.string().max(300),
  earliest: minute.min(0),
  target: minute,
  latest: minute,
  weight: z.number().positive().max(100),
  signedOff: z.array(key).max(200),
  learning: z.array(key).max(200),
  segments: z.array(segment).min(1).max(200),
  links: z.array(z.strictObject({ from: key, to: key, least: length, most: length.nullable() })).max(1000),
  endsFrom: minute,
  begunBy: key.optional(),
})

const person = z.strictObject({
  id: key,
  name: z.string().max(80),
  from: minute,
  to: minute,
  most: minute,
  serves: z.array(key).max(10),
  breaks: z
    .array(
      z.strictObject({ id: key, minutes: length.min(1), earliest: minute.min(0), latest: minute.min(0) }),
    )
    .max(5),
  home: key.nullable(),
  earlier: length.optional(),
})

export const pin = z.strictObject({ run: key, person: key.nullable(), start: minute.nullable() })

const terms = z.strictObject({
  paid: z.number(),
  last: z.number(),
  wish: z.number(),
  handovers: z.number(),
  walks: z.number(),
  areas: z.number(),
  short: z.number(),
  gaps: z.number(),
  unfair: z.number(),
  changes: z.number(),
})

/** The JSON form of a shift to be planned: docs/formats.md. */
export const planProblem: z.ZodType<PlanProblem> = z
  .strictObject({
    format: z.literal('tadka-plan-problem@1'),
    start: z.number().int(),
    horizon: z.number().int().min(1).max(2880),
    people: z.array(person).max(200),
    counters: z
      .array(
        z.strictObject({
          id: key,
          name: z.string().max(80),
          need: z.array(span.extend({ people: z.number().int().min(0).max(100) })).max(200),
        }),
      )
      .max(5),
    stations: z
      .array(
        z.strictObject({
          id: key,
          name: z.string().max(80),
          place: z.string().max(80),
          up: z.array(span).max(200),
        }),
      )
      .max(500),
    keepUp: z.array(z.strictObject({ stations: z.array(key), mostDown: z.number().int().min(0) })).max(50),
    places: z.record(key, z.number().int().min(0).max(100)),
    walks: z
      .array(z.strictObject({ between: z.tuple([z.string().max(80), z.string().max(80)]), minutes: length }))
      .max(100)
      .optional(),
    runs: z.array(run).max(300),
    orders: z.array(z.strictObject({ before: key, after: key })).max(2000),
    pins: z.array(pin).max(300),
    walkElse: length.max(60).optional(),
    placeAreas: z.record(key, z.string().max(80)).optional(),
    washing: length.max(60).optional(),
    handing: length.max(60).optional(),
    neverAlone: z.boolean().optional(),
    keys: z.array(key).max(200).optional(),
    closedBy: minute.optional(),
    weights: terms.optional(),
  })
  .superRefine((problem, context) => {
    for (const fault of faultsOf(problem)) context.addIssue({ code: 'custom', ...fault })
  })

/** Whether a run's links lead back to where they began. */
function circular({ segments, links }: PlanProblem['runs'][number]): boolean {
  const left = new Set(segments.map((s) => s.id))
  for (let found = true; found;) {
    const free = [...left].filter((id) => !links.some((l) => l.to === id && left.has(l.from)))
    for (const id of free) left.delete(id)
    found = free.length > 0
  }
  return left.size > 0
}

/** Names that point nowhere, and names twice. */
function faultsOf(problem: PlanProblem): { path: (string | number)[]; message: string }[] {
  const faults: { path: (string | number)[]; message: string }[] = []
  const twice = (of: string, ids: readonly string[]) => {
    ids.forEach((id, i) => {
      if (ids.indexOf(id) !== i) faults.push({ path: [of, i, 'id'], message: `${id} is there twice` })
    })
  }
  twice(
    'people',
    problem.people.map((p) => p.id),
  )
  twice(
    'runs',
    problem.runs.map((r) => r.id),
  )
  twice(
    'stations',
    problem.stations.map((s) => s.id),
  )
  const backwards = (path: (string | number)[], { from, to }: { from: number; to: number }) => {
    if (to < from) faults.push({ path, message: `it ends (${to}) before it begins (${from})` })
  }
  problem.people.forEach((p, i) => {
    backwards(['people', i], p)
    if (p.most < p.to) faults.push({ path: ['people', i, 'most'], message: 'it is before `to`' })
    p.breaks.forEach((b, n) => backwards(['people', i, 'breaks', n], { from: b.earliest, to: b.latest }))
    twice(
      `people.${i}.breaks`,
      p.breaks.map((b) => b.id),
    )
  })
  problem.stations.forEach((s, i) => s.up.forEach((u, n) => backwards(['stations', i, 'up', n], u)))
  problem.counters.forEach((c, i) => c.need.forEach((u, n) => backwards(['counters', i, 'need', n], u)))
  const runs = new Set(problem.runs.map((r) => r.id))
  problem.orders.forEach((o, i) => {
    for (const end of ['before', 'after'] as const)
      if (!runs.has(o[end])) faults.push({ path: ['orders', i, end], message: `there is no run ${o[end]}` })
  })
  const people = new Set(problem.people.map((p) => p.id))
  problem.pins.forEach((p, i) => {
    if (!runs.has(p.run)) faults.push({ path: ['pins', i, 'run'], message: `there is no run ${p.run}` })
    if (p.person !== null && !people.has(p.person))
      faults.push({ path: ['pins', i, 'person'], message: `there is nobody ${p.person}` })
  })
  const stations = new Set(problem.stations.map((s) => s.id))
  problem.runs.forEach((r, i) => {
    if (!stations.has(r.station))
      faults.push({ path: ['runs', i, 'station'], message: `there is no station ${r.station}` })
    twice(
      `runs.${i}.segments`,
      r.segments.map((s) => s.id),
    )
    if (circular(r)) faults.push({ path: ['runs', i, 'links'], message: 'they go in a circle' })
    const segments = new Set(r.segments.map((s) => s.id))
    r.links.forEach((l, n) => {
      const wait = r.segments.find((s) => s.id === l.from)
      if (wait?.kind === 'wait' && wait.most !== null && wait.most < wait.minutes + l.least)
        faults.push({
          path: ['runs', i, 'links', n],
          message: `${l.from} may last ${wait.most} minutes, and ${l.to} comes later`,
        })
      if (l.most !== null && l.most < l.least)
        faults.push({ path: ['runs', i, 'links', n, 'most'], message: 'it is less than `least`' })
      for (const end of ['from', 'to'] as const)
        if (!segments.has(l[end]))
          faults.push({ path: ['runs', i, 'links', n, end], message: `there is no segment ${l[end]}` })
    })
  })
  return faults
}

const placed = z.strictObject({
  run: key,
  segment: key,
  person: key.nullable(),
  by: key.optional(),
  helper: key.optional(),
  start: minute,
  end: minute,
})

const told = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('break-missing'), person: key, id: key }),
  z.strictObject({ kind: z.literal('break-late'), person: key, id: key, minutes: length }),
  z.strictObject({ kind: z.literal('alone'), person: key, from: minute, to: minute }),
  z.strictObject({ kind: z.literal('no-keys'), from: minute, to: minute }),
  z.strictObject({ kind: z.literal('machine-down'), run: key, from: minute, to: minute }),
])

export const plan: z.ZodType<Plan> = z.strictObject({
  format: z.literal('tadka-plan@1'),
  placed: z.array(placed).max(3000),
  breaks: z.array(z.strictObject({ person: key, id: key, start: minute, end: minute })).max(500),
  unplaced: z
    .array(
      z.strictObject({
        run: key,
        why: z.enum(['no-person', 'no-window', 'no-room', 'pin', 'not-found']),
        tries: z.number().int().min(0).optional(),
      }),
    )
    .max(300),
  told: z.array(told).max(500),
  leaves: z.record(key, minute),
  objective: z.strictObject({ late: z.number(), price: z.number(), last: minute, terms }),
})
