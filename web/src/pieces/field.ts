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
