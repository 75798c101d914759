import { describe, expect, it } from 'vitest'
import {
  emptyStation,
  familiesFrom,
  parametersFrom,
  plateFields,
  plateNames,
  stationFrom,
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
  it('are those that it has, those that its procedures ask, and those that the dish room reads, each once', () => {
    const sink = plateNames('sink', [{ parameters: { compartment: 'mL' } }], { compartment: 38_000 })
    expect(sink).toEqual(['compartment'])
    const dish = plateNames('dish-machine.chemical', [{ parameters: { tank: 'mL', cool: 'min' } }])
    expect(dish.filter((n) => n === 'tank')).toHaveLength(1)
    expect(dish).toContain('cool')
    expect(dish).toContain('conductivity')
  })
  it('left blank are not on it; what is no number is told and not saved', () => {
    const fields = plateFields({ tank: '40 000', rinse: '', cool: '10,5', heat: '-3' })
    expect(fields.map((f) => f.fault)).toEqual([true, false, false, true])
    expect(parametersFrom(fields)).toEqual({ cool: 10.5 })
  })
})
