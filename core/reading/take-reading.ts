import {
  type Agent,
  type Instrument,
  instrumentReading,
  type JudgedTemperature,
  type LabelUse,
  type LocalRule,
  type Medium,
  type SanitizerReading,
  type Strip,
  type StripPick,
  stripReading,
  titrationReading,
} from '../rules/index.ts'
import type { Instant, Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { judge, type Read } from './judge.ts'
import type { InstrumentSet } from '../house/instrument.ts'
import type { ProductSet } from '../house/product.ts'
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
    readonly instrument: (Thermometer & { readonly id?: string | undefined }) | null
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

export type Thermometer = ThermometerSet & { readonly failed?: boolean | undefined }
const asInstrument = (t: Thermometer | null): Instrument | null =>
  t && { name: t.name, unit: t.unit, accuracy: t.accuracy, checkDue: t.checkDue as Instant, failed: t.failed }

/** The label's words for one use, without the fields that judging does not need. */
export function labelOf(product: ProductSet, useId: string): LabelUse | null {
  const use = product.uses.find((u) => u.id === useId)
  if (!use?.range) return null
  const { range, temperature, hardestWater, contactSeconds, rinseAfter } = use
  return {
    name: `${product.name} label, ${use.name.toLowerCase()}`,
    range,
    temperature,
    hardestWater,
    contactSeconds,
    ...(rinseAfter ? { rinseAfter } : {}),
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
    temperature: t && judgedTemperature({ ...t, thermometer: t.instrument }, now),
    hardness: entry.hardness === null ? null : { lo: entry.hardness, hi: entry.hardness },
    label: labelOf(product, useId),
  }
}

const pickOf = (entry: SanitizerEntry['strength']): StripPick | Drops | null =>
  entry && ('pick' in entry ? entry.pick : { drops: entry.drops })

/** The payload of a sanitizer check, judged. @param place where it was read; `asked` is what the manual of the machine there asks for, ppm. */
export function sanitizerChecked(
  { asked = null, ...place }: Place & { readonly asked?: Interval | null },
  product: ProductSet & { readonly id: string },
  useId: string,
  entry: SanitizerEntry,
  instruments: readonly string[],
  now: Instant,
  local: readonly LocalRule[] = [],
): ReadingTaken {
  const reading = { ...readEntry(product, useId, entry, now), ...(asked ? { plate: asked } : {}) }
  return {
    ...place,
    what: 'sanitizer',
    product: product.id,
    use: useId,
    reading,
    picks: { strength: pickOf(entry.strength), ph: entry.ph?.pick ?? null },
    judgement: judge({ what: 'sanitizer', reading }, local),
    instruments,
    by: entry.temperature?.instrument?.id ? { temperature: entry.temperature.instrument.id } : {},
    ...(local.length > 0 ? { local } : {}),
  }
}

/** What a thermometer that failed its check tells. */
export const notTold: Interval = { lo: null, hi: null }

/** A temperature as typed: the number, its unit, and the thermometer it was read on, or null where none was. */
export interface TypedTemperature {
  readonly value: number
  readonly unit: '°C' | '°F'
  readonly thermometer: Thermometer | null
}

/**
 * A typed temperature as it is judged: a point or an interval, in the thermometer's own unit; null where nothing was typed or the
 * thermometer failed its check. @param now milliseconds UTC.
 */
export function judgedTemperature(
  typed: TypedTemperature | null,
  now: Instant,
  medium: Medium = 'water',
): JudgedTemperature | null {
  if (!typed) return null
  const unit = typed.thermometer?.unit ?? typed.unit
  const reading = instrumentReading(typed.value, unit, asInstrument(typed.thermometer), now, medium)
  return reading && { unit, reading }
}

/** The payload of a reading with its judgement. @param local rules of the site's authority that are in force. */
export function taken(
  read: Read,
  place: Place,
  instruments: readonly string[],
  local: readonly LocalRule[] = [],
  by?: Readonly<Record<string, string>>,
): ReadingTaken {
  const laid = local.length > 0 ? { local } : {}
  const on = by ? { by } : {}
  return { ...place, ...read, ...laid, ...on, instruments, judgement: judge(read, local) } as ReadingTaken
}
