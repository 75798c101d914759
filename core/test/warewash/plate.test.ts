import { describe, expect, it } from 'vitest'
import type { StationSet } from '../../house/index.ts'
import { handDoseOf, limitsFor, loadOf, marksOf, plateOf, scaleLoad, tankOf } from '../../warewash/index.ts'

const plate = (family: string, parameters: Record<string, number> = {}): StationSet => ({
  name: 'Dish',
  tag: '1',
  place: 'Galley',
  family,
  model: 'Tern',
  parameters,
  duties: [],
})

describe('what a machine is held to', () => {
  it('is its plate’s where it says, in °C and the °F that goes with it', () => {
    expect(plateOf({ washC: 66, rinseC: 82, pressureLow: 100, pressureHigh: 170 })).toEqual({
      wash: { c: 66, f: 151 },
      rinse: { c: 82, f: 180 },
      pressure: { lo: 100, hi: 170 },
    })
    expect(plateOf({ pressureLow: 100 })).toEqual({ wash: null, rinse: null, pressure: null })
  })
  it('hangs on its kind; what is no dish machine is held to nothing', () => {
    expect(limitsFor(plate('dish-machine.chemical'), {}, [])?.kind).toBe('chemical')
    expect(limitsFor(plate('sink'), {}, [])).toBeNull()
    expect(limitsFor(plate('dish-machine.stationary-dual', { probeC: 1 }), {}, [])?.accuracy).toEqual({
      temperature: 1,
      pressure: 5,
    })
  })
  /** FDA Food Code 2022, 4-501.110, .112, .113: the stricter of code and plate. */
  it.each([
    ['stationary-dual', {}, { wash: 66, rinse: 82, rinseMost: 90, pressureLow: 35, pressureHigh: 200 }],
    ['stationary-single', {}, { wash: 74, rinse: 74 }],
    ['conveyor-dual', {}, { wash: 71, rinse: 82 }],
    ['chemical', {}, { wash: 49 }],
    [
      'stationary-dual',
      { washC: 70, rinseC: 85, pressureLow: 100 },
      { wash: 70, rinse: 85, pressureLow: 100 },
    ],
    [
      'stationary-dual',
      { washC: 60, rinseC: 77, pressureHigh: 300 },
      { wash: 66, rinse: 82, pressureHigh: 200 },
    ],
  ] as const)('%s with %j is marked %j', (kind, parameters, marks) =>
    expect(marksOf(kind, parameters)).toMatchObject(marks),
  )
  it('its tank is known only with both volumes', () => {
    expect(tankOf({ tank: 40_000, rinseWater: 3000 })).toEqual({ volume: 40_000, rinseWater: 3000 })
    expect(tankOf({ tank: 40_000 })).toBeNull()
  })
})

describe('what a plate says of detergent and water', () => {
  it('is a band only where its label is entered whole', () => {
    expect(handDoseOf({ doseLow: 1.2, doseTarget: 2, doseHigh: 3 })).toEqual({
      band: { lo: 1.2, target: 2, hi: 3 },
      tool: 1,
    })
    expect(handDoseOf({ doseLow: 1.2, doseTarget: 2, doseTool: 10 })).toBeNull()
  })
  it('brings so many grams by a count, and the load and the racks left agree with it', () => {
    // 180 mg/L and 3 L a rack: 0.54 g each.
    expect(loadOf(180, 3000, 100)).toBeCloseTo(54)
    expect(scaleLoad(180, 3000, 40, loadOf(180, 3000, 100))).toMatchObject({ racksLeft: 60 })
  })
})
