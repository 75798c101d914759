import { describe, expect, it } from 'vitest'
import {
  byCountry,
  freeSlug,
  type ProductSet,
  typicalInstruments,
  typicalStation,
} from '../../house/index.ts'
import { latestProcedure, missingOf, type SiteParts, usesWithoutProduct } from '../../procedure/index.ts'

const station = (id: string, family: string) => ({
  id,
  family,
  ...(typicalStation(family, 'metric') ?? { duties: [] }),
})
const product = (agent: ProductSet['agent'], supply: object, ...uses: string[]) =>
  ({ name: `P ${uses[0]}`, agent, supply, uses: uses.map((id) => ({ id })) }) as unknown as ProductSet
const parts = (change: Partial<SiteParts>): SiteParts => ({
  stations: [],
  products: [],
  instruments: [],
  people: [],
  procedure: latestProcedure,
  ...change,
})
const person = (id: string, role: 'crew' | 'lead' | 'manager', isSignedOff = true) => ({
  id,
  role,
  isSignedOff,
})

describe('what a site lacks', () => {
  it('is a product for each use that its schedule asks for, with the stations that ask', () => {
    const stations = [station('a', 'slush'), station('b', 'soft-serve-gravity'), station('g', 'grinder')]
    expect(usesWithoutProduct(parts({ stations }))).toEqual([
      { use: 'machine-wash', stations: ['a', 'b'] },
      { use: 'frozen-dessert', stations: ['a', 'b'] },
    ])
    const wash = product(null, { kind: 'per-litre', millilitres: 5 }, 'machine-wash')
    expect(usesWithoutProduct(parts({ stations, products: [wash] }))).toEqual([
      { use: 'frozen-dessert', stations: ['a', 'b'] },
    ])
  })
  it('is what tests an agent, what measures a liquid or weighs a powder, and a thermometer', () => {
    const products = [
      product('quat', { kind: 'strength', stock: 1e5 }, 'cloths'),
      product(null, { kind: 'grams-per-litre', grams: 5 }, 'urn'),
    ]
    const what = (p: Partial<SiteParts>) => missingOf(parts({ stations: [station('g', 'grinder')], ...p }))
    const people = [person('m', 'manager'), person('l', 'lead')]
    expect(what({ products, people })).toEqual([
      { what: 'strip', agent: 'quat', products: ['P cloths'] },
      { what: 'tool' },
      { what: 'scale' },
      { what: 'thermometer' },
    ])
    for (const units of ['metric', 'us'] as const) {
      const instruments = typicalInstruments(units).map((i) => i.make(i.id, 1))
      expect(what({ products, people, instruments })).toEqual([])
    }
  })
  it('is a pH strip where chlorine or iodine is used: without its pH no reading of it passes', () => {
    const products = [product('chlorine', { kind: 'pieces', active: 1, mayBeHalved: false }, 'utensils')]
    const instruments = typicalInstruments('metric').filter((i) => i.id !== 'ph')
    const people = [person('m', 'manager'), person('l', 'lead')]
    const without = { products, people, instruments: instruments.map((i) => i.make(i.id, 1)) }
    expect(missingOf(parts(without))).toEqual([{ what: 'ph', products: ['P utensils'] }])
  })
  it('is crew, a lead, and what crew may clean', () => {
    const people = [person('m', 'manager')]
    expect(missingOf(parts({ people }))).toEqual([{ what: 'people' }])
    expect(missingOf(parts({ people: [...people, person('c', 'crew', false)] }))).toEqual([
      { what: 'lead' },
      { what: 'signOffs', people: ['c'] },
    ])
  })
})

describe('what follows from a country', () => {
  it.each([
    ['US', 'us', '911', true],
    ['IE', 'metric', '112', false],
    ['AU', 'metric', '000', false],
  ])('%s: %s, %s', (country, units, emergencyNumber, hasOwnRules) => {
    expect(byCountry(country)).toEqual({ units, emergencyNumber, hasOwnRules })
  })
})

describe('a name as an id', () => {
  it('is numbered where it is taken, and never empty', () => {
    expect(freeSlug('José', [], 'person')).toBe('jose')
    expect(freeSlug('José', ['jose', 'jose-2'], 'person')).toBe('jose-3')
    expect(freeSlug('李', [], 'person')).toBe('person')
  })
})
