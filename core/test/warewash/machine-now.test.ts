import { describe, expect, it } from 'vitest'
import { stationFold } from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import type { StationSet } from '../../house/index.ts'
import { dishFold, machineNow, type AroundMachine, type DishState } from '../../warewash/index.ts'

const now = instant(Date.parse('2026-11-26T21:00:00Z'))
const hour = 3_600_000
const plate = (change: Partial<StationSet> = {}): StationSet => ({
  name: 'Dish machine',
  tag: '1',
  place: '',
  family: 'dish-machine.stationary-dual',
  model: '',
  parameters: {},
  duties: [],
  ...change,
})
const told = (
  change: Partial<StationSet> = {},
  state: Partial<DishState> = {},
  around: AroundMachine = { site: null, products: [] },
) =>
  machineNow(
    { ...stationFold.initial('d'), plate: plate(change) },
    { ...dishFold.initial('d'), ...state },
    around,
    now,
  )
const drum = (over: Partial<AroundMachine['products'][number]>) => ({
  id: 'soap',
  name: 'Soap',
  agent: null,
  container: { holds: 20_000 },
  drawn: { millilitres: 10_000, from: now - 10 * 24 * hour, at: now },
  ...over,
})
const fed = (product: string, millilitres: number) =>
  Array.from({ length: 6 }, (_, i) => ({ product, at: now - (6 - i) * hour, millilitres, racks: 6 }))

describe('a dish machine as it is told', () => {
  it('of which nothing is known, tells nothing', () => {
    expect(told()).toMatchObject({
      byChemical: false,
      testsRack: false,
      rated: null,
      drum: null,
      handDose: null,
      scale: null,
      doseMisses: null,
      advice: 'cannot-tell',
      detergent: 'cannot-tell',
      last: null,
      streams: false,
      water: null,
      delime: null,
      likely: [],
    })
  })
  it('of another family is none, and a station that is not known neither', () => {
    expect(told({ family: 'sink' }).kind).toBeNull()
    expect(machineNow(null, dishFold.initial('d'), { site: null, products: [] }, now).kind).toBeNull()
  })
  it('tests its ware at the rack where it sanitizes by a chemical, or goes on so while its heat fails', () => {
    expect(told({ family: 'dish-machine.chemical' })).toMatchObject({ byChemical: true, testsRack: true })
    const aside = { way: 'chemical', at: now, by: 'x', asks: 'ppm' } as unknown as DishState['aside']
    expect(told({}, { aside }).testsRack).toBe(true)
    expect(told({}, { aside: { ...aside, way: 'sink' } as DishState['aside'] }).testsRack).toBe(false)
  })
  it('can go on by a chemical only where its plate says so, and never where it does so always', () => {
    expect(told({ parameters: { chemicalMode: 1 } }).hasChemical).toBe(true)
    expect(told({ parameters: { chemicalMode: 0 } }).hasChemical).toBe(false)
    expect(told({ family: 'dish-machine.chemical', parameters: { chemicalMode: 1 } }).hasChemical).toBe(false)
  })
  it('the mineral since the last delime goes by the plate’s own hardness before the site’s, and needs one', () => {
    const duties = [
      {
        procedure: 'dish-machine.delime',
        trigger: { kind: 'count' as const, of: 'racks' as const, every: 1000 },
        rule: 'manual',
      },
    ]
    const site = { water: { hardness: 100, at: now, by: 'x' } } as unknown as AroundMachine['site']
    const scale = (parameters: Record<string, number>) =>
      told(
        { parameters, duties },
        { since: { ...dishFold.initial('d').since, delime: { racks: 100, at: 0 } } },
        { site, products: [] },
      ).scale
    // 3 L a rack at 100 mg/L: 0.3 g a rack, worked by hand.
    expect(scale({ rinseWater: 3000 })).toMatchObject({
      due: scale({ rinseWater: 3000, hardness: 100 })?.due,
    })
    expect(scale({ rinseWater: 3000, hardness: 200 })?.due).toBeCloseTo(
      (scale({ rinseWater: 3000 })?.due ?? 0) * 2,
    )
    expect(scale({})).toBeNull()
    expect(told({ parameters: { rinseWater: 3000 }, duties }).scale).toBeNull()
  })
  it('a drum is the detergent’s that its meter counts, with when it is empty; a sanitizer’s is not', () => {
    const around = { site: null, products: [drum({})] } as unknown as AroundMachine
    expect(told({}, { fed: fed('soap', 30) }, around).drum).toMatchObject({
      name: 'Soap',
      left: 10_000,
      emptyAt: now + 10 * 24 * hour,
    })
    const sanitizing = { site: null, products: [drum({ agent: 'chlorine' })] } as unknown as AroundMachine
    expect(told({}, { fed: fed('soap', 30) }, sanitizing).drum).toBeNull()
  })
  it('a meter that gave nothing over six racks is an empty drum: of detergent, or of sanitizer', () => {
    const dry = fed('soap', 0)
    expect(
      told({}, { fed: dry }, { site: null, products: [drum({})] } as unknown as AroundMachine).detergent,
    ).toBe('empty')
    const sanitizing = { site: null, products: [drum({ agent: 'chlorine' })] } as unknown as AroundMachine
    expect(told({}, { fed: dry }, sanitizing)).toMatchObject({
      detergent: 'cannot-tell',
      likely: [{ fault: 'sanitizer-weak' }],
    })
  })
})
