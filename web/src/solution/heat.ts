import { interval } from '@tadka/core/quantity'
import { judgedTemperature, type Read, type ThermometerSet } from '@tadka/core/record'
import type { DishMachineKind } from '@tadka/core/rules'
import type { Instant } from '@tadka/core/quantity'
import { plateOf } from '@tadka/core/warewash'
import { parseField } from './field.ts'

export type HeatWhat = 'dish-machine' | 'hot-water' | 'wash-water' | 'cold-product' | 'utensils'
export type Kept = 'room' | 'refrigerated'
export type HeatField =
  'wash' | 'rinse' | 'pressure' | 'surface' | 'temperature' | 'seconds' | 'product' | 'hours'

/** Only the fields that matter to the verdict. */
export function fieldsOf(what: HeatWhat, kind: DishMachineKind, kept: Kept = 'room'): HeatField[] {
  if (what === 'dish-machine')
    return kind === 'chemical' ? ['wash'] : ['wash', 'rinse', 'pressure', 'surface']
  if (what === 'hot-water') return ['temperature', 'seconds']
  if (what === 'utensils') return kept === 'room' ? ['hours'] : ['hours', 'temperature']
  return what === 'cold-product' ? ['product'] : ['temperature']
}

export interface Typed {
  readonly fields: Readonly<Record<HeatField, string>>
  readonly kind: DishMachineKind
  readonly kept: Kept
  readonly thermometer: ThermometerSet | null
  /** What the data plate asks, by the names that stations carry; °C and kPa. */
  readonly plate: Readonly<Record<string, number>> | null
}

/** What was typed, as a reading; a field that is empty or no number was not read. @param now milliseconds UTC. */
export function heatRead(what: HeatWhat, typed: Typed, now: Instant): Read {
  const value = (name: HeatField) =>
    typed.fields[name].trim() === '' ? null : parseField(typed.fields[name], { below: true }).value
  const degrees = (name: HeatField) => {
    const read = value(name)
    return read === null ? null : judgedTemperature({ value: read, thermometer: typed.thermometer }, now)
  }
  if (what === 'dish-machine') {
    const { kind } = typed
    const pressure = value('pressure')
    const reading = {
      kind,
      wash: degrees('wash'),
      rinse: kind === 'chemical' ? null : degrees('rinse'),
      pressure: pressure === null || kind === 'chemical' ? null : interval(pressure, pressure),
      surface: kind === 'chemical' ? null : degrees('surface'),
      plate: typed.plate && plateOf(typed.plate),
    }
    return { what, reading }
  }
  if (what === 'hot-water')
    return { what, reading: { temperature: degrees('temperature'), seconds: value('seconds') } }
  if (what === 'utensils') {
    const temperature = typed.kept === 'room' ? null : degrees('temperature')
    return { what, reading: { kept: typed.kept, temperature, hours: value('hours') } }
  }
  if (what === 'wash-water') return { what, reading: { temperature: degrees('temperature'), label: null } }
  const product = degrees('product')
  return {
    what,
    reading: {
      unit: product?.unit ?? '°C',
      value: value('product') ?? 0,
      interval: product?.reading ?? { lo: null, hi: null },
    },
  }
}

/** Whether anything was typed yet. */
export const anyTyped = (what: HeatWhat, typed: Typed): boolean =>
  fieldsOf(what, typed.kind, typed.kept).some((name) => typed.fields[name].trim() !== '')
