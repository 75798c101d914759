import type { Procedure } from '@tadka/core/procedure'
import { slugOf, type StationSet } from '@tadka/core/house'
import {
  dishNumbers,
  plateFaults,
  plateNumber,
  typedIn,
  type PlateFault,
  type Typed,
} from '@tadka/core/plate'
import type { UnitSystem } from '@tadka/core/quantity'
import { machineKinds } from '@tadka/core/warewash'
import { parseField } from '../pieces/field.ts'

/** A station as it is typed. */
export interface StationDraft {
  name: string
  tag: string
  place: string
  family: string | null
  model: string
}

export const emptyStation = (): StationDraft => ({ name: '', tag: '', place: '', family: null, model: '' })

/** A dish machine says by its family how it sanitizes; the others have the families of their procedures. */
export const familiesFrom = (ofProcedures: readonly string[]): string[] =>
  [
    ...ofProcedures.filter((f) => f !== 'dish-machine'),
    ...machineKinds.map((kind) => `dish-machine.${kind}`),
  ].toSorted()

/** A number of a plate's form: its unit there, and its own. */
export interface PlateAsked {
  readonly name: string
  readonly typed: Typed
  readonly can: { readonly lo: number; readonly hi: number }
}

/** The numbers that a plate may have: those that its procedures ask for, those that the dish room reads. Nobody would read another. */
export function plateAsked(
  family: string,
  procedures: readonly Pick<Procedure, 'parameters'>[],
  system: UnitSystem,
): PlateAsked[] {
  const declared = Object.assign({}, ...procedures.map((p) => p.parameters)) as Record<string, string>
  const dish = family.startsWith('dish-machine.') ? dishNumbers : []
  return [...new Set([...Object.keys(declared), ...dish])].flatMap((name) => {
    const number = plateNumber(name, declared[name])
    return number ? [{ name, typed: typedIn(number, system), can: number.can }] : []
  })
}

export type StationFault = 'name' | 'family' | 'known'

/** The record that enters it, or what is missing. @param known ids that are taken. */
export function stationFrom(
  d: StationDraft,
  known: readonly string[],
): { readonly id: string; readonly set: StationSet } | StationFault {
  const id = slugOf(d.name)
  if (id === '') return 'name'
  if (known.includes(id)) return 'known'
  if (!d.family) return 'family'
  const trimmed = (text: string, max: number) => text.trim().slice(0, max)
  return {
    id,
    set: {
      name: trimmed(d.name, 80),
      tag: trimmed(d.tag, 8),
      place: trimmed(d.place, 80),
      family: d.family,
      model: trimmed(d.model, 80),
      parameters: {},
      duties: [],
    },
  }
}

const digits = (value: number) => String(Number(value.toPrecision(4)))

/** What stands in the fields at first: the plate's numbers in the site's units. */
export const plateTyped = (
  asked: readonly PlateAsked[],
  has: Readonly<Record<string, number>>,
): Record<string, string> =>
  Object.fromEntries(
    asked.map(({ name, typed }) => [name, has[name] === undefined ? '' : digits(typed.shown(has[name]))]),
  )

export interface PlateField {
  readonly name: string
  readonly unit: string
  /** In the plate's own unit; null where the field is blank or wrong. */
  readonly value: number | null
  /** What is wrong with it, in the unit that it is typed in. */
  readonly fault:
    | null
    | { readonly because: 'number' }
    | { readonly because: 'range'; readonly lo: string; readonly hi: string; readonly unit: string }
    | { readonly because: 'within'; readonly other: string }
}

/** The numbers as typed; a blank one is not on the plate, and what was not touched is what it was. */
export function plateFields(
  asked: readonly PlateAsked[],
  texts: Readonly<Record<string, string>>,
  has: Readonly<Record<string, number>>,
): PlateField[] {
  const before = plateTyped(asked, has)
  const read = asked.map(({ name, typed, can }) => {
    const text = texts[name] ?? ''
    const { value, fault } = parseField(text)
    if (text.trim() === '') return { name, typed, can, value: null, isNumber: true }
    const kept = text === before[name] ? (has[name] ?? null) : value === null ? null : typed.kept(value)
    return { name, typed, can, value: kept, isNumber: fault === null }
  })
  const faults = plateFaults(
    Object.fromEntries(read.flatMap((r) => (r.value === null ? [] : [[r.name, r.value]]))),
  )
  return read.map(({ name, typed, can, value, isNumber }): PlateField => {
    const fault = isNumber
      ? told(faults.find((f) => f.name === name) ?? null, typed)
      : { because: 'number' as const }
    const outside = value !== null && fault === null && (value < can.lo || value > can.hi)
    return { name, unit: typed.unit, value, fault: outside ? ranged(can, typed) : fault }
  })
}

const ranged = (can: PlateAsked['can'], typed: Typed) => ({
  because: 'range' as const,
  lo: digits(typed.shown(can.lo)),
  hi: digits(typed.shown(can.hi)),
  unit: typed.unit,
})
const told = (fault: PlateFault | null, typed: Typed): PlateField['fault'] =>
  fault?.because === 'range' ? ranged(fault.can, typed) : fault

/** A plate's numbers from its fields, the blank and the wrong ones left out. */
export const parametersFrom = (fields: readonly PlateField[]): Record<string, number> =>
  Object.fromEntries(fields.flatMap((f) => (f.value === null || f.fault ? [] : [[f.name, f.value]])))
