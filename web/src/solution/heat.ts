import { type Instant, isPlausible, plausible, type PlausibleKind } from '@tadka/core/quantity'
import {
  heatFieldsOf,
  heatRead,
  type HeatEntry,
  type HeatField,
  type HeatInstrument,
  type HeatWhat,
  type Read,
} from '@tadka/core/reading'
import { chosenPractice, type DishMachineKind, type HotWaterPractice } from '@tadka/core/rules'
import { plateOf } from '@tadka/core/warewash'
import { parseField } from '../pieces/field.ts'

export interface Typed {
  readonly fields: Readonly<Record<HeatField, string>>
  readonly on: Readonly<Partial<Record<HeatField, HeatInstrument>>>
  readonly turned: boolean | null
  readonly kind: DishMachineKind
  readonly kept: 'room' | 'refrigerated'
  readonly units: HeatEntry['units']
  /** What the data plate asks, by the names that stations carry; °C and kPa. */
  readonly plate: Readonly<Record<string, number>> | null
  readonly schools: Readonly<Record<string, string>>
  readonly label: HeatEntry['label']
}

export const emptyFields: Record<HeatField, string> = {
  wash: '',
  rinse: '',
  pressure: '',
  surface: '',
  temperature: '',
  seconds: '',
  product: '',
  hours: '',
}

/** What was typed, with its numbers read; a field that is empty or no number was not read. */
function entryOf(what: HeatWhat, t: Typed): HeatEntry {
  const numbers: Partial<Record<HeatField, number>> = {}
  for (const field of heatFieldsOf(what, t.kind, t.kept)) {
    const { value } = parseField(t.fields[field], { below: true })
    if (value !== null) numbers[field] = value
  }
  const practice = chosenPractice('hot-water-machine', t.schools) as HotWaterPractice
  const { on, turned, kind, kept, units, label } = t
  return { numbers, on, turned, kind, kept, units, label, practice, plate: t.plate && plateOf(t.plate) }
}

/** What was typed, as a reading. @param now milliseconds UTC. Throws `strip_void` for a label past its date. */
export const readTyped = (what: HeatWhat, typed: Typed, now: Instant): Read =>
  heatRead(what, entryOf(what, typed), now)

const byLabel = (field: HeatField, t: Typed) => field === 'surface' && t.on.surface?.kind === 'indicator'

/** The fields that something was typed or tapped in. */
export const fieldsRead = (what: HeatWhat, t: Typed): HeatField[] =>
  heatFieldsOf(what, t.kind, t.kept).filter((f) =>
    byLabel(f, t) ? t.turned !== null : t.fields[f].trim() !== '',
  )

const kinds: Readonly<Record<HeatField, PlausibleKind>> = {
  wash: 'water',
  rinse: 'water',
  surface: 'water',
  temperature: 'water',
  product: 'product',
  pressure: 'pressure',
  seconds: 'time',
  hours: 'hours',
}

export type FieldFault = 'fieldNeeded' | 'fieldNegative' | 'fieldNonsense'

/** What is wrong with what was typed in a field, in its unit; null where nothing is. */
export function faultIn(
  field: HeatField,
  text: string,
  unit: string,
  what: HeatWhat,
): { readonly code: FieldFault; readonly lo: number; readonly hi: number } | null {
  if (text.trim() === '') return null
  const { value } = parseField(text, { below: true })
  const kind = field === 'temperature' && what === 'utensils' ? 'room' : kinds[field]
  const { lo, hi } = plausible(kind, unit)
  if (value === null) return { code: 'fieldNeeded', lo, hi }
  if (isPlausible(kind, unit, value)) return null
  return { code: lo === 0 && value < 0 ? 'fieldNegative' : 'fieldNonsense', lo, hi }
}
