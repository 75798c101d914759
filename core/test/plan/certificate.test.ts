import { describe, expect, it } from 'vitest'
import { boundOf, isProved, planSearch, proofOf, type Certificate } from '../../plan/index.ts'
import { evening } from './evenings.ts'
import { person, run, shift } from './little.ts'

const none = { counters: [] }
const three = shift([run('a', 'h30'), run('b', 'h30'), run('c', 'h30')], none)
const found = boundOf(three).proofs.last

describe('a certificate', () => {
  it('tells its tasks, people, window and the sum that gives the minute', () => {
    expect(found).toMatchObject({
      kind: 'hands',
      people: ['ana', 'ben'],
      from: 0,
      to: 44,
      minutes: 90,
      minute: 45,
      without: [],
    })
    expect(isProved(three, found)).toBe(true)
  })
  it.each<[string, Partial<Certificate>]>([
    ['another kind', { kind: 'paid' }],
    ['a task less', { tasks: found.tasks.slice(1) }],
    ['a task twice', { tasks: [...found.tasks, ...found.tasks.slice(0, 1)] }],
    ['a task that is none', { tasks: [['run', 'a', 'x']] }],
    ['other people', { people: ['ana'] }],
    ['an earlier window', { from: -1 }],
    ['a longer window', { to: 45 }],
    ['another sum', { minutes: 91 }],
    ['minutes past hours', { overtime: 1 }],
    ['a run left out', { without: ['a'] }],
    ['a later minute', { minute: 46 }],
    ['a later minute of its window too', { minute: 47, to: 46 }],
  ])('with %s is refused', (name, change) => {
    // Overtime that nobody can have changes nothing: it is refused where it lets more be done.
    if (name === 'minutes past hours') {
      const people = [person('ana', { to: 20, most: 90 }), person('ben', { to: 20, most: 90 })]
      const short = { ...three, people }
      const proof = boundOf(short, null, 0).proofs.last
      expect(isProved(short, proof)).toBe(true)
      expect(isProved(short, { ...proof, overtime: 60 })).toBe(false)
      return
    }
    expect(isProved(three, { ...found, ...change })).toBe(false)
  })
  it('of one problem proves nothing of another', () => {
    const [a, ...others] = three.runs
    if (!a) throw new Error('a run')
    const shorter = { ...a, segments: a.segments.map((s) => ({ ...s, minutes: 20 })) }
    expect(isProved({ ...three, runs: [shorter, ...others] }, found)).toBe(false)
  })
  it('proves nothing by work that has begun, nor by a break that is left out', () => {
    const rest = { id: 'rest', minutes: 30, earliest: 0, latest: 60 }
    const problem = shift([run('a', 'h30')], { ...none, people: [person('ana', { breaks: [rest] })] })
    const claim = { kind: 'hands', tasks: [['break', 'ana', 'rest']], overtime: 0, to: 29 } as const
    expect(proofOf(problem, { ...claim, without: [] })?.minute).toBe(30)
    expect(proofOf(problem, { ...claim, without: [JSON.stringify(['ana', 'rest'])] })).toBeNull()
    const fixed = problem.runs.map((r) => ({
      ...r,
      segments: r.segments.map((s) => ({ ...s, fixed: { person: 'ana', start: 0 } })),
    }))
    const task = [['run', 'a', 's0']] as const
    expect(
      proofOf({ ...problem, runs: fixed }, { kind: 'hands', tasks: task, overtime: 0, to: 10, without: [] }),
    ).toBeNull()
  })
})

/** Where the bound was once past the optimum, each by hand. */
describe('the bound is not past', () => {
  const last = (problem: Parameters<typeof boundOf>[0]) => {
    const search = planSearch(problem)
    search.improve(200)
    const plan = search.plan()
    const bound = boundOf(problem, plan, plan.objective.late)
    expect(bound.last).toBeLessThanOrEqual(plan.objective.last)
    return [bound.last, plan.objective.last]
  }
  it('a break that cannot stand', () => {
    const rest = { id: 'rest', minutes: 200, earliest: 0, latest: 60 }
    expect(last(shift([run('a', 'h10')], { ...none, people: [person('ana', { breaks: [rest] })] }))).toEqual([
      10, 10,
    ])
  })
  it('a wait in a side lane at the end', () => {
    const a = run('a', 'h10 h5 w60')
    const links = [
      { from: 's0', to: 's1', least: 0, most: null },
      { from: 's0', to: 's2', least: 0, most: null },
    ]
    expect(last(shift([{ ...a, links }], none))).toEqual([15, 15])
  })
  it('work begun by somebody not signed off, or needed at a counter', () => {
    const a = run('a', 'h40 h5', { signedOff: ['ben'] })
    const segments = a.segments.map((s, i) => (i === 0 ? { ...s, fixed: { person: 'ana', start: 0 } } : s))
    const problem = shift([{ ...a, segments }], {
      counters: [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: 30, people: 2 }] }],
    })
    expect(last(problem)).toEqual([45, 45])
  })
  it('a counter that nobody serves', () => {
    const people = [person('ana', { serves: [] }), person('ben', { serves: [] })]
    expect(last(shift([run('a', 'h10')], { people }))).toEqual([10, 10])
  })
  it('a need after everybody’s hours', () => {
    const counters = [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: 150, people: 1 }] }]
    expect(last(shift([], { counters }))).toEqual([120, 120])
  })
  it('a run that begins with a wait, or is only a wait', () => {
    const people = [person('ana', { from: 50 })]
    expect(last(shift([run('a', 'w30 h5'), run('b', 'w40')], { ...none, people }))).toEqual([55, 55])
  })
  it('what is made of an evening with all that can be', () => {
    for (let seed = 300; seed < 320; seed++) {
      const problem = evening(seed)
      const { proofs } = boundOf(problem)
      for (const proof of Object.values(proofs)) {
        expect(isProved(problem, proof)).toBe(true)
        expect(isProved(problem, { ...proof, minute: proof.minute + 1 })).toBe(false)
        expect(isProved(problem, { ...proof, minutes: proof.minutes + 1 })).toBe(false)
      }
    }
  })
})
