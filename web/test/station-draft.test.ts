import { describe, expect, it } from 'vitest'
import {
  emptyStation,
  familiesFrom,
  parametersFrom,
  plateAsked,
  plateFields,
  plateTyped,
  stationFrom,
  type PlateField,
} from '../src/house/station-draft.ts'

describe('a station that is entered', () => {
  const typed = { ...emptyStation(), name: ' Quay dish ', family: 'dish-machine.chemical', tag: '61' }
  it('is a record under a name of its own, without numbers and duties yet', () => {
    expect(stationFrom(typed, ['galley-dish'])).toEqual({
      id: 'quay-dish',
      set: {
        name: 'Quay dish',
        tag: '61',
        place: '',
        family: 'dish-machine.chemical',
        model: '',
        parameters: {},
        duties: [],
      },
    })
  })
  it.each([
    ['no name', { name: '–' }, 'name'],
    ['a name that is taken', { name: 'Galley dish' }, 'known'],
    ['no family', { family: null }, 'family'],
  ] as const)('with %s is asked for it', (_, change, fault) =>
    expect(stationFrom({ ...typed, ...change }, ['galley-dish'])).toBe(fault),
  )
  it('is a dish machine of a kind, never just one', () => {
    const families = familiesFrom(['sink', 'dish-machine'])
    expect(families).toContain('dish-machine.stationary-dual')
    expect(families).not.toContain('dish-machine')
    expect(families.at(-1)).toBe('sink')
  })
})

describe('the numbers of a plate', () => {
  const dish = (system: 'metric' | 'us') =>
    plateAsked('dish-machine.chemical', [{ parameters: { tank: 'mL', cool: 'min' } }], system)
  const at = (fields: readonly PlateField[], name: string) => fields.find((f) => f.name === name)

  it('are those that its procedures ask and those that the dish room reads, each once; nobody would read another', () => {
    expect(plateAsked('sink', [{ parameters: { compartment: 'mL' } }], 'us').map((n) => n.name)).toEqual([
      'compartment',
    ])
    const names = dish('metric').map((n) => n.name)
    expect(names.filter((n) => n === 'tank')).toHaveLength(1)
    expect(names).toContain('cool')
    expect(names).toContain('conductivity')
  })
  it('left blank are not on it; what is no number is told and not saved', () => {
    const typed = { tank: '4o', rinseWater: '', cool: '10,5', heat: '3' }
    const fields = plateFields(dish('metric'), typed, {})
    expect(at(fields, 'tank')?.fault).toEqual({ because: 'number' })
    expect(at(fields, 'rinseWater')).toMatchObject({ value: null, fault: null })
    expect(parametersFrom(fields)).toEqual({ cool: 10.5 })
  })
  it('are typed in the site’s units, and kept in their own', () => {
    const [us, metric] = [dish('us'), dish('metric')]
    const typedUs = plateTyped(us, { tank: 37_854.11784, rinseC: 82.2222 })
    expect(typedUs).toMatchObject({ tank: '10', rinseC: '180', cool: '' })
    expect(plateTyped(metric, { tank: 38_000 })['tank']).toBe('38')
    expect(parametersFrom(plateFields(us, { tank: '10' }, {}))['tank']).toBeCloseTo(37_854.12, 1)
    expect(parametersFrom(plateFields(metric, { tank: '40' }, {}))).toEqual({ tank: 40_000 })
  })
  it('that nobody touched are what they were, to the last digit', () => {
    const has = { tank: 38_123.456 }
    expect(parametersFrom(plateFields(dish('us'), plateTyped(dish('us'), has), has))).toEqual(has)
  })
  it('that cannot be are told in the unit that they are typed in, and not saved', () => {
    const fields = plateFields(dish('us'), { rinseC: '900', pressureLow: '30', pressureHigh: '20' }, {})
    expect(at(fields, 'rinseC')?.fault).toEqual({ because: 'range', lo: '50', hi: '212', unit: '°F' })
    expect(at(fields, 'pressureLow')?.fault).toMatchObject({ because: 'within', other: 'pressureHigh' })
    expect(Object.keys(parametersFrom(fields))).toEqual(['pressureHigh'])
  })
  it('of a site’s own procedure are held to what their unit can be', () => {
    const own = plateAsked('shaker', [{ parameters: { stir: 'min' } }], 'metric')
    expect(plateFields(own, { stir: '5000' }, {})[0]?.fault).toMatchObject({ because: 'range', hi: '1440' })
    expect(parametersFrom(plateFields(own, { stir: '5' }, {}))).toEqual({ stir: 5 })
  })
})
