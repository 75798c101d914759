import { instrumentReading, stripReading, titrationReading } from '../rules/index.ts'
import type {
  Agent,
  Instrument,
  JudgedTemperature,
  LabelUse,
  LocalRule,
  SanitizerReading,
  Strip,
  StripPick,
} from '../rules/index.ts'
import type { Instant, Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { judge, type Read } from './judge.ts'
import type { InstrumentSet, ProductSet } from './house.ts'
import type { Drops, ReadingTaken } from './reading.ts'

export interface Place {
  readonly station: string | null
  readonly run: string | null
  readonly step: string | null
  readonly bath: string | null
  readonly case: string | null
  /** Sanitizer as it reaches the ware in a dish machine that sanitizes by it. */
  readonly atRack?: true
}

export type StripSet = InstrumentSet & { readonly kind: 'strip' }
export type TitrationSet = InstrumentSet & { readonly kind: 'titration' }
export type ThermometerSet = InstrumentSet & { readonly kind: 'thermometer' }

interface StripEntry {
  readonly strip: StripSet
  readonly pick: StripPick
}

/** What a person entered about a solution; null where nothing was entered yet. */
export interface SanitizerEntry {
  readonly strength: StripEntry | { readonly kit: TitrationSet; readonly drops: number } | null
  readonly ph: StripEntry | null
  readonly temperature: {
    readonly value: number
    readonly unit: '°C' | '°F'
    readonly instrument: ThermometerSet | null
  } | null
  /** mg/L as CaCO3. */
  readonly hardness: number | null
}

const asStrip = (s: StripSet): Strip => ({
  name: s.name,
  blocks: s.blocks,
  unit: s.unit,
  bestBefore: s.bestBefore as Instant,
})

const asInstrument = (t: ThermometerSet | null): Instrument | null =>
  t && { name: t.name, unit: t.unit, accuracy: t.accuracy, checkDue: t.checkDue as Instant }

/** The label's words for one use, without the fields that judging does not need. */
export function labelOf(product: ProductSet, useId: string): LabelUse | null {
  const use = product.uses.find((u) => u.id === useId)
  if (!use?.range) return null
  const { range, temperature, hardestWater, contactSeconds } = use
  return {
    name: `${product.name} label, ${use.name.toLowerCase()}`,
    range,
    temperature,
    hardestWater,
    contactSeconds,
  }
}

/** Entry to reading: strips become intervals, thermometers points or intervals. Throws `strip_void`, `strip_block_unknown`. */
export function readEntry(
  product: ProductSet,
  useId: string,
  entry: SanitizerEntry,
  now: Instant,
): SanitizerReading {
  const t = entry.temperature
  const picked = (p: SanitizerEntry['strength']): Interval | null => {
    if (!p) return null
    if ('strip' in p) return stripReading(asStrip(p.strip), p.pick, now)
    if (now > p.kit.bestBefore) throw new Refusal('strip_void', { field: 'strip' })
    return titrationReading(p.drops, p.kit.perDrop)
  }
  return {
    agent: product.agent ?? ('other' satisfies Agent),
    strength: picked(entry.strength),
    ph: picked(entry.ph),
    temperature: t && {
      unit: t.unit,
      reading: instrumentReading(t.value, t.unit, asInstrument(t.instrument), now),
    },
    hardness: entry.hardness === null ? null : { lo: entry.hardness, hi: entry.hardness },
    label: labelOf(product, useId),
  }
}

const pickOf = (entry: SanitizerEntry['strength']): StripPick | Drops | null =>
  entry && ('pick' in entry ? entry.pick : { drops: entry.drops })

/** The payload of a sanitizer check, judged. */
export function sanitizerChecked(
  place: Place,
  product: ProductSet & { readonly id: string },
  useId: string,
  entry: SanitizerEntry,
  instruments: readonly string[],
  now: Instant,
  local: readonly LocalRule[] = [],
): ReadingTaken {
  const reading = readEntry(product, useId, entry, now)
  return {
    ...place,
    what: 'sanitizer',
    product: product.id,
    reading,
    picks: { strength: pickOf(entry.strength), ph: entry.ph?.pick ?? null },
    judgement: judge({ what: 'sanitizer', reading }, local),
    instruments,
    ...(local.length > 0 ? { local } : {}),
  }
}

/** The payload of a product temperature check, judged. `value` is in `unit`, the thermometer's own. */
export function coldProductChecked(
  place: Place,
  value: number,
  unit: '°C' | '°F',
  thermometer: (ThermometerSet & { readonly id: string }) | null,
  now: Instant,
  local: readonly LocalRule[] = [],
): ReadingTaken {
  const interval = instrumentReading(value, unit, asInstrument(thermometer), now)
  const read: Read = { what: 'cold-product', reading: { unit, value, interval } }
  return taken(read, place, thermometer ? [thermometer.id] : [], local)
}

/** A temperature as typed: the number, the thermometer it was read on, or null where none was. */
export interface TypedTemperature {
  readonly value: number
  readonly thermometer: ThermometerSet | null
}

/** A typed temperature as it is judged: a point or an interval, in the thermometer's own unit. @param now milliseconds UTC. */
export function judgedTemperature(typed: TypedTemperature | null, now: Instant): JudgedTemperature | null {
  if (!typed) return null
  const unit = typed.thermometer?.unit ?? '°C'
  return { unit, reading: instrumentReading(typed.value, unit, asInstrument(typed.thermometer), now) }
}

/** The payload of a reading with its judgement. @param local rules of the site's authority that are in force. */
export function taken(
  read: Read,
  place: Place,
  instruments: readonly string[],
  local: readonly LocalRule[] = [],
): ReadingTaken {
  const laid = local.length > 0 ? { local } : {}
  return { ...place, ...read, ...laid, instruments, judgement: judge(read, local) } as ReadingTaken
}
