import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  handsOn,
  latestProcedure,
  optionSets,
  segmentsOf,
  type Procedure,
  type Step,
} from '../procedure/index.ts'
import { barrels, of, step } from './made-up.ts'

describe('a small evening planned on the graphs of its runs', () => {
  /** One person, always at the first work that is ready: waits cost nobody anything. */
  function evening(graphs: ReturnType<typeof segmentsOf>[]): number {
    const left = graphs.map((g) => [...g.segments])
    const ends = new Map<string, number>()
    let now = 0
    while (left.some((l) => l.length > 0)) {
      const ready = left.flatMap((l, i) => {
        const s = l[0]
        if (!s) return []
        const before = graphs[i]?.links.filter((k) => k.to === s.id) ?? []
        return [{ s, i, at: Math.max(0, ...before.map((k) => (ends.get(`${i} ${k.from}`) ?? 0) + k.least)) }]
      })
      const next = ready.toSorted((a, b) => a.at - b.at)[0]
      if (!next) break
      const start = next.s.free ? next.at : Math.max(now, next.at)
      ends.set(`${next.i} ${next.s.id}`, start + next.s.minutes)
      if (!next.s.free) now = start + next.s.minutes
      left[next.i]?.shift()
    }
    return Math.max(...ends.values())
  }
  it('is shorter than one run after the other, and never shorter than its hands-on work', () => {
    const numbers = {
      rinse: 7600,
      pailHolds: 9000,
      agitate: 5,
      sanitize: 5,
      circulate: 20,
      ice: 20,
      soakMinutes: 15,
      bowls: 2,
    }
    const graph = (id: string) =>
      segmentsOf(latestProcedure(id) as Procedure, {
        parameters: { ...numbers, reservoir: 1, reservoirHolds: 1, gallon: 1 },
        options: {},
      })
    const graphs = [graph('slush.in-place'), graph('soft-serve-pump.close'), graph('ice-nugget.half-year')]
    const together = evening(graphs)
    expect(together).toBeLessThan(graphs.reduce((n, g) => n + evening([g]), 0))
    const hands = graphs.flatMap((g) => g.segments).filter((s) => !s.free)
    expect(together).toBeGreaterThanOrEqual(hands.reduce((n, s) => n + s.minutes, 0))
  })
})

const demoNumbers = (p: Procedure) =>
  Object.fromEntries(Object.keys(p.parameters).map((k) => [k, k === 'barrels' ? 3 : 20]))

describe('the graph that planning uses', () => {
  it('joins neighbouring work, sets waits apart, and cuts what is long', () => {
    const p = of([
      step('a', { minutes: 3 }),
      step('b', { minutes: 4 }),
      step('w', { kind: 'wait', length: 5, attended: false } as Partial<Step>),
      step('c', { minutes: 40 }),
    ])
    const { segments, links } = segmentsOf(p, { parameters: {}, options: {} })
    expect(segments.map((s) => [s.kind, s.minutes])).toEqual([
      ['hands-on', 7],
      ['wait', 5],
      ['hands-on', 15],
      ['hands-on', 15],
      ['hands-on', 10],
    ])
    expect(links).toHaveLength(4)
  })
  it('a tended wait is a chain of short visits, none later than its time', () => {
    const p = of([
      step('t', { kind: 'tend', length: 20, every: 5, duty: 'Look', late: 'Dry' } as Partial<Step>),
    ])
    const { segments, links } = segmentsOf(p, { parameters: {}, options: {} })
    expect(segments.filter((s) => s.kind === 'hands-on')).toHaveLength(4)
    // Four of them, from the fourth minute to the fifth: with the visit's own minute they come round every five.
    const waits = segments.filter((s) => s.kind === 'wait')
    expect(waits.map((w) => [w.minutes, w.most])).toEqual([4, 4, 4, 4].map((n) => [n, 5]))
    expect(links.filter((l) => l.most === 1)).toHaveLength(4)
  })
  it('lanes hang side by side between what is before and after them', () => {
    const { segments, links } = segmentsOf(of([step('a'), ...barrels.nodes]), { parameters: {}, options: {} })
    const first = segments[0]?.id
    expect(links.filter((l) => l.from === first).map((l) => l.to)).toEqual([
      'barrels.1.pour',
      'barrels.2.pour',
    ])
    expect(links.filter((l) => l.to === 'end').map((l) => l.from)).toEqual([
      'barrels.1.pour',
      'barrels.2.pour',
    ])
  })
  it.each(allProcedures().map((p) => [p.id, p] as const))(
    'of %s has no gap, no ring, no long piece',
    (_, p) => {
      for (const options of optionSets(p)) {
        const { segments, links } = segmentsOf(p, { parameters: demoNumbers(p), options })
        const ids = segments.map((s) => s.id)
        expect(new Set(ids).size).toBe(ids.length)
        for (const s of segments) if (s.kind === 'hands-on') expect(s.minutes).toBeLessThanOrEqual(15)
        for (const l of links) expect(ids.indexOf(l.from)).toBeLessThan(ids.indexOf(l.to))
        const reached = new Set(links.map((l) => l.to))
        expect(ids.filter((id) => !reached.has(id))).toHaveLength(1)
      }
    },
  )
  it('takes the minutes that a site has learned', () => {
    const { segments } = segmentsOf(of([step('a')]), { parameters: {}, options: {}, learned: { a: 9 } })
    expect(segments[0]?.minutes).toBe(9)
    expect(handsOn(step('a'), {})).toBe(2)
  })
  it('takes each person’s own minutes, and cuts so that the slowest is not kept too long', () => {
    const model = { parameters: {}, options: {}, learned: { a: 9, b: 4 } }
    const two = of([step('a'), step('b')])
    const [joined] = segmentsOf(two, { ...model, learnedBy: { ben: { a: 6 } } }).segments
    expect(joined).toMatchObject({ minutes: 13, minutesBy: { ben: 10 } })
    const apart = segmentsOf(two, { ...model, learnedBy: { ben: { a: 14 } } }).segments
    expect(apart.map((s) => [s.minutes, s.minutesBy])).toEqual([
      [9, { ben: 14 }],
      [4, {}],
    ])
    const cut = segmentsOf(of([step('a')]), { ...model, learnedBy: { ben: { a: 24 } } }).segments
    // Fifteen of Ben's twenty-four, and the same share of everybody's nine.
    expect(cut.map((s) => [s.minutes, s.minutesBy])).toEqual([
      [6, { ben: 15 }],
      [3, { ben: 9 }],
    ])
  })
})
