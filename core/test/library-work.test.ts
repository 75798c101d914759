import { describe, expect, it } from 'vitest'
import { allProcedures, segmentsOf, stepsOf, type Procedure, type Step } from '../procedure/index.ts'

const isWork = (s: Step) => s.kind !== 'wait' && s.kind !== 'tend'

describe.each(allProcedures().map((p) => [p.id, p] as const))('%s for the plan', (_, p: Procedure) => {
  const steps = stepsOf(p.nodes)
  it('says the minutes of every step that takes hands; those of counting parts come from their number', () => {
    expect(
      steps.filter((s) => isWork(s) && s.kind !== 'parts' && s.minutes === undefined).map((s) => s.id),
    ).toEqual([])
  })
  it('says what every step that lubricates, or puts parts in or out of food machines, touches', () => {
    const told = steps.filter((s) => s.kind === 'lubricate' || s.kind === 'product')
    expect(told.filter((s) => s.touches === undefined).map((s) => s.id)).toEqual([])
  })
  it('has no place to hand over while something works on by a clock', () => {
    const { segments, links } = segmentsOf(p, {
      parameters: Object.fromEntries(Object.keys(p.parameters).map((name) => [name, 2])),
      options: {},
    })
    const bound = segments.filter(
      (s) => s.handover && links.some((l) => l.from === s.id && l.most !== null && l.most < 1),
    )
    expect(bound.map((s) => s.id)).toEqual([])
  })
})

it('somebody else may go on somewhere in every closing and opening of a machine with parts', () => {
  const none = allProcedures().filter(
    (p) =>
      /\.(close|open|in-place|half-year)$/.test(p.id) &&
      stepsOf(p.nodes).some((s) => s.kind === 'parts') &&
      !stepsOf(p.nodes).some((s) => s.handover),
  )
  expect(none.map((p) => p.id)).toEqual([])
})

it('a sink whose water is changed is planned with all three compartments: a branch that is usual counts', () => {
  const change = allProcedures().find((p) => p.id === 'sink.change') as Procedure
  const { segments } = segmentsOf(change, { parameters: { compartment: 38_000 }, options: {} })
  const minutes = segments.reduce((sum, s) => sum + (s.kind === 'hands-on' ? s.minutes : 0), 0)
  expect(minutes).toBeGreaterThan(15)
  const machine = allProcedures().find((p) => p.id === 'dish-machine.open') as Procedure
  const rare = segmentsOf(machine, { parameters: { heat: 20 }, options: {} }).segments.flatMap((s) => s.steps)
  expect(rare.filter((k) => k.startsWith('freed') || k.startsWith('cause'))).toEqual([])
})

it('work joins over dirty and food, keeps what it begins and ends with, and ends where somebody else may go on', () => {
  const work = (id: string, more: object): Step => ({ id, kind: 'do', title: id, minutes: 2, ...more })
  const p = {
    ...(allProcedures()[0] as Procedure),
    nodes: [
      work('a', { touches: 'dirty' }),
      work('b', {}),
      work('c', { touches: 'food', handover: true }),
      work('d', {}),
      work('e', { hands: 2 }),
    ],
  }
  expect(segmentsOf(p, { parameters: {}, options: {} }).segments).toMatchObject([
    { id: 'a', minutes: 6, first: 'dirty', last: 'food', handover: true, hands: 1 },
    { id: 'd', minutes: 2, first: null, last: null, handover: false, hands: 1 },
    { id: 'e', minutes: 2, hands: 2 },
  ])
})
