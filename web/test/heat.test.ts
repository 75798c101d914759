import { kindOf, machineKinds } from '@tadka/core/warewash'
import { instant } from '@tadka/core/quantity'
import { heatFieldsOf, judge, type HeatField, type HeatWhat } from '@tadka/core/reading'
import { describe, expect, it } from 'vitest'
import { bandsOf, tellingBand } from '../src/pieces/band.ts'
import { faultIn } from '../src/pieces/field.ts'
import { fieldsRead, kindOfField, readTyped, type Typed } from '../src/solution/heat.ts'

const now = instant(1000)
const probe = (unit: '°C' | '°F') => ({
  id: 'probe',
  kind: 'thermometer' as const,
  name: 'probe',
  unit,
  accuracy: 0.5,
  checkDue: 1e15,
})
const blank = {
  wash: '',
  rinse: '',
  pressure: '',
  surface: '',
  temperature: '',
  seconds: '',
  product: '',
  hours: '',
}
const gauge = {
  id: 'gauge',
  kind: 'pressure-gauge' as const,
  name: 'gauge',
  unit: 'kPa' as const,
  accuracy: 7,
  checkDue: 1e15,
  station: 's',
}
const on = (unit: '°C' | '°F' = '°C') => ({
  wash: probe(unit),
  rinse: probe(unit),
  surface: probe(unit),
  temperature: probe(unit),
  product: probe(unit),
  pressure: gauge,
})
const typed = (fields: Partial<typeof blank>, change: Partial<Typed> = {}): Typed => ({
  fields: { ...blank, ...fields },
  kind: 'stationary-dual',
  kept: 'room',
  on: on(),
  turned: null,
  units: { temperature: '°C', pressure: 'kPa' },
  schools: {},
  label: null,
  plate: null,
  ...change,
})
const overall = (what: HeatWhat, t: Typed) => judge(readTyped(what, t, now)).overall

describe('the fields of a check', () => {
  it('are only those that matter to the verdict', () => {
    expect(heatFieldsOf('dish-machine', 'stationary-dual')).toEqual(['wash', 'rinse', 'pressure', 'surface'])
    expect(heatFieldsOf('dish-machine', 'chemical')).toEqual(['wash'])
    expect(heatFieldsOf('hot-water', 'chemical')).toEqual(['temperature', 'seconds'])
    expect(heatFieldsOf('wash-water', 'chemical')).toEqual(['temperature'])
    expect(heatFieldsOf('cold-product', 'chemical')).toEqual(['product'])
  })
  it('ask for the room only where utensils stand in a cold one', () => {
    expect(heatFieldsOf('utensils', 'chemical', 'room')).toEqual(['hours'])
    expect(heatFieldsOf('utensils', 'chemical', 'refrigerated')).toEqual(['hours', 'temperature'])
  })
  it('say nothing before anything was typed', () => {
    expect(fieldsRead('dish-machine', typed({}))).toEqual([])
    expect(fieldsRead('dish-machine', typed({ rinse: '82' }))).toEqual(['rinse'])
    expect(fieldsRead('dish-machine', typed({ rinse: '82' }, { kind: 'chemical' }))).toEqual([])
  })
})

describe('a dish machine off its gauges', () => {
  const gauges = { wash: '66', rinse: '82', pressure: '100' }
  it.each([
    ['at its limits', gauges, 'in'],
    ['with a decimal comma', { ...gauges, rinse: '82,5' }, 'in'],
    ['with a cold rinse', { ...gauges, rinse: '81' }, 'out'],
    ['with its pressure not read', { ...gauges, pressure: '' }, 'cannot-tell'],
    ['with a number that is none', { ...gauges, wash: 'hot' }, 'cannot-tell'],
    ['with a surface too cold', { ...gauges, surface: '70' }, 'out'],
  ] as const)('%s', (_, fields, verdict) => expect(overall('dish-machine', typed(fields))).toBe(verdict))
  it('in °F is judged in °F', () => {
    const read = typed({ wash: '150', rinse: '180', pressure: '100' }, { on: on('°F') })
    expect(overall('dish-machine', read)).toBe('in')
  })
  it('is held against its data plate too', () => {
    const plate = { washC: 68, rinseC: 82, pressureLow: 90, pressureHigh: 170 }
    expect(overall('dish-machine', typed(gauges, { plate }))).toBe('out')
    expect(overall('dish-machine', typed({ ...gauges, wash: '68' }, { plate }))).toBe('in')
    expect(overall('dish-machine', typed(gauges, { plate: { tank: 40_000 } }))).toBe('in')
  })
  it('of the chemical kind is asked for its wash tank only', () => {
    expect(overall('dish-machine', typed({ wash: '49', rinse: '20' }, { kind: 'chemical' }))).toBe('in')
  })
  it('has its kind in its family’s name', () => {
    expect(kindOf('dish-machine.conveyor-multi')).toBe('conveyor-multi')
    expect(kindOf('dish-machine.steam')).toBeNull()
    expect(kindOf('sink')).toBeNull()
    expect(machineKinds).toHaveLength(5)
  })
})

describe('other heat', () => {
  it.each([
    ['hot-water', { temperature: '77', seconds: '30' }, 'in'],
    ['hot-water', { temperature: '77' }, 'cannot-tell'],
    ['wash-water', { temperature: '43' }, 'in'],
    ['wash-water', { temperature: '42' }, 'out'],
    ['cold-product', { product: '-3' }, 'in'],
    ['cold-product', { product: '6' }, 'out'],
  ] as const)('%s %j is %s', (what, fields, verdict) => expect(overall(what, typed(fields))).toBe(verdict))
  it('on a thermometer that is not known is an interval', () => {
    expect(overall('wash-water', typed({ temperature: '43' }, { on: {} }))).toBe('too-close')
  })
})

describe('each number names its instrument', () => {
  const gauges = { wash: '66', rinse: '82', pressure: '100' }
  it('and is as wide as the code allows where it names none', () => {
    expect(overall('dish-machine', typed(gauges, { on: {} }))).toBe('too-close')
    expect(overall('dish-machine', typed({ wash: '70', rinse: '85', pressure: '100' }, { on: {} }))).toBe(
      'in',
    )
  })
  it('passes nothing on one that failed in melting ice', () => {
    const failed = { ...on(), rinse: { ...probe('°C'), failed: true } }
    expect(overall('dish-machine', typed({ ...gauges, rinse: '85' }, { on: failed }))).toBe('cannot-tell')
    expect(overall('cold-product', typed({ product: '1' }, { on: { product: failed.rinse } }))).toBe(
      'cannot-tell',
    )
  })
  it('in psi on a site in US units that has entered no gauge', () => {
    const units = { temperature: '°F', pressure: 'psi' } as const
    const read = typed({ wash: '160', rinse: '185', pressure: '20' }, { on: {}, units })
    expect(overall('dish-machine', read)).toBe('in')
  })
  it('a label on the ware turned or did not, and past its date tells nothing', () => {
    const label = {
      id: 'l',
      kind: 'indicator' as const,
      name: 'l',
      unit: '°C' as const,
      turnsAt: 71,
      bestBefore: 1e15,
    }
    const run = (turned: boolean | null, surface = label) =>
      overall(
        'dish-machine',
        typed(
          { wash: '66' },
          { on: { ...on(), surface }, turned, schools: { 'hot-water-machine': 'surface' } },
        ),
      )
    expect([run(true), run(false), run(null)]).toEqual(['in', 'out', 'cannot-tell'])
    expect(() => run(true, { ...label, bestBefore: 10 })).toThrow()
  })
  it('a number that cannot be is told at its field', () => {
    const fault = (field: HeatField, typed: string, unit: string, what: HeatWhat) =>
      faultIn(typed, kindOfField(field, what), unit)
    expect(fault('rinse', '900', '°C', 'dish-machine')).toMatchObject({ code: 'fieldNonsense', hi: 115 })
    expect(fault('rinse', '180', '°F', 'dish-machine')).toBeNull()
    expect(fault('pressure', '-3', 'kPa', 'dish-machine')?.code).toBe('fieldNegative')
    expect(fault('product', '-18', '°C', 'cold-product')).toBeNull()
    expect(fault('temperature', '-18', '°C', 'wash-water')?.code).toBe('fieldNonsense')
    expect(fault('wash', 'warm', '°C', 'dish-machine')?.code).toBe('fieldNeeded')
  })
})

describe('the bands of a judgement', () => {
  const judged = judge(readTyped('dish-machine', typed({ wash: '66', rinse: '60', pressure: '100' }), now))
  it('are one for each quantity, each with its own verdict', () => {
    expect(bandsOf(judged).map((b) => [b.quantity, b.verdict])).toEqual([
      ['wash', 'in'],
      ['rinse', 'out'],
      ['pressure', 'in'],
    ])
    expect(bandsOf(judged)[1]?.brackets).toEqual([{ label: 'code', limit: { lo: 82, hi: 90 } }])
  })
  it('where there is room for one, show the one that tells', () => {
    expect(tellingBand(judged)).toMatchObject({ unit: '°C', verdict: 'out' })
  })
})

// FDA Food Code 2022, 4-602.11(C) and (D)(2).
describe('utensils in use', () => {
  it.each([
    ['room', '', '4', 'in'],
    ['room', '', '4.1', 'out'],
    ['refrigerated', '5', '24', 'in'],
    ['refrigerated', '5.1', '24', 'out'],
    ['refrigerated', '5.1', '20', 'in'],
    ['refrigerated', '12.8', '10', 'in'],
    ['refrigerated', '13', '5', 'out'],
    ['refrigerated', '', '2', 'cannot-tell'],
    ['room', '', '', 'cannot-tell'],
  ] as const)('kept at %s %s, cleaned %s h ago: %s', (kept, temperature, hours, verdict) =>
    expect(overall('utensils', typed({ temperature, hours }, { kept }))).toBe(verdict),
  )
})
