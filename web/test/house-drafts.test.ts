import { describe, expect, it } from 'vitest'
import {
  emptyInstrument,
  instrumentFaults,
  instrumentOf,
  instrumentTyped,
  plainShades,
  type InstrumentDraft,
} from '../src/house/instrument-draft.ts'
import { emptyLabel, emptyUse, type LabelDraft } from '../src/house/label-draft.ts'
import { labelFaults, labelOf, labelTyped, useFaults } from '../src/house/label-entry.ts'
import { supplyOf } from '../src/house/label-supply.ts'

const use = { ...emptyUse, name: 'Cloths', lo: '150', hi: '400', target: '250', waterC: '24', waterF: '75' }
const label: LabelDraft = {
  ...emptyLabel,
  name: 'Saltquat',
  chemicalClass: 'quat',
  agent: 'quat',
  amount: '10',
  uses: [use],
  ppe: 'gloves, goggles',
  firstAid: 'Eyes: rinse.',
  neverWith: ['detergent'],
}

describe('a label as it is typed', () => {
  it('becomes a product, the label’s own wording kept', () => {
    const made = labelOf(label)
    expect(made?.supply).toMatchObject({
      kind: 'strength',
      stock: 100_000,
      stated: { value: 10, as: '% w/v' },
    })
    expect(made?.uses[0]).toMatchObject({
      id: 'cloths',
      range: { lo: 150, hi: 400 },
      temperature: { c: 24, f: 75 },
    })
    expect(made?.ppe).toEqual(['gloves', 'goggles'])
  })
  it('may say what a dilution gives as well, and comes back with it: it must agree', () => {
    const both = { ...label, alsoGives: '400', alsoAt: '256', codes: '4006381333931, 73513537' }
    const made = labelOf(both)
    expect(made?.supply).toMatchObject({
      stock: 100_000,
      stated: { value: 10 },
      worded: { as: 'at-ratio', ppm: 400, parts: 256, meaning: 'to' },
    })
    if (!made) throw new Error('no label')
    const again = labelTyped({ ...made, id: 'p', container: null, drawn: null })
    expect(again).toMatchObject({ supply: 'strength', amount: '10', alsoGives: '400', alsoAt: '256' })
    expect(labelOf(again)).toEqual(made)
  })
  it('comes back as it was typed', () => {
    const made = labelOf(label)
    if (!made) throw new Error('no label')
    const again = labelTyped({ ...made, id: 'p', container: null, drawn: null })
    expect(labelOf(again)).toEqual(made)
  })
  it.each(['to', 'in', 'per-litre', 'grams-per-litre', 'powder', 'pieces'] as const)(
    'comes back with its dose by %s',
    (supply) => {
      const made = labelOf({ ...label, supply, amount: '12', uses: [{ ...use, lo: '', hi: '', target: '' }] })
      if (!made) throw new Error('no label')
      expect(labelTyped({ ...made, id: 'p', container: null, drawn: null })).toMatchObject({
        supply,
        amount: '12',
      })
    },
  )
  it.each([
    [{ name: ' ' }, 'name'],
    [{ amount: '' }, 'amount'],
    [{ amount: '-4' }, 'amount'],
    [{ amount: 'ten' }, 'amount'],
    [{ amount: '140' }, 'amount'],
    [{ as: '% w/w' }, 'density'],
    [{ chemicalClass: '' }, 'class'],
    [{ uses: [] }, 'uses'],
    [{ alsoGives: '400' }, 'also'],
    [{ alsoAt: '256' }, 'also'],
    [{ alsoGives: '200', alsoAt: '256' }, 'also'],
    [{ codes: 'abc' }, 'codes'],
    [{ supply: 'powder', amount: '101' }, 'amount'],
  ] as const)('with %j is told its fault and kept nowhere: %s', (change, fault) => {
    const wrong = { ...label, ...change } as LabelDraft
    expect(labelFaults(wrong)).toContain(fault)
    expect(labelOf(wrong)).toBeNull()
  })
  it.each([
    [{ name: '' }, 'name'],
    [{ hi: '' }, 'range'],
    [{ lo: '500' }, 'range'],
    [{ target: '500' }, 'target'],
    [{ target: '' }, 'target'],
    [{ contact: 'a minute' }, 'numbers'],
  ] as const)('a use with %j: %s', (change, fault) =>
    expect(useFaults({ ...use, ...change })).toContain(fault),
  )
  it('has its water in both units, the one that was not typed in whole degrees', () => {
    const water = (change: object) =>
      labelOf({ ...label, uses: [{ ...use, ...change }] })?.uses[0]?.temperature
    expect(water({ waterC: '', waterF: '75' })).toEqual({ c: 24, f: 75 })
    expect(water({ waterC: '24', waterF: '' })).toEqual({ c: 24, f: 75 })
    expect(water({ waterC: '', waterF: '' })).toBeNull()
  })
  it('says to read the label where its first aid was not copied, and is for what its uses are for', () => {
    const made = labelOf({ ...label, firstAid: ' ' }, 'Read it')
    expect([made?.firstAid, made?.purpose]).toEqual(['Read it', 'Cloths'])
  })
  it('counts what its figure counts', () => {
    const bleach = { ...label, amount: '5.25', counts: 'hypochlorite' } as const
    expect(supplyOf(bleach)).toMatchObject({ stock: expect.closeTo(50_007.5, 0) })
  })
})

const strip: InstrumentDraft = {
  ...emptyInstrument,
  name: 'Strips',
  blocks: '0 50 100/200',
  date: '2027-03-01',
}
const drafts: Record<string, InstrumentDraft> = {
  strip,
  titration: { ...strip, kind: 'titration', numbers: { perDrop: '25' } },
  thermometer: { ...strip, kind: 'thermometer', unit: '°F', numbers: { accuracy: '1' } },
  tool: { ...strip, kind: 'tool', numbers: { capacity: '150', graduation: '5', error: '0' } },
  scale: { ...strip, kind: 'scale', numbers: { graduation: '1', error: '0.5' } },
  dispenser: { ...strip, kind: 'dispenser', product: 'p', by: 'second', numbers: { millilitres: '4' } },
}

describe('an instrument as it is typed', () => {
  it.each(Object.entries(drafts))('a %s is kept and comes back as it was', (_, draft) => {
    const made = instrumentOf(draft)
    if (!made) throw new Error('no instrument')
    expect(instrumentOf(instrumentTyped(made))).toEqual(made)
  })
  it.each([
    [{ ...strip, blocks: '100 50' }, 'blocks'],
    [{ ...strip, blocks: '100' }, 'blocks'],
    [{ ...strip, blocks: '0 a' }, 'blocks'],
    [{ ...strip, date: '' }, 'date'],
    [{ ...strip, name: '' }, 'name'],
    [{ ...drafts['tool'], numbers: {} }, 'numbers'],
    [{ ...drafts['scale'], numbers: { graduation: '0', error: '0' } }, 'numbers'],
    [{ ...drafts['dispenser'], product: '' }, 'product'],
  ] as [InstrumentDraft, 'blocks'][])('is told what is wrong: case %#', (draft, fault) => {
    expect(instrumentFaults(draft)).toContain(fault)
    expect(instrumentOf(draft)).toBeNull()
  })
  it('without colours has shades in order, one a block', () => {
    expect(new Set(plainShades(5)).size).toBe(5)
    expect(plainShades(1)).toHaveLength(1)
  })
})

describe('a dose as its label words it', () => {
  const typed = (change: Partial<LabelDraft>) => supplyOf({ ...emptyLabel, ...change })
  it.each([
    [
      { supply: 'per-volume', amount: '3', unit: 'fl oz', per: '1', of: 'gal' },
      { kind: 'per-litre', millilitres: 23.4375 },
    ],
    [
      { supply: 'per-weight', amount: '10', unit: 'g', per: '2', of: 'L' },
      { kind: 'grams-per-litre', grams: 5 },
    ],
    [
      { supply: 'at-ratio', amount: '200', per: '256', meaning: 'in' },
      { kind: 'strength', stock: 51_200 },
    ],
    [
      { supply: 'pieces-per', amount: '1', per: '5', of: 'L', gives: '200' },
      { kind: 'pieces', active: 1000 },
    ],
  ] as const)('%j', (change, expected) => expect(typed(change)).toMatchObject(expected))
  it('is no dose while a number is missing, or a powder is typed by the cup', () => {
    expect(typed({ supply: 'per-volume', amount: '3', unit: 'fl oz', per: '' })).toBeNull()
    expect(typed({ supply: 'pieces-per', amount: '1', per: '5', gives: '' })).toBeNull()
    expect(typed({ supply: 'per-volume', amount: '3', unit: 'oz', per: '1' })).toBeNull()
  })
  it('is shown again as it was typed', () => {
    const words = { supply: 'per-volume', amount: '8', unit: 'fl oz', per: '3', of: 'qt' } as const
    const supply = typed(words)
    if (!supply) throw new Error('no supply')
    const kept = { ...emptyLabel, name: 'x', supply, uses: [], ppe: [], agent: null, id: 'x', codes: [] }
    expect(labelTyped(kept as unknown as Parameters<typeof labelTyped>[0])).toMatchObject(words)
  })
})
