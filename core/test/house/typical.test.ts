import { describe, expect, it } from 'vitest'
import { families, productUses, typicalStation } from '../../house/index.ts'
import { plateFaults, plateNumber, typedIn } from '../../plate/index.ts'
import {
  allProcedures,
  contactsTooShort,
  neededNames,
  proceduresOf,
  usesOf,
  type Procedure,
} from '../../procedure/index.ts'

const systems = ['metric', 'us'] as const

describe.each(families)('a typical $id', ({ id }) => {
  it.each(systems)('has each number that its procedures take, none that cannot be (%s)', (units) => {
    const typical = typicalStation(id, units)
    if (!typical) throw new Error(id)
    expect(plateFaults(typical.parameters)).toEqual([])
    for (const procedure of proceduresOf(id)) {
      expect(Object.keys(typical.parameters), procedure.id).toEqual(
        expect.arrayContaining(neededNames(procedure)),
      )
      expect(contactsTooShort(procedure, typical.parameters, () => [])).toEqual([])
    }
  })
  it('falls due by procedures of its own family, each duty with where it comes from', () => {
    const own = proceduresOf(id).map((p) => p.id)
    for (const duty of typicalStation(id, 'metric')?.duties ?? []) {
      expect(own).toContain(duty.procedure)
      expect(duty.rule.length).toBeGreaterThan(5)
    }
  })
  it('is round in the units that its form shows', () => {
    for (const units of systems)
      for (const [name, value] of Object.entries(typicalStation(id, units)?.parameters ?? {})) {
        const number = plateNumber(name)
        const shown = number ? typedIn(number, units).shown(value) : value
        expect(Math.abs(shown * 100 - Math.round(shown * 100)), `${name} ${units} ${shown}`).toBeLessThan(
          1e-6,
        )
      }
  })
})

describe('the families', () => {
  it('are those of the library’s procedures, each once', () => {
    const known = new Set(families.map((f) => f.id.replace(/^dish-machine\..*/, 'dish-machine')))
    expect([...known].toSorted()).toEqual([...new Set(allProcedures().map((p) => p.family))].toSorted())
  })
  it('have no typical numbers where the family is not known', () => {
    expect(typicalStation('toaster', 'metric')).toBeNull()
    expect(typicalStation('constructor', 'metric')).toBeNull()
  })
})

describe('the uses of products', () => {
  it('are those that the library’s procedures ask for, and the clean-up after illness, each once', () => {
    const asked = new Set(allProcedures().flatMap((p) => allUses(p)))
    asked.add('body-fluids')
    expect(productUses.map((u) => u.id).toSorted()).toEqual([...asked].toSorted())
  })
})

/** Whatever options are chosen. */
function allUses(procedure: Procedure): string[] {
  const choices = (procedure.options ?? []).flatMap((o) => o.choices.map((c) => ({ [o.id]: c.id })))
  return [{}, ...choices].flatMap((options) => usesOf(procedure, options))
}
