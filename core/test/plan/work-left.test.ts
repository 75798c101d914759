import { describe, expect, it } from 'vitest'
import { workLeft } from '../../plan/work-left.ts'
import { runFold, type Procedure, type RunState, type Step } from '../../procedure/index.ts'
import { tick } from '../made-up.ts'

const minuteMs = 60_000
const now = Date.parse('2026-11-26T20:00:00Z')
const minute = (at: number) => Math.round((at - now) / minuteMs)
const step = (id: string, more: object = {}): Step =>
  ({ id, kind: 'do', title: id, minutes: 4, ...more }) as Step
const procedure: Procedure = {
  id: 'p',
  version: 1,
  name: 'P',
  family: 'f',
  parameters: {},
  materials: [],
  cautions: [],
  nodes: [
    step('pour'),
    step('stir', { minutes: 6 }),
    step('soak', { kind: 'wait', length: 20, attended: false }),
    step('drain'),
    step('scale', { kind: 'tend', length: 15, every: 5, duty: 'Top up', late: 'Dry' }),
    step('wipe'),
  ],
}
const done = (keys: readonly string[], at = now) =>
  Object.fromEntries(keys.map((k) => [k, { at, by: 'ana', facts: {}, before: {} }]))
const run = (more: Partial<RunState> = {}): RunState => ({
  ...runFold.initial('r'),
  status: 'running',
  lastBy: 'ana',
  startedAt: now,
  ...more,
})
const left = (state: RunState | null, there = ['ana', 'ben']) =>
  workLeft(procedure, state, { parameters: {}, options: {} }, minute, there)
const told = (state: RunState | null) =>
  left(state)
    .segments.map((s) => `${s.kind === 'wait' ? 'w' : 'h'}${s.minutes}`)
    .join(' ')

describe('what is left of a run', () => {
  // The last visit and the work after it are one piece.
  it('is all of it before it begins, nothing of it in anyone’s hands', () => {
    expect(told(null)).toBe('h10 w20 h4 w4 h1 w4 h1 w4 h5')
    expect(left(null).segments.some((s) => s.fixed)).toBe(false)
  })
  it('leaves out what is done, and of a piece in hand the steps done', () => {
    expect(told(run({ done: done(['pour']) }))).toBe('h5 w20 h4 w4 h1 w4 h1 w4 h5')
    expect(told(run({ done: done(['pour', 'stir', 'soak', 'drain']) }))).toBe('w4 h1 w4 h1 w4 h5')
  })
  it('holds the piece in hand with who acted last, where they are there and it is not parked', () => {
    expect(left(run()).segments[0]?.fixed).toEqual({ person: 'ana', start: 0 })
    expect(left(run({ status: 'parked' })).segments[0]?.fixed).toBeUndefined()
    expect(left(run(), ['ben']).segments[0]?.fixed).toBeUndefined()
  })
  it('keeps the end of a wait under way; one that is over is out', () => {
    const waiting = (since: number) =>
      run({
        done: done(['pour', 'stir']),
        waits: {
          soak: { startedAt: now - since * minuteMs, minutes: 20, tick: tick(now - since * minuteMs) },
        },
      })
    expect(left(waiting(8)).segments[0]).toMatchObject({
      kind: 'wait',
      minutes: 12,
      fixed: { person: null, start: 0 },
    })
    expect(told(waiting(20))).toBe('h4 w4 h1 w4 h1 w4 h5')
  })
  it('counts the visits of a tended wait that were made', () => {
    const tended = run({
      done: done(['pour', 'stir', 'soak', 'drain']),
      waits: { scale: { startedAt: now - 6 * minuteMs, minutes: 15, tick: tick(now - 6 * minuteMs) } },
      visits: { scale: [now - minuteMs] },
    })
    const { segments } = left(tended)
    expect(segments[0]).toMatchObject({ kind: 'wait', minutes: 3 })
    expect(segments.filter((s) => s.title === 'Top up')).toHaveLength(2)
  })
  it('links only what is left', () => {
    const { segments, links } = left(run({ done: done(['pour', 'stir']) }))
    const ids = segments.map((s) => s.id)
    for (const l of links) expect([ids.includes(l.from), ids.includes(l.to)]).toEqual([true, true])
  })
})
