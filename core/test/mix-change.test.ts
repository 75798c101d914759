import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { allergens, allergensBetween, asksFullClean, type MixSet } from '../house/index.ts'
import { forbiddenActs, latestProcedure, stationFold, waitsForFullClean } from '../procedure/index.ts'
import type { Procedure, StationState } from '../procedure/index.ts'
import { inForceFor } from '../record/index.ts'
import type { AnyDraft, AnyRecord } from '../stream/record.ts'
import { recordOf } from './records.ts'

const mix = (of: readonly string[] | null): Partial<MixSet> => ({ allergens: of as MixSet['allergens'] })
const some = fc.option(fc.subarray([...allergens]), { nil: null })

describe('two mixes', () => {
  it('ask for a full clean unless the allergens of both are known and the same', () => {
    fc.assert(
      fc.property(some, some, (a, b) => {
        const same = a !== null && b !== null && a.join() === b.join()
        expect(asksFullClean([mix(a)], [mix(b)])).toBe(!same)
      }),
    )
  })
  it('say which leave and which come', () => {
    expect(allergensBetween([mix(['milk', 'egg'])], [mix(['milk', 'peanut'])])).toEqual({
      leave: ['egg'],
      come: ['peanut'],
    })
    expect(allergensBetween([], [mix([])])).toBeNull()
    expect(allergensBetween([mix(['milk']), null], [mix(['milk'])])).toBeNull()
  })
})

describe('a machine whose next mix is another', () => {
  const known: Readonly<Record<string, Partial<MixSet>>> = {
    vanilla: mix(['milk']),
    cream: mix(['milk']),
    peanut: mix(['milk', 'peanut']),
  }
  const serving: StationState = {
    ...stationFold.initial('st'),
    facets: {
      ...stationFold.initial('st').facets,
      contents: 'product',
      assembly: 'whole',
      hygiene: 'sanitized',
    },
    sanitizedAt: 1000,
    countedAt: 900,
    holds: { mixes: ['vanilla'], reruns: [], step: '', before: null },
  }
  let at = 2000
  function changed(state: StationState, ...to: string[]): StationState {
    const made = recordOf(at++, 'mix.changed@1', { kind: 'station', id: 'st' }, { station: 'st', to })
    const inForce = inForceFor(made as unknown as AnyDraft, {
      station: () => state,
      run: () => null,
      procedure: () => null,
      product: () => null,
      mix: (id) => known[id] ?? null,
      freshHours: 4,
    })
    return stationFold.apply(state, { ...made, inForce } as AnyRecord)
  }
  const batch = latestProcedure('batch.open') as Procedure
  const forbidden = (s: StationState) =>
    forbiddenActs(batch, null, s, null, { at: at * 60_000, freshHours: 4 }).filter((f) => f.act === 'prime')

  it('with the same allergens goes on with it', () => {
    const next = changed(serving, 'cream')
    expect(next).toMatchObject({
      holds: { mixes: ['cream'] },
      facets: { hygiene: 'sanitized' },
      sanitizedAt: 1000,
    })
    expect(next.mixChange).toBeUndefined()
  })
  it('with others is soiled, and takes no product before it was taken apart, counted and sanitized', () => {
    const next = changed(serving, 'peanut')
    expect(next).toMatchObject({
      facets: { hygiene: 'soiled' },
      sanitizedAt: null,
      mixChange: { to: ['peanut'] },
    })
    expect(forbidden(next)).not.toEqual([])
    // Solution run through it without taking it apart is not enough.
    const through = {
      ...next,
      facets: { ...next.facets, hygiene: 'sanitized' as const },
      sanitizedAt: at * 60_000,
    }
    expect(waitsForFullClean(through)).toBe(true)
    expect(forbidden({ ...through, facets: { ...through.facets, partsOut: 0 } })).toMatchObject([
      { why: 'mix-changed' },
    ])
    expect(waitsForFullClean({ ...through, countedAt: (at + 1) * 60_000 })).toBe(false)
  })
  it('of which nobody knows the allergens is cleaned fully too', () => {
    expect(changed(serving, 'unheard-of').mixChange).toBeDefined()
    expect(
      changed({ ...serving, holds: undefined } as unknown as StationState, 'vanilla').mixChange,
    ).toBeDefined()
  })
  it('without the server’s word asks for the full clean', () => {
    const bare = recordOf(
      at++,
      'mix.changed@1',
      { kind: 'station', id: 'st' },
      { station: 'st', to: ['cream'] },
    )
    expect(stationFold.apply(serving, bare as unknown as AnyRecord).mixChange).toBeDefined()
  })
  it('that stays what it was is as it was before, and no cleaner', () => {
    expect(changed(changed(serving, 'peanut'), 'vanilla')).toEqual(serving)
    const twice = changed(changed(changed(serving, 'peanut'), 'cream'), 'vanilla')
    expect(twice.facets.hygiene).not.toBe('unknown')
    const dirty = {
      ...serving,
      facets: { ...serving.facets, hygiene: 'unknown' as const },
      sanitizedAt: null,
    }
    expect(changed(changed(dirty, 'peanut'), 'vanilla')).toEqual(dirty)
  })
  it('is settled once it is sanitized after its parts were counted in', () => {
    const asked = changed(serving, 'peanut')
    const done = {
      ...asked,
      facets: { ...asked.facets, hygiene: 'sanitized' as const },
      sanitizedAt: at * 60_000,
      countedAt: at * 60_000,
    }
    const seen = recordOf(
      at++,
      'sign.seen@1',
      { kind: 'station', id: 'st' },
      { station: 'st', sign: 'x', note: '' },
    )
    const settled = stationFold.apply(done, seen as unknown as AnyRecord)
    expect(settled.mixChange).toBeUndefined()
    expect(settled.holds?.mixes).toEqual(['peanut'])
  })
})
