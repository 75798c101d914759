import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  bringsProduct,
  forbiddenActs,
  latestProcedure,
  optionSets,
  startFaults,
  stationFold,
  stepsOf,
  toMakeSafe,
  watchKey,
  type Procedure,
} from '../../procedure/index.ts'
import { waitsForService } from '../../plan/index.ts'
import { recordOf, Worked, workThrough } from '../records.ts'

const at = { kind: 'station', id: 'st' } as const
const returned = (minute: number) =>
  recordOf(minute, 'station.returned@1', at, { station: 'st', mended: 'new seal', proof: 'ran ten minutes' })

/** Every choice in the library that stops a machine. */
const stops = allProcedures().flatMap((p) =>
  stepsOf(p.nodes).flatMap((s): [string, Procedure, string, string][] =>
    s.kind === 'inspect'
      ? s.choices
          .filter((c) => c.outcome === 'technician')
          .map((c): [string, Procedure, string, string] => [`${p.id}: ${c.name}`, p, s.id, c.id])
      : [],
  ),
)

/** Works a procedure up to the inspection, under options that hold it. */
function upTo(p: Procedure, id: string): Worked {
  for (const options of optionSets(p)) {
    const worked = new Worked(p, undefined, { options })
    do {
      const { position } = worked
      if (position?.kind === 'step' && position.step.id === id) return worked
    } while (worked.step((o) => (o.kind === 'step' && o.step.kind === 'check' ? {} : {})))
  }
  throw new Error(`${p.id} never comes to ${id}`)
}

describe.each(stops.filter(([, p, id]) => !insideBranch(p, id)))('stop, call: %s', (_, p, id, choice) => {
  it('takes the machine out of service at once: no product, no serving, and nothing goes on', () => {
    const worked = upTo(p, id)
    const { position } = worked
    if (!position) throw new Error('no step')
    worked.done(position, { choice })
    expect(worked.run.status).toBe('stopped')
    expect(worked.station).toMatchObject({
      currentRun: null,
      outOfService: { why: 'technician', what: choice },
    })
    const moment = { at: worked.at * 60_000, freshHours: 4 }
    const acts = forbiddenActs(p, null, worked.station, null, moment).map((f) => f.act)
    expect(acts).toContain('prime')
    expect(acts).toContain('serve')
    // A run that was stopped is not worked on, and does nothing that was due.
    const facets = worked.station.facets
    expect(worked.step()).toBe(false)
    worked.finish()
    expect(worked.station.facets).toEqual(facets)
    expect(worked.station.lastRuns[p.id]).toBeUndefined()
  })
  it('back in service is neither whole nor sanitized by it', () => {
    const worked = upTo(p, id)
    const { position } = worked
    if (!position) throw new Error('no step')
    worked.done(position, { choice })
    const { assembly, partsOut } = worked.station.facets
    worked.at += 60
    worked.take(returned(worked.at))
    expect(worked.station).toMatchObject({ outOfService: null, sanitizedAt: null })
    expect(worked.station.facets).toMatchObject({ assembly, partsOut, hygiene: 'unknown' })
  })
})

/** Steps that only a finding opens are worked in the API tests, where the finding is made. */
function insideBranch(p: Procedure, id: string): boolean {
  const inside = (nodes: Procedure['nodes']): boolean =>
    nodes.some((n) =>
      n.kind === 'branch'
        ? stepsOf(n.steps).some((s) => s.id === id)
        : 'steps' in n
          ? inside(n.steps)
          : n.kind === 'together'
            ? n.lanes.some((l) => inside(l.steps))
            : false,
    )
  return inside(p.nodes)
}

describe('a piece is missing', () => {
  const open = latestProcedure('soft-serve-gravity.open') as Procedure
  function counting(): Worked {
    const worked = new Worked(open)
    while (worked.position?.key !== 'parts-in') worked.step()
    return worked
  }
  const plain = { run: 'run-soft-serve-gravity.open', station: 'st', step: 'parts-in', part: 'valve-ring' }
  it('the machine is out of service, the run stops, and no step of it counts', () => {
    const worked = counting()
    worked.add('run.part.missing@1', plain)
    expect(worked.run).toMatchObject({ status: 'stopped', endedAt: null })
    expect(worked.station.outOfService).toMatchObject({ why: 'part-missing', what: 'valve-ring' })
    expect(worked.step()).toBe(false)
  })
  it('found, the run goes on from the count, and the machine is in service', () => {
    const worked = counting()
    worked.add('run.part.missing@1', plain)
    worked.add('run.part.found@1', { ...plain, where: 'in the sink strainer' })
    expect(worked.run.status).toBe('running')
    expect(worked.position?.key).toBe('parts-in')
    expect(worked.station.outOfService).toBeNull()
    while (worked.step());
    worked.finish()
    expect(worked.station.facets).toMatchObject({ assembly: 'whole', partsOut: 0, hygiene: 'sanitized' })
  })
  it('not found, the run ends; back in service it is still not whole', () => {
    const worked = counting()
    worked.add('run.part.missing@1', plain)
    worked.add('run.part.lost@1', { ...plain, discarded: 'all mix' })
    expect(worked.run.stop).toMatchObject({ lost: 'all mix' })
    expect(worked.station.outOfService).not.toBeNull()
    // Found after all, once it was given up: a lead decides, no tap.
    worked.add('run.part.found@1', { ...plain, where: 'in the drain' })
    expect(worked.station.outOfService).not.toBeNull()
    worked.take(returned(worked.at + 30))
    expect(worked.station.facets).toMatchObject({ assembly: 'drying', hygiene: 'unknown' })
  })
  it('another part than the one missed does not lift it', () => {
    const worked = counting()
    worked.add('run.part.missing@1', plain)
    worked.add('run.part.found@1', { ...plain, part: 'beater', where: 'on the rack' })
    expect(worked.run.status).toBe('stopped')
  })
  it('a part of a step that counts none stops nothing', () => {
    const worked = counting()
    worked.add('run.part.missing@1', { ...plain, step: 'valve' })
    expect(worked.run.status).toBe('running')
  })
})

describe('out of service', () => {
  const open = latestProcedure('soft-serve-gravity.open') as Procedure
  const close = latestProcedure('soft-serve-gravity.close') as Procedure
  const stopped = recordOf(1, 'station.stopped@1', at, { station: 'st', reason: 'it smells burnt' })
  it('forbids to begin what brings product, and lets it be cleaned', () => {
    const station = stationFold.apply(workThrough('soft-serve-gravity.close').station, stopped)
    expect(bringsProduct(open)).toBe(true)
    expect(startFaults(open, station).map((f) => f.why)).toContain('out-of-service')
    expect(bringsProduct(close)).toBe(false)
    const due = (procedure: string, outOfService = true, run: string | null = null) =>
      waitsForService({ procedure, outOfService, closed: false, run }, latestProcedure)
    expect(due(open.id)).toBe(true)
    expect([due(close.id), due(open.id, false), due(open.id, true, 'r'), due('gone')]).toEqual(
      Array(4).fill(false),
    )
  })
  it('what makes it safe stays to do: drain, switch off, feeds on', () => {
    const station = stationFold.apply(
      {
        ...stationFold.initial('st'),
        facets: {
          ...stationFold.initial('st').facets,
          contents: 'descaler',
          residue: 'descaler',
          power: 'agitating',
          feeds: 'off',
        },
      },
      stopped,
    )
    expect(toMakeSafe(station.facets)).toEqual(['drained', 'switched-off', 'feeds-on'])
    const did = (what: 'drained' | 'rinsed' | 'switched-off' | 'feeds-on') =>
      recordOf(2, 'station.made-safe@1', at, { station: 'st', did: what })
    const safe = [did('drained'), did('switched-off'), did('feeds-on')].reduce(stationFold.apply, station)
    expect(toMakeSafe(safe.facets)).toEqual(['rinsed'])
    expect([did('rinsed'), did('drained')].reduce(stationFold.apply, safe).facets).toMatchObject({
      residue: 'none',
      hygiene: 'unknown',
    })
  })
})

describe('keep an eye on it', () => {
  it('is remembered by the step, run after run, until it is fine', () => {
    const watch = workThrough('soft-serve-gravity.close', (p) =>
      p.key === 'seal' ? { choice: 'watch' } : {},
    )
    const key = watchKey('soft-serve-gravity.close', 'seal')
    expect(watch.station.watched[key]).toMatchObject([{ choice: 'watch', by: 'bao' }])
    const begun = {
      ...watch.station,
      facets: {
        ...watch.station.facets,
        contents: 'product' as const,
        assembly: 'whole' as const,
        partsOut: 0,
      },
    }
    const known = latestProcedure('soft-serve-gravity.close') as Procedure
    const again = new Worked(known, begun, { from: 2000, id: 'second' })
    while (again.step((p) => (p.key === 'seal' ? { choice: 'watch' } : {})));
    expect(again.station.watched[key]).toHaveLength(2)
    const third = new Worked(known, { ...again.station, facets: begun.facets }, { from: 4000, id: 'third' })
    while (third.step());
    expect(third.station.watched[key]).toBeUndefined()
  })
  it('in lanes, of whichever barrel', () => {
    expect(watchKey('p', 'groups.2.gasket')).toBe('p groups.gasket')
  })
})
