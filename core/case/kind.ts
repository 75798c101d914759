import type { CaseState } from './fold.ts'

/** What kinds of corrective actions are alike in what is done about them, and in why they happen. */
export const caseKinds = [
  'sanitizer',
  'cold-product',
  'dish-machine',
  'water',
  'time',
  'fault',
  'other',
] as const
export type CaseKind = (typeof caseKinds)[number]

const byReading: Partial<Record<NonNullable<CaseState['what']>, CaseKind>> = {
  sanitizer: 'sanitizer',
  'cold-product': 'cold-product',
  'dish-machine': 'dish-machine',
  utensils: 'dish-machine',
  'hot-water': 'water',
  'wash-water': 'water',
}
const byOrigin: Record<NonNullable<CaseState['origin']>, CaseKind> = {
  'late-duty': 'time',
  'not-done': 'time',
  inspection: 'fault',
  stop: 'fault',
  device: 'fault',
  'by-hand': 'other',
}

/** By what was read, or by what a person opened it for. Common practice, no source. */
export const caseKindOf = ({ what, origin }: Pick<CaseState, 'what' | 'origin'>): CaseKind =>
  origin ? byOrigin[origin] : ((what && byReading[what]) ?? 'other')
