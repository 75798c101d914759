import { isPlausible, plausible, type PlausibleKind } from '@tadka/core/quantity'

export interface Field {
  readonly value: number | null
  /** The key of what is wrong with it, among the Bench's words; null where nothing is. */
  readonly fault: 'fieldNeeded' | 'fieldNegative' | 'fieldPositive' | null
}

/** Reads a typed number, decimal comma or point; what was typed is never changed. `below`: may lie below zero. */
export function parseField(text: string, { positive = false, below = false } = {}): Field {
  const value = text.trim() === '' ? NaN : Number(text.trim().replace(',', '.'))
  if (!Number.isFinite(value)) return { value: null, fault: 'fieldNeeded' }
  if (value < 0 && !below) return { value: null, fault: 'fieldNegative' }
  if (positive && value === 0) return { value: null, fault: 'fieldPositive' }
  return { value, fault: null }
}

/** What was typed, as a number; null for nothing and for what is none. */
export const numberIn = (text: string, below = false): number | null => parseField(text, { below }).value

/** Something was typed, and it is no number. */
export const isNone = (text: string, below = false): boolean =>
  text.trim() !== '' && numberIn(text, below) === null

/** What is wrong with what was typed of a quantity: a number that cannot be, or none. `code` is among the Bench's words. */
export interface Nonsense {
  readonly code: 'fieldNeeded' | 'fieldNegative' | 'fieldNonsense'
  readonly lo: number
  readonly hi: number
  readonly unit: string
}

/** What is wrong with a typed number of a kind, in `unit`; null where nothing is, or nothing was typed. */
export function faultIn(text: string, kind: PlausibleKind, unit: string): Nonsense | null {
  if (text.trim() === '') return null
  const value = numberIn(text, true)
  const { lo, hi } = plausible(kind, unit)
  if (value === null) return { code: 'fieldNeeded', lo, hi, unit }
  if (isPlausible(kind, unit, value)) return null
  return { code: lo === 0 && value < 0 ? 'fieldNegative' : 'fieldNonsense', lo, hi, unit }
}

export interface Bounds {
  readonly min: number
  readonly max: number
  /** No parts of one. */
  readonly whole?: boolean
}
export const isWithin = (n: number | null, { min, max, whole = false }: Bounds): n is number =>
  n !== null && n >= min && n <= max && (!whole || Number.isInteger(n))

/** What was typed, as a number within its bounds; null for nothing, NaN for what is none of them. */
export function readWithin(text: string, bounds: Bounds): number | null {
  if (text.trim() === '') return null
  const value = numberIn(text, true)
  return isWithin(value, bounds) ? value : NaN
}
