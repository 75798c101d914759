import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  contactsTooShort,
  leastContactSeconds,
  mayOverride,
  optionSets,
  provenMs,
  stepsOf,
  waitKindOf,
  waitMinutes,
  type LabelInForce,
  type Position,
  type Procedure,
  type Timed,
} from '../../procedure/index.ts'
import { tick } from '../made-up.ts'
import { chlorine, Worked } from '../records.ts'

const label = (more: Partial<LabelInForce> = {}): LabelInForce => ({
  use: 'frozen-dessert',
  product: 'p',
  name: 'P',
  agent: 'quat',
  chemicalClass: 'quat',
  contactSeconds: null,
  alsoWashes: false,
  ...more,
})

describe('the least contact time (FDA Food Code 2022, 4-703.11)', () => {
  it.each([
    ['chlorine, nothing on the label', label({ agent: 'chlorine' }), 10],
    ['chlorine, the label says 60 s', label({ agent: 'chlorine', contactSeconds: 60 }), 60],
    ['quat, nothing on the label', label(), 30],
    ['quat, the label says 10 s: the code is longer', label({ contactSeconds: 10 }), 30],
    ['nobody knows what was mixed: the longest of the code', null, 30],
  ] as const)('%s', (_, mixed, seconds) => expect(leastContactSeconds(mixed)).toBe(seconds))

  const wait = (length: number, of: Timed['of'] = 'contact'): Timed => ({
    id: 'w',
    kind: 'wait',
    title: 'w',
    of,
    length,
    attended: false,
  })
  const mixed = (seconds: number | null) => ({
    parameters: {},
    done: { mix: { at: 0, by: 'b', facts: {}, label: label({ contactSeconds: seconds }) } },
  })
  it('is the longest of procedure, code and label of what was mixed', () => {
    expect(waitMinutes(wait(5), mixed(60))).toBe(5)
    expect(waitMinutes(wait(0), mixed(60))).toBe(1)
    expect(waitMinutes(wait(0.1), mixed(null))).toBe(0.5)
    expect(waitMinutes(wait(0.1, 'dissolve'), mixed(60))).toBe(0.1)
  })
})

describe('the clock of a wait is one that nobody can set', () => {
  const minute = 60_000
  it.each([
    ['one device, clocks agree', tick(0, { boot: 'a' }), tick(minute, { boot: 'a' }), minute],
    [
      'the wall clock was put forward a minute: the device’s own time counts',
      tick(0, { boot: 'a' }),
      tick(minute, { boot: 'a', observedAt: 5000, clockOffset: 55_000, receivedAt: 5000 }),
      5000,
    ],
    [
      'the device slept, and the server saw both ends as they came: the server’s time counts',
      tick(0, { boot: 'a' }),
      tick(minute, { boot: 'a', observedAt: 20_000, clockOffset: 40_000, receivedAt: minute }),
      minute,
    ],
    [
      'a restart, and the beginning came as it was made',
      tick(0, { boot: 'a' }),
      tick(minute, { boot: 'b' }),
      minute,
    ],
    [
      'a restart, and the beginning came only with the end: it cannot be squared',
      tick(0, { boot: 'a', receivedAt: 10 * minute }),
      tick(minute, { boot: 'b', receivedAt: 10 * minute }),
      0,
    ],
    [
      'a device that tells nothing of its time, and everything at once: it cannot be squared',
      tick(0, { receivedAt: 10 * minute }),
      tick(minute, { receivedAt: 10 * minute }),
      0,
    ],
    [
      'an end that lies ahead of the server’s clock counts up to now',
      tick(0, { boot: 'a' }),
      tick(minute, { boot: 'a', receivedAt: minute / 2 }),
      minute / 2 + 2000,
    ],
  ] as const)('%s', (_, start, end, ms) => expect(provenMs(start, end)).toBe(ms))

  it('no two observations prove more than the server saw pass since the first was made', () => {
    const span = fc.integer({ min: 0, max: 600_000 })
    fc.assert(
      fc.property(span, span, span, fc.integer({ min: -300_000, max: 300_000 }), (own, late, real, moved) => {
        const start = tick(0, { boot: 'a' })
        const end = tick(own + moved, {
          boot: 'a',
          observedAt: own,
          clockOffset: moved,
          receivedAt: Math.max(real, 0) + late,
        })
        return provenMs(start, end) <= Math.max(own, end.receivedAt) + 2000
      }),
    )
  })
})

/** Waits of a kind in the library, each with its procedure. */
const waits = (pick: (step: Timed) => boolean): [string, Procedure, string][] =>
  allProcedures().flatMap((p) =>
    stepsOf(p.nodes).flatMap((s): [string, Procedure, string][] =>
      (s.kind === 'wait' || s.kind === 'tend') && pick(s) ? [[`${p.id}: ${s.title}`, p, s.id]] : [],
    ),
  )

/** Works a procedure, under options that hold the wait, up to the wait itself. */
function upTo(p: Procedure, id: string, product = chlorine): { worked: Worked; position: Position } | null {
  for (const options of optionSets(p)) {
    const worked = new Worked(p, undefined, { options, product })
    do {
      const { position } = worked
      if (position?.kind === 'step' && position.step.id === id) return { worked, position }
    } while (worked.step())
  }
  return null
}

describe.each(waits((s) => waitKindOf(s) === 'contact'))('contact ended early, %s', (_, p, id) => {
  it('has not happened: nothing is sanitized by it, and the step is still to do', () => {
    const found = upTo(p, id)
    if (!found) throw new Error('not reached')
    const { worked, position } = found
    worked.start(position)
    const wait = worked.run.waits[position.key]
    worked.at += (wait?.minutes ?? 0) * 0.9
    const before = worked.station
    worked.done(position)
    expect(worked.run.done[position.key]).toBeUndefined()
    expect(worked.run.cut[position.key]).toMatchObject({ leastMs: (wait?.minutes ?? 0) * 60_000 })
    expect(worked.station.facets).toEqual(before.facets)
    expect(worked.position?.key).toBe(position.key)
  })
  it('a lead may go on; the end of the run then says so, and nothing is sanitized by it', () => {
    const found = upTo(p, id)
    if (!found) throw new Error('not reached')
    const { worked, position } = found
    const sanitizedBefore = worked.station.sanitizedAt
    // What another lane held for its whole time is that lane's.
    const { contact } = worked.station.facets
    worked.start(position)
    worked.at += 0.2
    worked.add(
      'run.overridden@1',
      { run: worked.run.id, station: 'st', step: position.key, what: 'wait', reason: 'the ferry is in' },
      'ines',
    )
    expect(worked.run.done[position.key]).toMatchObject({
      short: { ms: 12_000 },
      overridden: { by: 'ines', reason: 'the ferry is in' },
    })
    if (contact !== 'whole') expect(worked.station.facets.contact).not.toBe('whole')
    expect(worked.station.sanitizedAt).toBe(sanitizedBefore)
    while (worked.step());
    worked.finish()
    // Nothing else of the run makes up for it: it is done again, and stays due.
    expect([null, sanitizedBefore]).toContain(worked.station.sanitizedAt)
    expect(worked.station.lastRuns[p.id]).toBeUndefined()
    expect(worked.station.notSanitized[p.id]).toMatchObject({ ms: 12_000, by: 'ines' })
  })
})

describe('the label of what is in use asks for its own contact time', () => {
  const slow = { ...chlorine, uses: chlorine.uses.map((u) => ({ ...u, contactSeconds: 6000 })) }
  // Sinks are sprayed before the sink is set up: that wait makes nothing sanitized, and no step names its bottle.
  const sanitizing = waits((s) => waitKindOf(s) === 'contact').filter(([, p]) =>
    stepsOf(p.nodes).some((s) => s.act === 'sanitize'),
  )
  it.each(sanitizing)('mixed in the run, or mixed before it and only dipped with a strip: %s', (_, p, id) => {
    const found = upTo(p, id, slow)
    if (!found) throw new Error('not reached')
    const { worked, position } = found
    worked.start(position)
    expect(worked.run.waits[position.key]?.minutes).toBe(100)
  })
  it('a plate that says less is refused when it is entered, for a bucket that another procedure fills too', () => {
    const surface = allProcedures().find((p) => p.id === 'surface.in-place')
    if (!surface) throw new Error('no such procedure')
    const cloths = label({ use: 'cloths', contactSeconds: 6000 })
    expect(contactsTooShort(surface, { contact: 5 }, () => [cloths])).toMatchObject([
      { minutes: 5, least: 100, because: 'label', product: 'P' },
    ])
    expect(contactsTooShort(surface, { contact: 100 }, () => [cloths])).toEqual([])
  })
  it('of several products that may be chosen in the run, the slowest counts, in whichever order they stand', () => {
    const surface = allProcedures().find((p) => p.id === 'surface.in-place')
    if (!surface) throw new Error('no such procedure')
    const quick = label({ use: 'cloths', contactSeconds: 60, name: 'quick' })
    const slow = label({ use: 'cloths', contactSeconds: 6000, name: 'slow' })
    for (const labels of [
      [quick, slow],
      [slow, quick],
    ])
      expect(contactsTooShort(surface, { contact: 5 }, () => labels)).toMatchObject([
        { least: 100, because: 'label', product: 'slow' },
      ])
  })
})

describe('a machine is cool when its time is over, not when somebody says so', () => {
  const cooling = waits((s) => waitKindOf(s) === 'cool')
  it('there is one in the library', () => expect(cooling.length).toBeGreaterThan(0))
  it.each(cooling)('%s', (_, p, id) => {
    const found = upTo(p, id)
    if (!found) throw new Error('not reached')
    const { worked, position } = found
    worked.start(position)
    worked.at += 0.5
    worked.done(position)
    expect(worked.station.facets.heat).toBe('hot')
    expect(worked.position?.key).toBe(position.key)
    // Heat is nobody's to override.
    const step = position.kind === 'step' ? position.step : null
    expect(step && mayOverride(step as Timed)).toBe(false)
    const override = {
      run: worked.run.id,
      station: 'st',
      step: position.key,
      what: 'wait',
      reason: 'late',
    } as const
    worked.add('run.overridden@1', override, 'ines')
    expect(worked.run.done[position.key]).toBeUndefined()
  })
})

describe('thawing and loosening', () => {
  it.each(waits((s) => ['thaw', 'dissolve'].includes(waitKindOf(s))))(
    'may be ended early, told so: %s',
    (_, p, id) => {
      const found = upTo(p, id)
      if (!found) throw new Error('not reached')
      const { worked, position } = found
      worked.start(position)
      worked.at += 0.1
      worked.done(position)
      expect(worked.run.done[position.key]?.short).toMatchObject({ ms: 6000 })
    },
  )
})
