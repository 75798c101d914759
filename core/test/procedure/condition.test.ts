import { describe, expect, it } from 'vitest'
import {
  conditionOf,
  conflictsAt,
  forbiddenActs,
  type Moment,
  type Standing,
} from '../../procedure/condition.ts'
import { outline, type Facets, type Procedure, type RunState, type Step } from '../../procedure/index.ts'
import { barrels, of, step } from '../made-up.ts'

const facets = {
  contents: 'empty',
  assembly: 'apart',
  power: 'isolated',
  isolatedBy: 'plug',
  hygiene: 'clean',
  partsOut: 2,
  residue: 'none',
  contact: 'none',
  heat: 'cooled',
} as unknown as Facets
const hour = 3_600_000
const station = (more: Partial<Standing> = {}): Standing => ({
  facets,
  sanitizedAt: 0,
  outOfService: null,
  countedAt: null,
  lanes: {},
  ...more,
})
const when: Moment = { at: hour, freshHours: 4 }
/** A run in which these steps are done, by key. */
const run = (...done: (string | readonly [string, object])[]): RunState =>
  ({
    id: 'r',
    options: {},
    parameters: {},
    waits: {},
    done: Object.fromEntries(
      done.map((d) =>
        typeof d === 'string' ? [d, { at: 1, facts: {} }] : [d[0], { at: 1, facts: {}, ...d[1] }],
      ),
    ),
  }) as unknown as RunState

const tray = (direction: 'in' | 'out', leave: string[] = []): Step =>
  ({
    ...step(`parts-${direction}`),
    kind: 'parts',
    direction,
    parts: [
      { id: 'a', name: 'A', count: 2 },
      { id: 'b', name: 'B', count: 3 },
    ],
    ...(leave.length > 0 ? { leave } : {}),
  }) as Step
const gate = (id: string, wear?: string[]): Step =>
  ({ ...step(id), kind: 'gate', ...(wear ? { wear } : {}) }) as Step
const worked = of([
  gate('gloves', ['gloves', 'goggles']),
  gate('bare'),
  step('do'),
  tray('out', ['a']),
  tray('in'),
])
const condition = (procedure: Procedure | null, of: RunState | null, at: Standing = station()) =>
  conditionOf(procedure, of, at, null, when)

describe('the condition before a step', () => {
  it('of a station alone is its own', () => {
    expect(condition(null, null)).toEqual({
      closed: false,
      facets,
      worn: [],
      mixed: [],
      leftOut: false,
      counting: false,
      stale: false,
      outOfService: false,
      mixChanged: false,
    })
    expect(condition(worked, null).worn).toEqual([])
    expect(condition(null, run('gloves')).worn).toEqual([])
  })
  it('holds what the gates that were passed put on, and of those to come nothing', () => {
    expect(condition(worked, run()).worn).toEqual([])
    expect(condition(worked, run('gloves', 'bare')).worn).toEqual(['gloves', 'goggles'])
    expect(condition(worked, run('bare', 'do')).worn).toEqual([])
  })
  it('knows that parts are counted in from the first that was', () => {
    expect(condition(worked, run('parts-out')).counting).toBe(false)
    expect(condition(worked, run('parts-in')).counting).toBe(true)
    expect(condition(worked, run('do', 'parts-out', 'parts-in')).counting).toBe(true)
    expect(condition(worked, run('do')).counting).toBe(false)
  })
  it('has parts out on purpose while no more are out than were left', () => {
    const out = (partsOut: number | null) => station({ facets: { ...facets, partsOut } as Facets })
    const left = run('parts-out')
    expect(condition(worked, left, out(2)).leftOut).toBe(true)
    expect(condition(worked, left, out(1)).leftOut).toBe(true)
    expect(condition(worked, left, out(3)).leftOut).toBe(false)
    expect(condition(worked, left, out(null)).leftOut).toBe(false)
    expect(condition(worked, run('do'), out(0)).leftOut).toBe(false)
    const none = of([tray('out')])
    expect(condition(none, run('parts-out'), out(0)).leftOut).toBe(false)
    const both = of([tray('out', ['a', 'b'])])
    expect(condition(both, run('parts-out'), out(5)).leftOut).toBe(true)
    expect(condition(both, run('parts-out'), out(6)).leftOut).toBe(false)
  })
  it('holds the labels that were mixed', () => {
    const label = { use: 'descale', alsoWashes: true, name: 'Kelp' }
    expect(condition(worked, run(['do', { label }], 'bare')).mixed).toEqual([
      { use: 'descale', alsoWashes: true },
    ])
    expect(condition(worked, null).mixed).toEqual([])
  })
  it('is stale once the hours are over, and where nobody knows when', () => {
    const since = (sanitizedAt: number | null, at: number) =>
      conditionOf(null, null, station({ sanitizedAt }), null, { at, freshHours: 4 }).stale
    expect(since(0, 4 * hour)).toBe(false)
    expect(since(0, 4 * hour + 1)).toBe(true)
    expect(since(null, hour)).toBe(true)
    expect(since(hour, 5 * hour)).toBe(false)
  })
  it('is out of service where the station is', () => {
    expect(condition(null, null, station({ outOfService: { by: 'ines' } })).outOfService).toBe(true)
  })
  it('in a lane is the lane’s own, of its own run', () => {
    const [first] = outline(barrels, run())
    const lanes = {
      r: { barrels: { entry: facets, lanes: { 'barrels.1': { contents: 'rinse' as const } } } },
    }
    const own = conditionOf(barrels, run(), station({ lanes }), first?.lane ?? null, when)
    expect(own.facets.contents).toBe('rinse')
    const another = { ...run(), id: 'another' }
    expect(conditionOf(barrels, another, station({ lanes }), first?.lane ?? null, when).facets.contents).toBe(
      'empty',
    )
  })
})

describe('what a step would break', () => {
  const plugged = { isolation: 'plug' } as const
  const live = station({ facets: { ...facets, assembly: 'whole', power: 'on', partsOut: 0 } as Facets })
  const reach = step('reach', { act: 'reach-in' })
  it('is told of a step', () => {
    const hands = of([reach, step('look')], plugged)
    const [first, second] = outline(hands, run())
    if (!first || !second) throw new Error('two steps')
    expect(conflictsAt(hands, run(), live, first, when)).toContain('hands-before-isolation')
    expect(conflictsAt(hands, run(), live, second, when)).toEqual([])
  })
  it('is nothing of a round’s sign, whatever the state', () => {
    const rounds = of([{ id: 'rinse', kind: 'until', sign: 'clear', steps: [reach] } as never], plugged)
    const sign = outline(rounds, run('rinse.1.reach')).find((p) => p.kind === 'sign')
    if (!sign) throw new Error('a sign')
    expect(conflictsAt(rounds, run(), live, sign, when)).toEqual([])
  })
  it('names the acts that are forbidden now, each with its first reason', () => {
    const plug = of([], plugged)
    const forbidden = forbiddenActs(plug, null, live, null, when)
    expect(forbidden.find((f) => f.act === 'reach-in')?.why).toBe('hands-before-isolation')
    expect(
      forbiddenActs(
        plug,
        null,
        station({ facets: { ...facets, assembly: 'whole', partsOut: 0 } as Facets }),
        null,
        when,
      ).some((f) => f.act === 'reach-in'),
    ).toBe(false)
  })
})
