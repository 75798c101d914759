import type { Procedure } from '@tadka/core/procedure'
import type { StationSet } from '@tadka/core/record'
import { machineKinds, plateNumbers } from '@tadka/core/warewash'
import { parseField } from '../solution/field.ts'
import { slugOf } from './slug.ts'

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

/** What the dish room reads of a plate besides what procedures ask. */
const dishNames = Object.keys(plateNumbers)

/** The numbers that a plate may have: those that it has, those that its procedures ask for, those that the dish room reads. */
export function plateNames(
  family: string,
  procedures: readonly Pick<Procedure, 'parameters'>[],
  has: Readonly<Record<string, number>> = {},
): string[] {
  const asked = procedures.flatMap((p) => Object.keys(p.parameters))
  const dish = family.startsWith('dish-machine.') ? dishNames : []
  return [...new Set([...Object.keys(has), ...asked, ...dish])]
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

export interface PlateField {
  readonly name: string
  readonly value: number | null
  readonly fault: boolean
}

/** The numbers as typed; a blank one is not on the plate. */
export const plateFields = (typed: Readonly<Record<string, string>>): PlateField[] =>
  Object.entries(typed).map(([name, text]) => {
    if (text.trim() === '') return { name, value: null, fault: false }
    const { value, fault } = parseField(text)
    return { name, value, fault: fault !== null }
  })

/** A plate's numbers from its fields, the blank ones left out. */
export const parametersFrom = (fields: readonly PlateField[]): Record<string, number> =>
  Object.fromEntries(fields.flatMap((f) => (f.value === null ? [] : [[f.name, f.value]])))
