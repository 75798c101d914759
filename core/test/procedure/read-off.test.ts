import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  isJudged,
  judgeStep,
  neededNames,
  readVerdict,
  runFold,
  type Facts,
  type Procedure,
  type RunState,
  type Step,
} from '../../procedure/index.ts'

const zero: Step & { kind: 'read' } = {
  id: 'zero',
  kind: 'read',
  title: 'Read the zero',
  what: 'Burr zero',
  unit: 'µm',
  from: { of: 'burrZeroLow' },
  to: { of: 'burrZeroHigh' },
}
const plate = { burrZeroLow: 190, burrZeroHigh: 210 }
const procedure: Procedure = {
  id: 'own.zero',
  version: 1,
  name: 'Zero',
  family: 'grinder',
  parameters: { burrZeroLow: 'µm', burrZeroHigh: 'µm' },
  materials: [],
  cautions: [],
  isolation: 'none',
  nodes: [zero],
}
const run = (parameters: Record<string, number>): RunState => ({
  ...runFold.initial('run'),
  status: 'running',
  parameters,
})
const tick = { at: 0, observedAt: 0, clockOffset: 0, receivedAt: 0, boot: null }
const judged = (facts: Facts, parameters: Record<string, number> = plate) =>
  judgeStep(procedure, run(parameters), { step: 'zero', facts }, tick)

describe('a number that is read off', () => {
  it('is judged by the plate, both ends among what passes', () => {
    expect([189.9, 190, 200, 210, 210.1].map((n) => readVerdict(zero, n, plate))).toEqual([
      'out',
      'in',
      'in',
      'in',
      'out',
    ])
  })
  it('never passes where the plate does not say', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, min: -1e6, max: 1e6 }), (n) => {
        expect(readVerdict(zero, n, {})).toBe('cannot-tell')
        expect(readVerdict(zero, n, { burrZeroLow: 190 })).not.toBe('in')
        expect(readVerdict(zero, n, { burrZeroHigh: 210 })).not.toBe('in')
      }),
    )
  })
  it('has no verdict where nothing is held against it: it is only kept', () => {
    const { from: _f, to: _t, ...kept } = zero
    expect(isJudged(kept)).toBe(false)
    expect(readVerdict(kept, 5, plate)).toBeNull()
  })
  it('is not done without a number, whatever else is sent', () => {
    expect(judged({}).counts).toBe(false)
    expect(judged({ read: '200' }).counts).toBe(false)
    expect(judged({ read: null, outcome: 'in' }).counts).toBe(false)
  })
  it('what it comes to is worked out here, not believed', () => {
    expect(judged({ read: 300, outcome: 'in' })).toMatchObject({ counts: true, facts: { outcome: 'out' } })
    expect(judged({ read: 200 }).facts).toEqual({ read: 200, outcome: 'in' })
    expect(judged({ read: 200, outcome: 'in' }, {}).facts['outcome']).toBe('cannot-tell')
  })
  it('its limits keep no run from beginning', () => expect(neededNames(procedure)).toEqual([]))
})
