import { describe, expect, it } from 'vitest'
import { atLeast, point } from '../../quantity/index.ts'
import { judgeDishMachine, type DishMachineReading } from '../../rules/index.ts'
import { told } from './told.ts'

const machine = (change: Partial<DishMachineReading>): string[] =>
  told(
    judgeDishMachine({
      kind: 'stationary-dual',
      wash: { unit: '°C', reading: point(67) },
      rinse: { unit: '°C', reading: point(83) },
      pressure: point(120),
      surface: null,
      plate: null,
      ...change,
    }),
  )
const plate = { wash: { c: 68, f: 154 }, rinse: { c: 84, f: 183 }, pressure: { lo: 100, hi: 170 } }

describe('a dish machine, limit by limit: FDA Food Code 2022, 4-501.110 to .113, 4-703.11(B)', () => {
  it('as the code has it, by kind', () => {
    expect(machine({})).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "in under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'stationary-single' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 74.. °C, read 67..67, off -7: out by FDA Food Code 2022, 4-501.110(A)(1)",
        "code (FDA Food Code 2022) rinse 74.. °C, read 83..83, off 9: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'conveyor-dual' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 71.. °C, read 67..67, off -4: out by FDA Food Code 2022, 4-501.110(A)(3)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'conveyor-multi' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(4)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "in under food-code-2022 1",
      ]
    `)
    expect(machine({ kind: 'chemical' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 49.. °C, read 67..67, off 18: in by FDA Food Code 2022, 4-501.110(B)",
        "in under food-code-2022 1",
      ]
    `)
  })
  it('and its data plate', () => {
    expect(machine({ plate })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "plate () wash 68.. °C, read 67..67, off -1: out by data-plate",
        "plate () rinse 84.. °C, read 83..83, off -1: out by data-plate",
        "plate () pressure 100..170 kPa, read 120..120, off 20: in by data-plate",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ plate, kind: 'chemical' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 49.. °C, read 67..67, off 18: in by FDA Food Code 2022, 4-501.110(B)",
        "plate () wash 68.. °C, read 67..67, off -1: out by data-plate",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ plate, pressure: point(18), pressureUnit: 'psi' })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 5..30 psi, read 18..18, off 12: in by FDA Food Code 2022, 4-501.113",
        "plate () wash 68.. °C, read 67..67, off -1: out by data-plate",
        "plate () rinse 84.. °C, read 83..83, off -1: out by data-plate",
        "plate () pressure 14.50377438972831..24.65641646253813 psi, read 18..18, off 3.49622561027169: in by data-plate",
        "out under food-code-2022 1",
      ]
    `)
    expect(machine({ plate: { wash: null, rinse: null, pressure: null } })).toEqual(machine({}))
  })
  it('and the surface of its ware', () =>
    expect(machine({ surface: { unit: '°F', reading: atLeast(160) } })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read 67..67, off 1: in by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read 83..83, off 1: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read 83..83, off 7: in by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read 120..120, off 80: in by FDA Food Code 2022, 4-501.113",
        "code (FDA Food Code 2022) surface 160.. °F, read 160.., off 0: in by FDA Food Code 2022, 4-703.11(B)",
        "in under food-code-2022 1",
      ]
    `))
  it('of which nothing was read', () =>
    expect(machine({ wash: null, rinse: null, pressure: null })).toMatchInlineSnapshot(`
      [
        "code (FDA Food Code 2022) wash 66.. °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.110(A)(2)",
        "code (FDA Food Code 2022) rinse 82.. °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) rinse ..90 °C, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.112",
        "code (FDA Food Code 2022) pressure 35..200 kPa, read none, off ?: cannot-tell by FDA Food Code 2022, 4-501.113",
        "missing wash: in to out",
        "missing rinse: in to out",
        "missing pressure: in to out",
        "cannot-tell under food-code-2022 1",
      ]
    `))
})
