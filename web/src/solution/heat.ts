import { type Instant, type PlausibleKind } from '@tadka/core/quantity'
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
  readonly notTcs?: boolean
  readonly isStore?: boolean
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
  const { on, turned, kind, kept, units, label, notTcs = false, isStore = false } = t
  return {
    numbers,
    on,
    turned,
    kind,
    kept,
    units,
    label,
    notTcs,
    isStore,
    practice,
    plate: t.plate && plateOf(t.plate),
  }
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

/** What kind of quantity a field holds: what can be of it hangs on that. */
export const kindOfField = (field: HeatField, what: HeatWhat): PlausibleKind =>
  field === 'temperature' && what === 'utensils' ? 'room' : kinds[field]
