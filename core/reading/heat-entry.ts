import { interval, type Instant, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import {
  modelCode,
  type DataPlate,
  type DishMachineKind,
  type HotWaterPractice,
  type JudgedTemperature,
  type PressureUnit,
  type TemperaturePair,
} from '../rules/index.ts'
import type { InstrumentSet } from '../house/instrument.ts'
import type { Read } from './judge.ts'
import { judgedTemperature, notTold, type Thermometer } from './take-reading.ts'

export type HeatWhat = 'dish-machine' | 'hot-water' | 'wash-water' | 'cold-product' | 'utensils'
export type Kept = 'room' | 'refrigerated'
export const heatFields = [
  'wash',
  'rinse',
  'pressure',
  'surface',
  'temperature',
  'seconds',
  'product',
  'hours',
] as const
export type HeatField = (typeof heatFields)[number]

export type PressureGauge = InstrumentSet & { readonly kind: 'pressure-gauge' }
export type Indicator = InstrumentSet & { readonly kind: 'indicator' }
/** What a number of heat can be read on. */
export type HeatInstrument = (Thermometer | PressureGauge | Indicator) & { readonly id: string }

/** What was typed off gauges and thermometers; a field left out was not read. */
export interface HeatEntry {
  readonly numbers: Readonly<Partial<Record<HeatField, number>>>
  /** The instrument of each field, where one was named. */
  readonly on: Readonly<Partial<Record<HeatField, HeatInstrument>>>
  /** Whether the label run through on the ware turned; null where none was. */
  readonly turned: boolean | null
  readonly kind: DishMachineKind
  readonly kept: Kept
  /** Units of what was read on no instrument of the site's. */
  readonly units: { readonly temperature: '°C' | '°F'; readonly pressure: PressureUnit }
  readonly plate: DataPlate | null
  readonly practice: HotWaterPractice
  /** The detergent label's wash temperature, where the site goes by it. */
  readonly label: TemperaturePair | null
  /** Every mix in it is stated by its maker not to be TCS. */
  readonly notTcs?: boolean
  /** It is read in a fridge, a chilled counter, a cold room. */
  readonly isStore?: boolean
}

/** Only the fields that matter to the verdict. A chemical machine sanitizes by no heat. */
export function heatFieldsOf(what: HeatWhat, kind: DishMachineKind, kept: Kept = 'room'): HeatField[] {
  if (what === 'dish-machine')
    return kind === 'chemical' ? ['wash'] : ['wash', 'rinse', 'pressure', 'surface']
  if (what === 'hot-water') return ['temperature', 'seconds']
  if (what === 'utensils') return kept === 'room' ? ['hours'] : ['hours', 'temperature']
  return what === 'cold-product' ? ['product'] : ['temperature']
}

/** What was typed, as the reading that is judged. @param now milliseconds UTC. Throws `strip_void` for a label past its date. */
export function heatRead(what: HeatWhat, e: HeatEntry, now: Instant): Read {
  const { numbers, kind } = e
  const degrees = (field: HeatField, medium: 'food' | 'water' = 'water'): JudgedTemperature | null => {
    const value = numbers[field]
    const on = e.on[field]
    const thermometer = on?.kind === 'thermometer' ? on : null
    return value === undefined
      ? null
      : judgedTemperature({ value, unit: e.units.temperature, thermometer }, now, medium)
  }
  switch (what) {
    case 'dish-machine': {
      const sanitizesByHeat = kind !== 'chemical'
      const gauge = e.on.pressure?.kind === 'pressure-gauge' ? e.on.pressure : null
      const pressureUnit = gauge?.unit ?? e.units.pressure
      const pressure =
        numbers.pressure === undefined || !sanitizesByHeat
          ? null
          : pressureRead(numbers.pressure, pressureUnit, gauge, now)
      const reading = {
        kind,
        wash: degrees('wash'),
        rinse: sanitizesByHeat ? degrees('rinse') : null,
        pressure,
        ...(pressure ? { pressureUnit } : {}),
        surface: sanitizesByHeat ? surfaceOf(e, degrees('surface'), now) : null,
        plate: e.plate,
        practice: e.practice,
      }
      return { what, reading }
    }
    case 'hot-water':
      return { what, reading: { temperature: degrees('temperature'), seconds: numbers.seconds ?? null } }
    case 'utensils': {
      const temperature = e.kept === 'room' ? null : degrees('temperature')
      return { what, reading: { kept: e.kept, temperature, hours: numbers.hours ?? null } }
    }
    case 'wash-water':
      return { what, reading: { temperature: degrees('temperature'), label: e.label } }
    case 'cold-product': {
      const product = degrees('product', 'food')
      const on = e.on.product?.kind === 'thermometer' ? e.on.product : null
      const unit = on?.unit ?? e.units.temperature
      return {
        what,
        reading: {
          unit,
          value: numbers.product ?? 0,
          interval: product?.reading ?? notTold,
          ...(e.notTcs ? { notTcs: true as const } : {}),
          ...(e.isStore ? { store: true as const } : {}),
        },
      }
    }
  }
}

/**
 * A pressure as it is judged: a point on a gauge that is accurate enough and in date, else as wide as its accuracy, or as the
 * code's allowance where none is named. Source: FDA Food Code 2022, 4-203.13: ±14 kPa (±2 psi).
 */
export function pressureRead(
  value: number,
  unit: PressureUnit,
  gauge: PressureGauge | null,
  now: Instant,
): Interval {
  const { kPa, psi } = modelCode.accuracy.pressure
  const allowed = unit === 'kPa' ? kPa : psi
  const accuracy = gauge?.accuracy ?? allowed
  if (gauge && accuracy <= allowed && now <= gauge.checkDue) return interval(value, value)
  return interval(Math.max(0, value - accuracy), value + accuracy)
}

/** A label that turned was at least as hot as it says; one that did not was cooler. Its maker's word: common practice, no source. */
export function surfaceOf(
  e: Pick<HeatEntry, 'on' | 'turned'>,
  typed: JudgedTemperature | null,
  now: Instant,
): JudgedTemperature | null {
  const { surface } = e.on
  if (surface?.kind !== 'indicator') return typed
  if (e.turned === null) return null
  if (now > surface.bestBefore) throw new Refusal('strip_void', { field: 'surface' })
  const cooler = surface.turnsAt - 0.1
  return {
    unit: surface.unit,
    reading: e.turned ? interval(surface.turnsAt, null) : interval(null, cooler),
  }
}

/** The instruments that a reading names, by field: what goes in the log. */
export function namedOn(on: HeatEntry['on'], read: readonly HeatField[]): Record<string, string> {
  return Object.fromEntries(read.flatMap((f) => (on[f] ? [[f, on[f].id]] : [])))
}
