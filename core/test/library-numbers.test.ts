import { describe, expect, it } from 'vitest'
import {
  latestProcedure,
  listing,
  startInForce,
  stepsOf,
  usesOf,
  type Procedure,
} from '../procedure/index.ts'

describe('a procedure as it hangs on the wall', () => {
  it('is numbered through, its groups set off, with only what its options leave in', () => {
    const p = latestProcedure('ice-nugget.half-year') as Procedure
    const inPlace = listing(p, { school: 'in-place', bearing: 'sealed' })
    const soak = listing(p, { school: 'soak', bearing: 'greased' })
    const ids = (lines: typeof soak) => lines.flatMap((l) => (l.kind === 'step' ? [l.step.id] : []))
    expect(ids(inPlace)).not.toContain('soak-fill')
    expect(ids(soak)).toContain('soak-fill')
    expect(ids(inPlace)).not.toContain('grease')
    const numbers = soak.flatMap((l) => (l.kind === 'step' ? [l.number] : []))
    expect(numbers).toEqual(numbers.map((_, i) => i + 1))
    expect(usesOf(p, {})).toEqual(['descale', 'ice-sanitizer'])
  })
})

// Common practice, no source.
describe('the trade’s numbers stand in the library', () => {
  const find = (id: string, key: string) =>
    stepsOf(latestProcedure(id)?.nodes ?? []).find((s) => s.id === key)
  it.each([
    [
      'gravity soft-serve brings its parts home by count',
      'soft-serve-gravity.open',
      'parts-in',
      { kind: 'parts', direction: 'in' },
    ],
    [
      'custard blades: 12 a barrel, one long',
      'custard.open',
      'parts-in',
      {
        parts: expect.arrayContaining([
          expect.objectContaining({ id: 'blade-long', count: 1, per: 'barrels' }),
          expect.objectContaining({ id: 'blade', count: 11, per: 'barrels' }),
        ]),
      },
    ],
    [
      'custard seals are packed',
      'custard.open',
      'lubricate',
      { yes: expect.arrayContaining([{ part: 'Rear seal', amount: 'packed' }]) },
    ],
    ['custard door nuts go crosswise', 'custard.open', 'nuts', { how: 'crosswise' }],
    [
      'twin head ring generously, shaft seals a pea',
      'soft-serve-twin.open',
      'lubricate',
      {
        yes: expect.arrayContaining([
          { part: 'Large head O-rings', amount: 'generous' },
          expect.objectContaining({ part: 'Inside of the shaft seals', amount: 'pea' }),
        ]),
      },
    ],
    [
      'the hex end of the shaft stays dry',
      'soft-serve-gravity.open',
      'lubricate',
      { never: expect.arrayContaining(['Hex end of the shaft']) },
    ],
    [
      'the nugget breaker cover turns the other way',
      'ice-nugget.half-year',
      'cover',
      { how: 'reverse-thread' },
    ],
    ['nugget ice-making is tended', 'ice-nugget.half-year', 'descaler-ice', { kind: 'tend', every: 4 }],
    ['grinder screws go crosswise', 'grinder.weekly', 'screws', { how: 'crosswise', count: 4 }],
    ['the espresso soak is hot', 'espresso.close', 'soak-mix', { water: { lo: 70, hi: 90, unit: '°C' } }],
    [
      'the sink’s wash water is 43 °C or more',
      'sink.set-up',
      'wash-mix',
      { water: { lo: 43, hi: 55, unit: '°C' } },
    ],
    [
      'the plug is pulled, not the front switch',
      'soft-serve-gravity.close',
      'isolate',
      { by: 'plug', hazardous: true },
    ],
  ] as const)('%s', (_, id, key, shape) => expect(find(id, key)).toMatchObject(shape))
  it('a run keeps its options and numbers', () => {
    const p = latestProcedure('slush.in-place') as Procedure
    const plate = {
      name: 's',
      tag: '',
      place: '',
      family: 'slush',
      model: '',
      duties: [],
      parameters: { bowls: 2, rinse: 7600, pailHolds: 1, agitate: 5, sanitize: 5, other: 3 },
      options: { gasket: 'dry' },
    }
    const started = startInForce({ plate }, p)
    expect(started.options).toEqual({ gasket: 'dry', leftover: 'rerun' })
    expect(started.parameters).not.toHaveProperty('other')
  })
})
