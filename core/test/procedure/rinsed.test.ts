import { describe, expect, it } from 'vitest'
import { latestProcedure, outline, rinsedWater, type Procedure } from '../../procedure/index.ts'
import { stationFor, Worked } from '../records.ts'

const of = (id: string): Procedure => latestProcedure(id) as Procedure
const worked = (id: string): Worked => {
  const run = new Worked(of(id))
  while (run.step());
  return run
}

describe('water that a run rinsed with', () => {
  it.each(['slush.in-place', 'custard.close', 'soft-serve-gravity.close'])(
    'of %s is the plate’s amount for each rinse that was poured in',
    (id) => {
      const { run, known } = worked(id)
      const poured = outline(known, run).filter(
        (p) => p.kind === 'step' && p.step.title.includes('{rinse}') && run.done[p.key],
      )
      expect(poured.length).toBeGreaterThan(0)
      expect(rinsedWater(known, run)).toBe(poured.length * (run.parameters['rinse'] ?? 0))
      expect(run.parameters['rinse']).toBeGreaterThan(0)
    },
  )
  it('is none before anything was poured, and none where the machine is not rinsed by a measure', () => {
    const begun = new Worked(of('slush.in-place'))
    expect(rinsedWater(begun.known, begun.run)).toBe(0)
    const { run, known } = worked('ice-bin.weekly')
    expect(rinsedWater(known, { ...run, parameters: { ...run.parameters, rinse: 8000 } })).toBe(0)
  })
  it('counts one more round as one more rinse', () => {
    const known = of('slush.in-place')
    const rounds = (more: boolean) => {
      const run = new Worked(known, stationFor(known))
      let asked = 0
      while (run.step((p) => (p.kind === 'sign' ? { shown: !more || ++asked > 1 } : {})));
      return rinsedWater(known, run.run)
    }
    expect(rounds(true)).toBeGreaterThan(rounds(false))
  })
})
