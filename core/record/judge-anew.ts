import { interval, type Instant, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import {
  chosenPractice,
  modelCode,
  stripReading,
  titrationReading,
  type HotWaterPractice,
  type JudgedTemperature,
  type Judgement,
  type LocalRule,
  type StripPick,
  type TemperaturePair,
} from '../rules/index.ts'
import { kindOf, plateOf } from '../warewash/plate.ts'
import type { BathState } from '../bath/fold.ts'
import { canonicalText } from '../stream/canonical.ts'
import { pressureRead, surfaceOf, type HeatField, type HeatInstrument } from '../reading/heat-entry.ts'
import type { InstrumentSet } from '../house/instrument.ts'
import { anyTcs, type MixSet } from '../house/mix.ts'
import { coldStore } from '../house/typical.ts'
import type { ProductSet } from '../house/product.ts'
import type { StationSet } from '../house/station.ts'
import { judge, type Read } from '../reading/judge.ts'
import { madeFor } from '../reading/made-for.ts'
import type { ReadingTaken } from '../reading/reading.ts'
import {
  judgedTemperature,
  labelOf,
  notTold,
  type StripSet,
  type Thermometer,
  type TitrationSet,
} from '../reading/take-reading.ts'
import { useOfBath } from '../bath/way-back.ts'

/** What the site's own records say of what a reading depends on, as they stood when it was taken. */
export interface ReadingKnown {
  readonly product: (id: string) => Partial<ProductSet> | null
  readonly instrument: (id: string) => (Partial<InstrumentSet> & { readonly failed?: boolean }) | null
  readonly plate: (station: string) => StationSet | null
  readonly bath: (id: string) => BathState | null
  /** The mixes that a machine holds, as their makers state them; none where nobody said. */
  readonly mixesIn: (station: string) => readonly (Partial<MixSet> | null)[]
  /** The use of a product that the step of a run names; null where it is no step of a run. */
  readonly useOfStep: (run: string, step: string) => string | null
  /** ppm that the machine's manual asks for at the step of a run; null where it says nothing. */
  readonly strengthOfStep: (run: string, step: string) => Interval | null
  /** In force at that time. */
  readonly rules: readonly LocalRule[]
  readonly schools: Readonly<Record<string, string>>
  /** The wash temperature that the sink is held to by its detergent's label; see `washLabel`. */
  readonly washLabel: TemperaturePair | null
}

/** How a draft's reading differs from what the site's records make of it. */
export type ReadingFlag = 'label-differs' | 'rules-differ' | 'reading-differs' | 'verdict-differs'

/** What the server makes of a reading. */
export interface JudgedAnew {
  readonly read: Read
  readonly judgement: Judgement
  readonly local: readonly LocalRule[]
  readonly flags: readonly ReadingFlag[]
}

/**
 * Judges a reading by the site's own records: its label, strip, instrument, rules and practices, none of which is taken from whoever
 * sends. What was seen is taken: the block, the drops, the number. @param at when it was taken, milliseconds UTC.
 */
export function judgeAnew(taken: ReadingTaken, known: ReadingKnown, at: Instant): JudgedAnew {
  const read = readAnew(taken, known, at)
  const judgement = judge(read, known.rules)
  const flags: ReadingFlag[] = []
  if (!same(labelIn(read), labelIn(taken))) flags.push('label-differs')
  if (!same(known.rules, taken.local ?? [])) flags.push('rules-differ')
  if (!same(withoutLabel(read), withoutLabel(taken))) flags.push('reading-differs')
  if (judgement.overall !== taken.judgement.overall) flags.push('verdict-differs')
  return { read, judgement, local: known.rules, flags }
}

const same = (a: unknown, b: unknown) => canonicalText(a) === canonicalText(b)

/** What label, plate and practice ask, of a reading. */
function labelIn({ reading }: Read): unknown {
  const { label = null, plate = null, practice = null } = reading as unknown as Record<string, unknown>
  return { label, plate, practice }
}
function withoutLabel({ reading }: Read): unknown {
  const kept = Object.entries(reading).filter(([name]) => !['label', 'plate', 'practice'].includes(name))
  return Object.fromEntries(kept)
}

function readAnew(taken: ReadingTaken, known: ReadingKnown, at: Instant): Read {
  const heat = new HeatAnew(taken, known, at)
  switch (taken.what) {
    case 'sanitizer':
      return sanitizerAnew(taken, known, at, heat)
    case 'cold-product': {
      const { unit, value } = taken.reading
      const told = heat.degrees('product', { unit, reading: interval(value, value) }, 'food')
      const mixes = taken.station === null ? [] : known.mixesIn(taken.station)
      const notTcs = anyTcs(mixes) ? {} : { notTcs: true as const }
      const family = taken.station === null ? null : known.plate(taken.station)?.family
      const store = family === coldStore ? { store: true as const } : {}
      const as = { unit, value, interval: told?.reading ?? notTold, ...notTcs, ...store }
      return { what: 'cold-product', reading: as }
    }
    case 'dish-machine': {
      const r = taken.reading
      const plate = taken.station === null ? null : known.plate(taken.station)
      const kind = (plate && kindOf(plate.family)) ?? r.kind
      const practice = chosenPractice('hot-water-machine', known.schools) as HotWaterPractice
      const reading = {
        kind,
        wash: heat.degrees('wash', r.wash),
        rinse: heat.degrees('rinse', r.rinse),
        pressure: heat.pressure(r.pressure, r.pressureUnit ?? 'kPa'),
        ...(r.pressureUnit ? { pressureUnit: r.pressureUnit } : {}),
        surface: heat.surface(r.surface),
        plate: plate && plateOf(plate.parameters),
        practice,
      }
      return { what: 'dish-machine', reading }
    }
    case 'hot-water': {
      const { temperature, seconds } = taken.reading
      return {
        what: 'hot-water',
        reading: { temperature: heat.degrees('temperature', temperature), seconds },
      }
    }
    case 'wash-water': {
      const temperature = heat.degrees('temperature', taken.reading.temperature)
      return { what: 'wash-water', reading: { temperature, label: known.washLabel } }
    }
    case 'utensils': {
      const { kept, temperature, hours } = taken.reading
      const room = kept === 'room' ? null : heat.degrees('temperature', temperature)
      return { what: 'utensils', reading: { kept, temperature: room, hours } }
    }
  }
}

type SanitizerTaken = ReadingTaken & { readonly what: 'sanitizer' }

function sanitizerAnew(taken: SanitizerTaken, known: ReadingKnown, at: Instant, heat: HeatAnew): Read {
  const id = taken.product ?? ''
  const found = taken.product === null ? null : known.product(taken.product)
  const product = found?.uses ? (found as ProductSet) : null
  const use = product && useOf(taken, product, known)
  const { run, step } = taken
  const plate = run !== null && step !== null ? known.strengthOfStep(run, step) : null
  const on = taken.instruments.flatMap((i) => named(known.instrument(i), i))
  const strips = on.filter((i): i is StripSet & Named => i.kind === 'strip')
  const mayTest = <T extends StripSet | TitrationSet>(all: readonly T[]): T[] =>
    product ? madeFor({ ...product, id }, all) : []
  const strip = mayTest(strips.filter((s) => s.unit === 'ppm'))[0]
  const ph = strips.find((s) => s.unit === 'pH')
  const { strength, ph: phPick } = taken.picks
  const { hardness, temperature, agent } = taken.reading
  const kit = mayTest(on.filter((i): i is TitrationSet & Named => i.kind === 'titration'))[0]
  return {
    what: 'sanitizer',
    reading: {
      agent: product?.agent ?? agent,
      strength:
        strength && 'drops' in strength
          ? kit && at <= kit.bestBefore
            ? titrationReading(strength.drops, kit.perDrop)
            : null
          : seenOn(strip, strength, at),
      ph: seenOn(ph, phPick, at),
      temperature: heat.degrees('temperature', temperature),
      hardness,
      label: product && use ? labelOf(product, use) : null,
      ...(plate ? { plate } : {}),
    },
  }
}

type Named = { readonly id: string }
const named = (i: Partial<InstrumentSet> | null, id: string): (InstrumentSet & Named)[] =>
  i?.kind ? [{ ...(i as InstrumentSet), id }] : []

/** What a strip said, or null where it tells nothing: none was named, it was past its date, or has no such block. */
function seenOn(strip: StripSet | undefined, pick: StripPick | null, at: Instant): Interval | null {
  if (!strip || !pick) return null
  try {
    return stripReading({ ...strip, bestBefore: strip.bestBefore as Instant }, pick, at)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/** The label's use that a reading is judged by: the step's, the bath's, the rack's, or the one that was named. */
function useOf(taken: SanitizerTaken, product: ProductSet, known: ReadingKnown): string | null {
  const { run, step, bath, atRack } = taken
  const byStep = run !== null && step !== null ? known.useOfStep(run, step) : null
  if (byStep) return byStep
  if (atRack) return 'utensils'
  const mixed = bath === null ? null : known.bath(bath)
  if (mixed && mixed.product === taken.product) return useOfBath(mixed, product)?.id ?? null
  if (taken.use !== undefined) return taken.use
  // Records of before a use was written down: the one whose label they were shown.
  const shown = taken.reading.label
  const by = product.uses.filter((u) => u.range !== null)
  return (by.find((u) => shown && same(labelOf(product, u.id), shown)) ?? by[0])?.id ?? null
}

/** Numbers of heat, each on the instrument that the reading names for it. */
class HeatAnew {
  readonly #taken: ReadingTaken
  readonly #known: ReadingKnown
  readonly #at: Instant

  constructor(taken: ReadingTaken, known: ReadingKnown, at: Instant) {
    this.#taken = taken
    this.#known = known
    this.#at = at
  }

  /** The instrument named for a field; where none was named field by field, the only thermometer among all. */
  #on(field: HeatField): HeatInstrument | null {
    const { by, instruments } = this.#taken
    const ids = by ? [by[field] ?? ''] : instruments
    const all = ids.flatMap((id) => named(this.#known.instrument(id), id))
    const fitting = all.filter(isOfHeat)
    return fitting.length === 1 ? (fitting[0] ?? null) : null
  }

  degrees(
    field: HeatField,
    t: JudgedTemperature | null,
    medium: 'food' | 'water' = 'water',
  ): JudgedTemperature | null {
    const value = t && middleOf(t.reading)
    if (!t || value === null) return null
    const on = this.#on(field)
    const thermometer: Thermometer | null = on?.kind === 'thermometer' ? on : null
    // A number in another unit than its instrument's was not read on it.
    if (thermometer && thermometer.unit !== t.unit) return null
    return judgedTemperature({ value, unit: t.unit, thermometer }, this.#at, medium)
  }

  pressure(read: Interval | null, unit: 'kPa' | 'psi'): Interval | null {
    const on = this.#on('pressure')
    const gauge = on?.kind === 'pressure-gauge' ? on : null
    if (!read || read.hi === null || (gauge && gauge.unit !== unit)) return null
    // Near nothing it was cut off at nought: its upper end tells.
    const cut = read.lo === 0 && read.hi > 0
    const off = gauge?.accuracy ?? modelCode.accuracy.pressure[unit]
    const value = cut ? Number((read.hi - off).toFixed(6)) : middleOf(read)
    return value === null ? null : pressureRead(Math.max(0, value), unit, gauge, this.#at)
  }

  /** Off a label that turns, or typed off a probe. */
  surface(t: JudgedTemperature | null): JudgedTemperature | null {
    const on = this.#on('surface')
    if (!t || on?.kind !== 'indicator') return this.degrees('surface', t)
    try {
      return surfaceOf({ on: { surface: on }, turned: t.reading.lo !== null }, null, this.#at)
    } catch (error) {
      if (error instanceof Refusal) return null
      throw error
    }
  }
}

const isOfHeat = (i: InstrumentSet & Named): i is HeatInstrument & InstrumentSet =>
  i.kind === 'thermometer' || i.kind === 'pressure-gauge' || i.kind === 'indicator'
/** The number in the middle of what was read; null where an end is open. */
const middleOf = ({ lo, hi }: Interval): number | null =>
  lo === null || hi === null ? null : Number(((lo + hi) / 2).toFixed(6))
