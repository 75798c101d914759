import { describe, expect, it } from 'vitest'
import { boundOf, isProved, planSearch, planViolations } from '../../plan/index.ts'
import { evening } from './evenings.ts'

/** Evenings tried: all of them with `--long`. */
const tried = process.env['TADKA_LONG'] === undefined ? 80 : 2000

describe('evenings with all that can be', () => {
  it('have plans in which the checker finds nothing, and bounds that are proved and never past them', () => {
    for (let seed = 1; seed <= tried; seed++) {
      const problem = evening(seed, 2 + (seed % 5), 2 + (seed % 3))
      const search = planSearch(problem, seed)
      for (const tries of [0, 40]) {
        search.improve(tries)
        const plan = search.plan()
        expect(planViolations(problem, plan), `seed ${seed}`).toEqual([])
        const bound = boundOf(problem, plan, plan.objective.late)
        const { late, last, terms } = plan.objective
        expect({ seed, ...bound, proofs: null }).toMatchObject({ seed })
        expect(bound.last, `last of seed ${seed}`).toBeLessThanOrEqual(last)
        expect(bound.late, `late of seed ${seed}`).toBeLessThanOrEqual(late)
        expect(bound.paid, `paid of seed ${seed}`).toBeLessThanOrEqual(terms.paid)
        for (const proof of Object.values(bound.proofs))
          expect(isProved(problem, proof), `proof of seed ${seed}`).toBe(true)
      }
    }
  })
})
