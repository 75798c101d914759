import { describe, expect, it } from 'vitest'
import { labelInForce } from '../../record/index.ts'
import { labelOf, washLabel } from '../../reading/index.ts'
import { type ProductSet, type ProductUse } from '../../house/index.ts'
import { instant, point, ppm } from '../../quantity/index.ts'
import { dishNumbers } from '../../plate/index.ts'
import { stationFold } from '../../procedure/index.ts'
import * as rules from '../../rules/index.ts'
import {
  handDoseOf,
  judgeCycle,
  machineNow,
  limitsFor,
  tankOf,
  waterDue,
  dishFold,
  type CycleFigures,
  type DishState,
  type Mark,
} from '../../warewash/index.ts'

const c = (value: number) => ({ unit: '°C' as const, reading: point(value) })
const use = (change: Partial<ProductUse> = {}): ProductUse => ({
  id: 'frozen-dessert',
  name: 'u',
  range: { lo: 50, hi: 400 },
  target: 150,
  temperature: null,
  hardestWater: null,
  contactSeconds: null,
  rinseAfter: false,
  ...change,
})
const product = (uses: ProductUse[], change: Partial<ProductSet> = {}): ProductSet => ({
  name: 'p',
  purpose: '',
  chemicalClass: 'hypochlorite',
  agent: 'chlorine',
  supply: { kind: 'strength', stock: ppm(25_000) },
  uses,
  ppe: [],
  firstAid: '',
  neverWith: null,
  ...change,
})

/** What a practice comes to: something that another choice changes. */
const practices: Record<string, (choice: string) => unknown> = {
  chlorine: (choice) => rules.aimedTarget('chlorine', use(), { chlorine: choice }, null),
  quat: (choice) =>
    rules.aimedTarget('quat', use({ range: { lo: 100, hi: 500 }, target: 450 }), { quat: choice }, null),
  'hot-water-machine': (choice) => [
    rules.judgeDishMachine({
      kind: 'stationary-dual',
      wash: c(70),
      rinse: null,
      pressure: null,
      surface: c(72),
      plate: null,
      practice: choice as rules.HotWaterPractice,
    }).overall,
    cycle({ schools: { 'hot-water-machine': choice } })?.overall,
  ],
  'wash-water': (choice) =>
    washLabel(
      [product([use({ id: 'sink-wash', temperature: { c: 38, f: 100 } })], { chemicalClass: 'detergent' })],
      { 'wash-water': choice },
    ),
}

describe('every practice', () => {
  it('is one that is offered, and all are tried here', () =>
    expect(Object.keys(practices).toSorted()).toEqual(rules.practices.map((s) => s.id).toSorted()))
  it.each(rules.practices.map((s) => [s.id, s] as const))(
    '%s acts: another choice comes to something else',
    (id, school) => {
      const told = school.choices.map((choice) => JSON.stringify(practices[id]?.(choice)))
      expect(new Set(told).size).toBeGreaterThan(1)
    },
  )
})

/** What a field of a label comes to. */
const judged = (u: ProductUse, agent: 'chlorine' | 'quat' = 'chlorine') =>
  rules.judgeSanitizer(rules.modelCode, {
    agent,
    strength: point(250),
    temperature: c(26),
    ph: point(7),
    hardness: point(300),
    label: labelOf(product([u], { agent }), u.id),
  }).overall
const labelFields: Record<Exclude<keyof ProductUse, 'id' | 'name'>, [unknown, unknown]> = {
  range: [judged(use({ rinseAfter: true })), judged(use({ rinseAfter: true, range: { lo: 50, hi: 200 } }))],
  target: [
    rules.aimedTarget('chlorine', use(), {}, null),
    rules.aimedTarget('chlorine', use({ target: 100 }), {}, null),
  ],
  temperature: [judged(use(), 'quat'), judged(use({ temperature: { c: 35, f: 95 } }), 'quat')],
  hardestWater: [judged(use(), 'quat'), judged(use({ hardestWater: 200 }), 'quat')],
  contactSeconds: [
    labelInForce('p', product([use()]), 'frozen-dessert')?.contactSeconds,
    labelInForce('p', product([use({ contactSeconds: 60 })]), 'frozen-dessert')?.contactSeconds,
  ],
  rinseAfter: [judged(use()), judged(use({ rinseAfter: true }))],
  alsoWashes: [
    labelInForce('p', product([use()]), 'frozen-dessert')?.alsoWashes,
    labelInForce('p', product([use({ alsoWashes: true })]), 'frozen-dessert')?.alsoWashes,
  ],
}

describe('every field of a label', () => {
  it.each(Object.entries(labelFields))('%s acts', (_, [without, with_]) => expect(with_).not.toEqual(without))
})

const plate = (parameters: Record<string, number>) => ({
  name: 'd',
  tag: '1',
  place: '',
  family: 'dish-machine.stationary-dual',
  model: '',
  parameters,
  duties: [],
})
const figures: CycleFigures = {
  from: 0,
  to: 60,
  washLow: 67,
  rinseLow: 83,
  rinseHigh: 84,
  rinseLast: 80,
  rinsed: 12,
  pressureLow: 40,
  pressureHigh: 60,
  missing: 0,
  stuck: [],
  conductivity: null,
  a0: null,
} as unknown as CycleFigures
function cycle({
  parameters = {},
  schools = {},
}: {
  parameters?: Record<string, number>
  schools?: Record<string, string>
}) {
  const limits = limitsFor(plate(parameters), schools, [])
  return limits && judgeCycle(figures, 'complete', limits)
}
const mark = (i: number): Mark => ({
  key: `m${i}`,
  by: 'probe',
  record: '',
  at: i * 120_000,
  ending: 'complete',
  verdict: 'out',
  washLow: 68,
  rinseLow: 78,
  rinseHigh: 79,
  pressureLow: 140,
  pressureHigh: 140,
  missing: 0,
  stuck: false,
  conductivity: 30,
  a0: null,
})
const dish = {
  ...dishFold.initial('d'),
  since: { ...dishFold.initial('d').since, water: { racks: 30, at: 0 } },
} as never
/** Twenty racks in the last hour, each too cold, the last ones with less and less detergent; a machine shown at that hour. */
const busy: DishState = {
  ...dishFold.initial('d'),
  marks: Array.from({ length: 20 }, (_, i) => mark(i)),
}
const shown = (parameters: Record<string, number>) => {
  const duties = [
    {
      procedure: 'dish-machine.delime',
      trigger: { kind: 'count' as const, of: 'racks' as const, every: 100 },
      rule: 'manual',
    },
  ]
  const station = { ...stationFold.initial('d'), plate: { ...plate(parameters), duties } }
  return machineNow(station, busy, { site: null, products: [] }, instant(20 * 120_000))
}
const whole = {
  tank: 40_000,
  rinseWater: 3000,
  doseLow: 1,
  doseTarget: 2,
  doseHigh: 3,
  doseTool: 5,
  washC: 66,
  rinseC: 82,
}
/** What each number of the dish room comes to. */
const plateReads: Record<string, (p: Record<string, number>) => unknown> = {
  tank: tankOf,
  rinseWater: tankOf,
  washC: (p) => cycle({ parameters: p })?.layers,
  rinseC: (p) => cycle({ parameters: p })?.layers,
  pressureLow: (p) => cycle({ parameters: { pressureHigh: 200, ...p } })?.layers,
  pressureHigh: (p) => cycle({ parameters: { pressureLow: 1, ...p } })?.layers,
  probeC: (p) => cycle({ parameters: p })?.overall,
  probeKPa: (p) => cycle({ parameters: p })?.overall,
  waterRacks: (p) => waterDue(dish, p, instant(0)),
  waterHours: (p) => waterDue(dish, p, instant(7_200_000)),
  doseLow: handDoseOf,
  doseTarget: handDoseOf,
  doseHigh: handDoseOf,
  doseTool: handDoseOf,
  racksAnHour: (p) => shown(p).likely,
  conductivity: (p) => shown(p).detergent,
  hardness: (p) => shown(p).scale,
  chemicalMode: (p) => shown(p).hasChemical,
}
describe('every number of a dish machine’s plate', () => {
  it('is tried here', () => expect(Object.keys(plateReads).toSorted()).toEqual(dishNumbers.toSorted()))
  it.each(Object.entries(plateReads))('%s acts', (name, read) => {
    const with_ = (value: number) => JSON.stringify(read({ ...whole, [name]: value }))
    expect(with_(name === 'chemicalMode' ? 0 : 60)).not.toBe(with_(1))
  })
})

describe('a label that asks for a rinse afterwards', () => {
  it('is held to its own maximum, not to the ceiling without a rinse (40 CFR 180.940)', () => {
    expect(judged(use())).toBe('out')
    expect(judged(use({ rinseAfter: true }))).toBe('in')
  })
})
