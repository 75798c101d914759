import {
  nearAt,
  placesFor,
  shelfFold,
  storeTold,
  wrongSlots,
  type ShelfSet,
  type ShelfState,
} from '../../shelf/index.ts'
import { chemicalClasses, clashOf, type ChemicalClass } from '../../solution/index.ts'
import { productFold } from '../../house/index.ts'
import type { AnyRecord, Payloads } from '../../stream/index.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { recordOf } from '../records.ts'

const set: ShelfSet = {
  ...{ name: 'Cupboard', area: 'Galley', kind: 'shelf', over: null },
  ...{ beside: [], partitioned: false, slots: [] },
}
const place = (id: string, stands: readonly string[], more: Partial<ShelfSet> = {}): ShelfState => ({
  ...{ id, shelf: { ...set, ...more }, filled: {} },
  stands: Object.fromEntries(stands.map((s) => [s, 1])),
})
const label = (
  id: string,
  chemicalClass: ChemicalClass,
  neverWith: readonly ChemicalClass[] | null = [],
) => ({
  ...{ id, chemicalClass, neverWith },
})
const products = [
  label('bleach', 'hypochlorite'),
  label('descaler', 'acid'),
  label('soap', 'detergent'),
  label('quat', 'quat'),
  label('odd', 'alkaline', ['hypochlorite']),
  label('unread', 'detergent', null),
]
const near = (...shelves: ShelfState[]) => storeTold(shelves, products).tooNear

describe('what stands too near', () => {
  it('names acid beside chlorine, with what comes of it', () => {
    expect(near(place('a', ['bleach', 'descaler']))).toEqual([
      {
        ...{ at: 'a', under: 'a', near: 'beside', product: 'bleach', with: 'product', other: 'descaler' },
        ...{ effect: 'toxic-gas', danger: true },
      },
    ])
  })
  it('names what drips on what it must not meet, over one place and over several', () => {
    const chain = [
      place('top', ['descaler'], { over: 'middle' }),
      place('middle', [], { over: 'low' }),
      place('low', ['bleach']),
    ]
    expect(near(...chain)).toMatchObject([{ at: 'top', under: 'low', near: 'above', danger: true }])
  })
  it('does not name what is below, nor what stands in another cupboard', () => {
    expect(near(place('top', ['bleach']), place('other', ['descaler']))).toEqual([])
  })
  it('holds trays apart side by side, never one above the other: what leaks runs down', () => {
    const low = place('low', ['bleach', 'descaler'], { partitioned: true })
    expect(near(low)).toEqual([])
    expect(near(place('top', ['descaler'], { over: 'low', partitioned: true }), low)).toMatchObject([
      { near: 'above', product: 'descaler', other: 'bleach' },
    ])
  })
  it('tells what one makes of the other apart from what hurts people, dangers first', () => {
    const told = near(place('a', ['soap', 'quat']), place('b', ['bleach', 'quat']))
    expect(told.map((n) => n.danger)).toEqual([true, false])
  })
  it('holds to be a danger what only the label names', () => {
    expect(near(place('a', ['odd', 'bleach']))).toMatchObject([{ effect: 'label', danger: true }])
  })
  // FDA Food Code 2022, 7-201.11, from memory: by spacing or partitioning, and not above food, ware, linen.
  it.each([
    ['food beside', place('a', ['soap'], { beside: ['food'] }), true],
    ['ware beside: in the dish room the code lets it', place('a', ['soap'], { beside: ['ware'] }), false],
  ])('%s', (_, shelf, danger) => {
    expect(near(shelf)).toMatchObject([{ near: 'beside', danger }])
  })
  it.each(['food', 'ware'] as const)('%s below a chemical is never let pass, trays or not', (what) => {
    const low = place('low', [], { beside: [what] })
    const told = near(place('top', ['soap'], { over: 'low', partitioned: true }), low)
    expect(told).toMatchObject([{ near: 'above', with: what, danger: true }])
  })
  it('comes to an end where places stand over each other in a ring', () => {
    const ring = [place('a', ['bleach'], { over: 'b' }), place('b', ['soap'], { over: 'a' })]
    expect(near(...ring)).toHaveLength(2)
  })
  it('leaves out a place that is none any more', () => {
    expect(near(place('a', ['bleach', 'descaler'], { ended: true }))).toEqual([])
  })
  it('says whose label nobody has read, and what stands nowhere', () => {
    const told = storeTold([place('a', ['unread'])], products)
    expect(told.unread).toEqual(['unread'])
    expect(told.nowhere).toEqual(['bleach', 'descaler', 'soap', 'quat', 'odd'])
  })
  it('never offers a place where something would be too near', () => {
    const anyProduct = fc.record({ class: fc.constantFrom(...chemicalClasses) })
    const anyShelf = fc.record({
      stands: fc.subarray([0, 1, 2, 3, 4]),
      over: fc.constantFrom(null, 's0', 's1', 's2'),
      partitioned: fc.boolean(),
      beside: fc.subarray(['food', 'ware'] as const),
    })
    fc.assert(
      fc.property(
        fc.array(anyProduct, { minLength: 5, maxLength: 5 }),
        fc.array(anyShelf, { minLength: 1, maxLength: 4 }),
        (drawn, shelves) => {
          const labels = drawn.map((d, i) => label(`p${i}`, d.class))
          const all = shelves.map((s, i) =>
            place(
              `s${i}`,
              s.stands.map((n) => `p${n}`),
              s,
            ),
          )
          for (const id of placesFor('p0', all, labels)) {
            expect(nearAt(id, 'p0', all, labels)).toEqual([])
            const there = all.find((s) => s.id === id)
            const clashes = Object.keys(there?.stands ?? {}).filter(
              (p) =>
                p !== 'p0' &&
                clashOf(labels[0]?.chemicalClass ?? 'acid', labels[Number(p[1])]?.chemicalClass ?? 'acid'),
            )
            if (!there?.shelf?.partitioned) expect(clashes).toEqual([])
          }
        },
      ),
    )
  })
})

describe('a dispenser', () => {
  const slots = [
    { mark: '1', product: 'soap' },
    { mark: '2', product: 'bleach' },
  ]
  const wall = place('wall', [], { kind: 'dispenser', slots, partitioned: true })
  it('holds what belongs in its slots until another is put in', () => {
    expect(storeTold([wall], products).wrong).toEqual([])
    const filled = { ...wall, filled: { '2': { product: 'descaler', at: 1 } } }
    expect(storeTold([filled], products).wrong).toEqual([
      { at: 'wall', mark: '2', belongs: 'bleach', product: 'descaler' },
    ])
  })
  it('is judged by what is in it, not by what belongs there', () => {
    const filled = {
      ...wall,
      shelf: { ...set, kind: 'dispenser' as const, slots },
      filled: { '1': { product: 'descaler', at: 1 } },
    }
    expect(storeTold([filled], products).tooNear).toMatchObject([{ effect: 'toxic-gas' }])
  })
})

describe('the log of the store', () => {
  let n = 0
  const at = (id: string) => ({ kind: 'shelf', id }) as const
  const folded = (id: string, ...records: AnyRecord[]) =>
    records.reduce(shelfFold.apply, shelfFold.initial(id))
  it('takes what was brought elsewhere from where it stood', () => {
    const here = recordOf(++n, 'shelf.stands@1', at('a'), { product: 'soap', here: true, from: null })
    const moved = recordOf(++n, 'shelf.stands@1', at('b'), { product: 'soap', here: true, from: 'a' })
    expect(Object.keys(folded('a', here).stands)).toEqual(['soap'])
    expect(Object.keys(folded('a', here, moved).stands)).toEqual([])
    expect(Object.keys(folded('b', moved).stands)).toEqual(['soap'])
  })
  it('of a slot counts the product that belongs there now: once that is another, nothing is wrong any more', () => {
    const filled = (product: string) =>
      recordOf(++n, 'slot.filled@1', at('wall'), { mark: '2', belongs: 'bleach', product })
    const slotFor = (product: string) =>
      recordOf(++n, 'shelf.set@1', at('wall'), {
        ...{ ...set, kind: 'dispenser' },
        slots: [{ mark: '2', product }],
      })
    const wrong = folded('wall', slotFor('bleach'), filled('descaler'))
    expect(wrongSlots([wrong])).toMatchObject([{ belongs: 'bleach', product: 'descaler' }])
    expect(wrongSlots([folded('wall', slotFor('bleach'), filled('descaler'), filled('bleach'))])).toEqual([])
    expect(wrongSlots([shelfFold.apply(wrong, slotFor('descaler'))])).toEqual([])
  })
  it('counts empty containers that wait, and never more away than stood there', () => {
    const soap = { kind: 'product', id: 'soap' } as const
    const emptied = (count: number, went: Payloads['container.emptied@1']['went']) =>
      recordOf(++n, 'container.emptied@1', soap, { count, went })
    const gone = (count: number) => recordOf(++n, 'container.gone@1', soap, { count, went: 'returned' })
    const after = (...records: AnyRecord[]) =>
      records.reduce(productFold.apply, productFold.initial('soap')).empties?.waiting ?? 0
    expect(after(emptied(2, 'waits'), emptied(1, 'rinsed'), emptied(1, 'waits'))).toBe(3)
    expect(after(emptied(3, 'waits'), gone(2))).toBe(1)
    expect(after(emptied(1, 'waits'), gone(5))).toBe(0)
  })
})
