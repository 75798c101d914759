import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { instant, ppm } from '../../quantity/index.ts'
import {
  heatFieldsOf,
  heatRead,
  namedOn,
  sanitizerChecked,
  taken,
  type HeatEntry,
  type HeatInstrument,
  type HeatWhat,
  type ReadingTaken,
} from '../../reading/index.ts'
import { judgeAnew, type ReadingKnown } from '../../record/index.ts'
import { type InstrumentSet, type ProductSet, type StationSet } from '../../house/index.ts'
import { chosenPractice, type HotWaterPractice, type LocalRule, type StripPick } from '../../rules/index.ts'
import { machineKinds, plateOf } from '../../warewash/index.ts'

/** Whole with `--long`; else a seeded tenth of it. */
const runs = process.env['TADKA_LONG'] === undefined ? { numRuns: 5000, seed: 20_260 } : { numRuns: 50_000 }
const now = instant(1_000_000)
const place = { station: 'dish', run: null, step: null, bath: null, case: null }

const thermometer = fc.record({
  unit: fc.constantFrom('°C' as const, '°F' as const),
  accuracy: fc.integer({ min: 1, max: 40 }).map((n) => n / 10),
  checkDue: fc.constantFrom(0, 2_000_000),
  failed: fc.boolean(),
})
const gauge = fc.record({
  unit: fc.constantFrom('kPa' as const, 'psi' as const),
  accuracy: fc.integer({ min: 1, max: 30 }),
  checkDue: fc.constantFrom(0, 2_000_000),
})
const tenths = (min: number, max: number) => fc.integer({ min: min * 10, max: max * 10 }).map((n) => n / 10)
const maybe = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: undefined })

const heat = fc.record({
  what: fc.constantFrom<HeatWhat>('dish-machine', 'hot-water', 'wash-water', 'cold-product', 'utensils'),
  kind: fc.constantFrom(...machineKinds),
  probe: thermometer,
  gauge,
  named: fc.boolean(),
  turned: fc.constantFrom(null, true, false),
  byLabel: fc.boolean(),
  us: fc.boolean(),
  practice: fc.constantFrom('manifold', 'surface', 'last-seconds'),
  numbers: fc.record({
    wash: maybe(tenths(20, 110)),
    rinse: maybe(tenths(20, 110)),
    pressure: maybe(tenths(0, 300)),
    surface: maybe(tenths(20, 110)),
    temperature: maybe(tenths(0, 110)),
    seconds: maybe(fc.integer({ min: 0, max: 120 })),
    product: maybe(tenths(-20, 60)),
    hours: maybe(fc.integer({ min: 0, max: 40 })),
  }),
  kept: fc.constantFrom('room' as const, 'refrigerated' as const),
  plate: fc.record({ washC: fc.integer({ min: 40, max: 80 }), rinseC: fc.integer({ min: 60, max: 90 }) }),
  rule: fc.option(fc.integer({ min: 60, max: 95 })),
})

const ruleOf = (least: number): LocalRule => ({
  id: 'r',
  authority: 'Port health',
  effect: { kind: 'adds' },
  quantity: 'rinse',
  unit: '°C',
  limit: { lo: least, hi: null },
  from: instant(0),
  until: null,
  reason: 'as they wrote',
})

describe('for 100 000 random readings in all', () => {
  it('of heat, the verdict shown, the verdict stored and the server’s are one', () => {
    fc.assert(
      fc.property(heat, (h) => {
        // Nothing typed is no reading: none is sent.
        fc.pre(h.what !== 'cold-product' || h.numbers.product !== undefined)
        const probe = { kind: 'thermometer', name: 'p', id: 'probe', ...h.probe } as unknown as HeatInstrument
        const pressure = {
          kind: 'pressure-gauge',
          name: 'g',
          id: 'gauge',
          station: 'dish',
          ...h.gauge,
        } as HeatInstrument
        const label = {
          kind: 'indicator',
          name: 'l',
          id: 'label',
          unit: '°C',
          turnsAt: 71,
          bestBefore: 2e6,
        } as HeatInstrument
        const surface = h.byLabel ? label : probe
        const on: HeatEntry['on'] = h.named
          ? { wash: probe, rinse: probe, temperature: probe, product: probe, pressure, surface }
          : {}
        const numbers = Object.fromEntries(
          Object.entries(h.numbers).filter(([, v]) => v !== undefined),
        ) as HeatEntry['numbers']
        const plate: StationSet = {
          name: 'd',
          tag: '1',
          place: '',
          family: `dish-machine.${h.kind}`,
          model: '',
          parameters: h.plate,
          duties: [],
        }
        const schools = { 'hot-water-machine': h.practice }
        const rules = h.rule === null ? [] : [ruleOf(h.rule)]
        const entry: HeatEntry = {
          numbers,
          on,
          turned: h.turned,
          kind: h.kind,
          kept: h.kept,
          units: h.us ? { temperature: '°F', pressure: 'psi' } : { temperature: '°C', pressure: 'kPa' },
          plate: plateOf(h.plate),
          practice: chosenPractice('hot-water-machine', schools) as HotWaterPractice,
          label: null,
        }
        const by = namedOn(on, heatFieldsOf(h.what, h.kind, h.kept))
        const shown = taken(heatRead(h.what, entry, now), place, Object.values(by), rules, by)
        const known: ReadingKnown = {
          product: () => null,
          instrument: (id) =>
            ([probe, pressure, label].find((i) => i.id === id) ?? null) as ReturnType<
              ReadingKnown['instrument']
            >,
          plate: () => plate,
          bath: () => null,
          mixesIn: () => [],
          useOfStep: () => null,
          strengthOfStep: () => null,
          rules,
          schools,
          washLabel: null,
        }
        const anew = judgeAnew(shown, known, now)
        expect(anew.flags).toEqual([])
        expect(anew.judgement).toEqual(shown.judgement)
      }),
      runs,
    )
  })

  const blocks = [0, 50, 100, 150, 200]
  const picks: fc.Arbitrary<StripPick> = fc.oneof(
    fc.constantFrom(...blocks).map((matches) => ({ matches })),
    fc.integer({ min: 0, max: 3 }).map((i) => ({ between: [blocks[i] ?? 0, blocks[i + 1] ?? 0] as const })),
    fc.constant({ darkerThan: 200 }),
  )
  const solution = fc.record({
    asked: fc.option(fc.constantFrom({ lo: 150, hi: 200 }, { lo: null, hi: 100 }, { lo: 60, hi: null })),
    pick: fc.option(picks),
    drops: fc.option(fc.integer({ min: 0, max: 20 })),
    ph: fc.option(fc.constantFrom(...[5, 6, 7, 8, 9].map((matches) => ({ matches })))),
    probe: thermometer,
    degrees: fc.option(tenths(0, 60)),
    hardness: fc.option(fc.integer({ min: 0, max: 900 })),
    agent: fc.constantFrom('chlorine' as const, 'quat' as const, 'iodine' as const),
    lo: fc.integer({ min: 5, max: 150 }),
    wide: fc.integer({ min: 0, max: 300 }),
    rinseAfter: fc.boolean(),
    bestBefore: fc.constantFrom(2_000_000, 3_000_000),
  })
  it('of a solution, too', () => {
    fc.assert(
      fc.property(solution, (s) => {
        const product: ProductSet & { id: string } = {
          id: 'p',
          name: 'p',
          purpose: '',
          chemicalClass: 'quat',
          agent: s.agent,
          supply: { kind: 'strength', stock: ppm(90_000) },
          uses: [
            {
              id: 'u',
              name: 'u',
              range: { lo: s.lo, hi: s.lo + s.wide },
              target: s.lo,
              temperature: null,
              hardestWater: null,
              contactSeconds: null,
              rinseAfter: s.rinseAfter,
            },
          ],
          ppe: [],
          firstAid: '',
          neverWith: null,
        }
        const strip = {
          kind: 'strip',
          name: 's',
          unit: 'ppm',
          agent: s.agent,
          blocks,
          colours: [],
          bestBefore: s.bestBefore,
        } as const
        const ph = {
          kind: 'strip',
          name: 'ph',
          unit: 'pH',
          agent: null,
          blocks: [5, 6, 7, 8, 9],
          colours: [],
          bestBefore: s.bestBefore,
        } as const
        const kit = {
          kind: 'titration',
          name: 'k',
          agent: s.agent,
          perDrop: 25,
          bestBefore: s.bestBefore,
        } as const
        const probe = { kind: 'thermometer' as const, name: 't', id: 'probe', ...s.probe }
        const all: Record<string, Partial<InstrumentSet> & { failed?: boolean }> = { strip, ph, kit, probe }
        const shown = sanitizerChecked(
          { ...place, station: 's', run: 'r', step: 'k', asked: s.asked },
          product,
          'u',
          {
            strength: s.drops !== null ? { kit, drops: s.drops } : s.pick && { strip, pick: s.pick },
            ph: s.ph && { strip: ph, pick: s.ph },
            temperature:
              s.degrees === null ? null : { value: s.degrees, unit: probe.unit, instrument: probe },
            hardness: s.hardness,
          },
          Object.keys(all),
          now,
        )
        const known: ReadingKnown = {
          product: () => product,
          instrument: (id) => all[id] ?? null,
          plate: () => null,
          bath: () => null,
          mixesIn: () => [],
          useOfStep: () => null,
          strengthOfStep: () => s.asked,
          rules: [],
          schools: {},
          washLabel: null,
        }
        const anew = judgeAnew(shown, known, now)
        expect(anew.flags).toEqual([])
        expect(anew.judgement).toEqual(shown.judgement)
        // What the machine's manual asks for is not taken from whoever sends.
        const forged = { ...shown, reading: { ...shown.reading, plate: undefined } } as ReadingTaken
        expect(judgeAnew(forged, known, now).judgement).toEqual(shown.judgement)
      }),
      runs,
    )
  })
})
