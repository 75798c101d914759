import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  conflictsAt,
  currentPosition,
  isComplete,
  latestProcedure,
  optionSets,
  stepsOf,
  type Position,
  type Procedure,
} from '../procedure/index.ts'
import {
  rehearse,
  rehearsedBack,
  rehearsedCheck,
  rehearsedStep,
  rehearsedWait,
  type Rehearsal,
} from '../record/index.ts'
import { chlorine, dutiful, plate } from './records.ts'

const bare = { ...plate, parameters: {} }
const everyUse = (p: Procedure) =>
  stepsOf(p.nodes).flatMap((s) => ('use' in s ? [{ ...chlorine.uses[0], id: s.use }] : []))
const begun = (p: Procedure, options: Record<string, string> = {}) =>
  rehearse(p, { ...bare, options }, () => ({ ...chlorine, uses: everyUse(p) }) as typeof chlorine)

function next(r: Rehearsal, position: Position): Rehearsal {
  if (position.kind === 'step' && position.step.kind === 'check') return rehearsedCheck(r, position, 'in')
  if (position.kind === 'step' && (position.step.kind === 'wait' || position.step.kind === 'tend'))
    return rehearsedWait(r, position)
  return rehearsedStep(r, position, dutiful(position))
}

describe('a rehearsal', () => {
  it.each(allProcedures().map((p) => [p.id, p] as const))(
    'of %s, on a machine of which nothing is known, comes to its end with every choice of its options',
    (_, p) => {
      for (const options of optionSets(p)) {
        let r = begun(p, options)
        for (let i = 0; i < 400; i++) {
          const position = currentPosition(r.procedure, r.run)
          if (!position) break
          const when = { at: r.at, freshHours: 4 }
          expect([position.key, conflictsAt(r.procedure, r.run, r.station, position, when)]).toEqual([
            position.key,
            [],
          ])
          r = next(r, position)
        }
        expect(isComplete(r.procedure, r.run)).toBe(true)
      }
    },
  )
  it('does not go on past a check that is not in', () => {
    const p = latestProcedure('soft-serve-gravity.open') as Procedure
    let r = begun(p)
    for (;;) {
      const position = currentPosition(r.procedure, r.run)
      if (!position) throw new Error('no check')
      if (position.kind === 'step' && position.step.kind === 'check') {
        const out = rehearsedCheck(r, position, 'out')
        expect(currentPosition(out.procedure, out.run)?.key).toBe(position.key)
        const back = rehearsedCheck(out, position, 'in')
        expect(currentPosition(back.procedure, back.run)?.key).not.toBe(position.key)
        return
      }
      r = next(r, position)
    }
  })
  it('takes a step back, the machine too', () => {
    const r = begun(latestProcedure('soft-serve-gravity.close') as Procedure)
    const first = currentPosition(r.procedure, r.run)
    if (!first) throw new Error('empty')
    const back = rehearsedBack(next(r, first), first)
    expect(currentPosition(back.procedure, back.run)?.key).toBe(first.key)
    expect(back.station.facets).toEqual(r.station.facets)
  })
})
