import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  crosswise,
  currentPosition,
  finishStep,
  handsOn,
  lastDone,
  latestProcedure,
  listing,
  openPositions,
  optionSets,
  outline,
  runFold,
  segmentsOf,
  startRun,
  stationFold,
  stepsOf,
  tendingOf,
  unknownFacets,
  usesOf,
  type Facets,
  type Node,
  type Procedure,
  type RunState,
  type Step,
} from '../procedure/index.ts'

const step = (id: string, more: Partial<Step> = {}): Step => ({ id, kind: 'do', title: id, ...more }) as Step
const pour = step('pour', { effects: { contents: 'rinse' } })
const drain = step('drain', { effects: { contents: 'empty' } })
const of = (nodes: Node[], more: Partial<Procedure> = {}): Procedure => ({
  id: 'p',
  version: 1,
  name: 'p',
  family: 'f',
  parameters: {},
  materials: [],
  cautions: [],
  nodes,
  ...more,
})
const barrels = of([
  { id: 'barrels', kind: 'each', unit: 'barrel', count: 2, steps: [pour, drain] },
  step('end'),
])

/** Does the step at a key, and returns the run and the machine after it. */
function work(procedure: Procedure, keys: readonly string[]) {
  let run: RunState = runFold.initial('r')
  let facets: Facets = { ...unknownFacets, contents: 'product' }
  for (const [i, key] of keys.entries()) {
    const position = outline(procedure, run).find((p) => p.key === key)
    if (!position) throw new Error(`no step ${key}`)
    const { effects, before, facts } = finishStep(procedure, run, position, facets)
    facets = { ...facets, ...effects }
    run = { ...run, done: { ...run.done, [key]: { at: i, by: 'b', facts, before } } }
  }
  return { run, facets }
}

describe('lanes side by side', () => {
  it('may each be worked, and what follows waits for them all', () => {
    expect(openPositions(barrels, runFold.initial('r')).map((p) => p.key)).toEqual([
      'barrels.1.pour',
      'barrels.2.pour',
    ])
    const { run } = work(barrels, ['barrels.1.pour', 'barrels.1.drain'])
    expect(openPositions(barrels, run).map((p) => p.key)).toEqual(['barrels.2.pour'])
    const all = work(barrels, ['barrels.1.pour', 'barrels.1.drain', 'barrels.2.pour', 'barrels.2.drain'])
    expect(openPositions(barrels, all.run).map((p) => p.key)).toEqual(['end'])
  })
  it('make the machine as wet as its wettest barrel, until each is empty', () => {
    const contents = (keys: string[]) => work(barrels, keys).facets.contents
    expect(contents(['barrels.1.pour'])).toBe('rinse')
    // The other barrel still holds product: water in this one is worse.
    expect(contents(['barrels.1.pour', 'barrels.1.drain'])).toBe('product')
    expect(contents(['barrels.1.pour', 'barrels.2.pour', 'barrels.1.drain'])).toBe('rinse')
    expect(contents(['barrels.1.pour', 'barrels.2.pour', 'barrels.1.drain', 'barrels.2.drain'])).toBe('empty')
  })
  it('in whatever order they are worked, leave the machine the same', () => {
    const lanes = [
      ['barrels.1.pour', 'barrels.1.drain'],
      ['barrels.2.pour', 'barrels.2.drain'],
    ]
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }), (picks) => {
        const left = lanes.map((l) => [...l])
        const keys: string[] = []
        for (const first of picks)
          keys.push((left[first ? 0 : 1]?.shift() ?? left[first ? 1 : 0]?.shift()) as string)
        return work(barrels, keys).facets.contents === 'empty'
      }),
    )
  })
  it('the next one free comes first; a step taken back is this lane’s last', () => {
    const { run } = work(barrels, ['barrels.1.pour', 'barrels.2.pour'])
    const waiting = { ...run, waits: { 'barrels.1.drain': { startedAt: 0, minutes: 5, before: {} } } }
    expect(currentPosition(barrels, waiting)?.key).toBe('barrels.2.drain')
    expect(lastDone(outline(barrels, run), run, 'barrels.1')?.key).toBe('barrels.1.pour')
    expect(lastDone(outline(barrels, run), run)?.key).toBe('barrels.2.pour')
  })
})

describe('a branch', () => {
  const look = step('look', {
    kind: 'inspect',
    choices: [
      { id: 'a', name: 'a', outcome: 'fine' },
      { id: 'b', name: 'b', outcome: 'regrease' },
    ],
  } as Partial<Step>)
  const branched = of([
    look,
    { id: 'b', kind: 'branch', on: 'look', is: ['regrease'], steps: [step('grease')] },
    step('end'),
  ])
  it.each([
    ['fine', ['look', 'end']],
    ['regrease', ['look', 'grease', 'end']],
  ] as const)('after %s', (outcome, keys) => {
    const done = { look: { at: 0, by: 'b', facts: { outcome }, before: {} } }
    expect(outline(branched, { done }).map((p) => p.key)).toEqual(keys)
  })
})

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

describe('what an inspection asks for', () => {
  const subject = { kind: 'station', id: 'st' } as const
  const record = (type: string, payload: object, at = 0) =>
    ({ type, subject, payload, by: 'bao', observedAt: at, clockOffset: 0 }) as never
  const done = record('run.step.done@1', {
    run: 'r',
    station: 'st',
    step: 'seal',
    kind: 'inspect',
    facts: { choice: 'replace', outcome: 'replace' },
    effects: {},
    before: {},
  })
  it('stands at the station until it is dealt with, or the step is taken back', () => {
    const asked = stationFold.apply(stationFold.initial('st'), done)
    expect(asked.followUps).toMatchObject([{ step: 'seal', outcome: 'replace', by: 'bao' }])
    const closed = record('follow-up.closed@1', { run: 'r', station: 'st', step: 'seal', note: 'new seal' })
    expect(stationFold.apply(asked, closed).followUps).toEqual([])
    const back = record('run.step.undone@1', { run: 'r', station: 'st', step: 'seal', restores: {} })
    expect(stationFold.apply(asked, back).followUps).toEqual([])
  })
  it('is nothing where it was fine', () => {
    const fine = record('run.step.done@1', {
      run: 'r',
      station: 'st',
      step: 's',
      kind: 'inspect',
      facts: { outcome: 'watch' },
      effects: {},
      before: {},
    })
    expect(stationFold.apply(stationFold.initial('st'), fine).followUps).toEqual([])
  })
})

describe('a tended wait', () => {
  const tend = step('t', {
    kind: 'tend',
    length: 20,
    every: 4,
    duty: 'Top up',
    late: 'It cuts out.',
  } as Partial<Step>) as Step & { kind: 'tend' }
  const at = (minutes: number, visits: number[] = []) =>
    tendingOf(
      tend,
      't',
      {
        waits: { t: { startedAt: 0, minutes: 20, before: {} } },
        visits: { t: visits.map((m) => m * 60_000) },
        parameters: {},
      },
      minutes * 60_000,
    )
  it('asks for each visit in its time, and tells when one is late', () => {
    expect(at(3)).toMatchObject({ nextAt: 4 * 60_000, late: false })
    expect(at(4.5).late).toBe(false)
    expect(at(5.5)).toMatchObject({ late: true, visits: 0 })
    expect(at(5.5, [5])).toMatchObject({ nextAt: 9 * 60_000, late: false, visits: 1 })
  })
  it('asks for none past its end, and none before it begins', () => {
    expect(at(18, [17]).nextAt).toBeNull()
    expect(tendingOf(tend, 't', { waits: {}, visits: {}, parameters: {} }, 0)).toMatchObject({
      nextAt: null,
      late: false,
    })
  })
})

describe('fastening crosswise', () => {
  it('names every place once, each next to the last only where it must be', () => {
    expect(crosswise(4)).toEqual([0, 2, 1, 3])
    expect(crosswise(6)).toEqual([0, 3, 1, 4, 2, 5])
    fc.assert(fc.property(fc.integer({ min: 1, max: 24 }), (n) => new Set(crosswise(n)).size === n))
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
})

describe('a procedure as it hangs on the wall', () => {
  it('is numbered through, its groups set off, with only what its options leave in', () => {
    const p = latestProcedure('ice-nugget.half-year') as Procedure
    const inPlace = listing(p, { school: 'in-place', bearing: 'sealed' })
    const soak = listing(p, { school: 'soak', bearing: 'greased' })
    const ids = (lines: typeof soak) => lines.flatMap((l) => (l.kind === 'step' ? [l.step.id] : []))
    expect(ids(inPlace)).not.toContain('soak-fill')
    expect(ids(soak)).toContain('soak-fill')
    expect(ids(inPlace)).not.toContain('grease')
    const numbers = soak.flatMap((l) => (l.kind === 'step' ? [l.number] : []))
    expect(numbers).toEqual(numbers.map((_, i) => i + 1))
    expect(usesOf(p, {})).toEqual(['descale', 'ice-sanitizer'])
  })
})

// Common practice, no source.
describe('the trade’s numbers stand in the library', () => {
  const find = (id: string, key: string) =>
    stepsOf(latestProcedure(id)?.nodes ?? []).find((s) => s.id === key)
  it.each([
    [
      'gravity soft-serve brings its parts home by count',
      'soft-serve-gravity.open',
      'parts-in',
      { kind: 'parts', direction: 'in' },
    ],
    [
      'custard blades: 12 a barrel, one long',
      'custard.open',
      'parts-in',
      {
        parts: expect.arrayContaining([
          { id: 'blade-long', name: expect.any(String), count: 3 },
          { id: 'blade', name: expect.any(String), count: 33 },
        ]),
      },
    ],
    [
      'custard seals are packed',
      'custard.open',
      'lubricate',
      { yes: expect.arrayContaining([{ part: 'Rear seal', amount: 'packed' }]) },
    ],
    ['custard door nuts go crosswise', 'custard.open', 'nuts', { how: 'crosswise' }],
    [
      'twin head ring generously, shaft seals a pea',
      'soft-serve-twin.open',
      'lubricate',
      {
        yes: expect.arrayContaining([
          { part: 'Large head O-rings', amount: 'generous' },
          { part: 'Inside of the shaft seals', amount: 'pea' },
        ]),
      },
    ],
    [
      'the hex end of the shaft stays dry',
      'soft-serve-gravity.open',
      'lubricate',
      { never: expect.arrayContaining(['Hex end of the shaft']) },
    ],
    [
      'the nugget breaker cover turns the other way',
      'ice-nugget.half-year',
      'cover',
      { how: 'reverse-thread' },
    ],
    ['nugget ice-making is tended', 'ice-nugget.half-year', 'descaler-ice', { kind: 'tend', every: 4 }],
    ['grinder screws go crosswise', 'grinder.weekly', 'screws', { how: 'crosswise', count: 4 }],
    ['the espresso soak is hot', 'espresso.close', 'soak-mix', { water: { lo: 70, hi: 90, unit: '°C' } }],
    [
      'the sink’s wash water is 43 °C or more',
      'sink.set-up',
      'wash-mix',
      { water: { lo: 43, hi: 55, unit: '°C' } },
    ],
    [
      'the plug is pulled, not the front switch',
      'soft-serve-gravity.close',
      'isolate',
      { by: 'plug', hazardous: true },
    ],
  ] as const)('%s', (_, id, key, shape) => expect(find(id, key)).toMatchObject(shape))
  it('a run keeps its options and numbers', () => {
    const p = latestProcedure('slush.in-place') as Procedure
    const plate = {
      name: 's',
      tag: '',
      place: '',
      family: 'slush',
      model: '',
      duties: [],
      parameters: { rinse: 7600, pailHolds: 1, agitate: 5, sanitize: 5, other: 3 },
      options: { gasket: 'dry' },
    }
    const started = startRun('r', { ...stationFold.initial('st'), plate }, p)
    expect(started.options).toEqual({ gasket: 'dry' })
    expect(started.parameters).not.toHaveProperty('other')
  })
})
