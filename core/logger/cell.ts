import { keptFrom, soundRange, type LoggerUnit, type Measure } from './mapping.ts'

/** What loggers write where they read nothing. */
const silent = /^(?:|-+|n\/?a|nan|null|none|err(?:or)?|ovl|open|\?+|#+n?\/?a?)$/i
const on = /^(?:1|on|true|yes|open|opened|high|running|ein|ja|an)$/i
const off = /^(?:0|off|false|no|closed|shut|low|stopped|aus|nein|zu)$/i

export type CellFault = 'number' | 'range' | 'switch'

/** A cell as it is kept, NaN where the logger read nothing; or what is wrong with it. */
export function readCell(
  text: string,
  measures: Measure,
  unit: LoggerUnit,
  decimal: '.' | ',',
): number | CellFault {
  const cell = text.trim()
  if (unit === 'on/off') {
    // "open" is a valve's or a door's word before it is a broken probe's.
    if (on.test(cell)) return 1
    if (off.test(cell)) return 0
    return silent.test(cell) ? Number.NaN : 'switch'
  }
  if (silent.test(cell)) return Number.NaN
  const value = numberIn(cell, decimal)
  if (value === null) return 'number'
  const kept = keptFrom[unit](value)
  const [least, most] = soundRange[measures]
  return kept < least || kept > most ? 'range' : kept
}

const withPoint = /^([+-]?\d+(?:\.\d*)?(?:e[+-]?\d+)?)\s*(?:°\s?[CF]|[CFK]|kPa|bar|psi|[mµu]S\/cm)?$/i
const withComma = /^([+-]?\d+(?:,\d*)?)\s*(?:°\s?[CF]|[CFK]|kPa|bar|psi|[mµu]S\/cm)?$/i

/** A number with this decimal mark and perhaps its unit behind it; null where it is none. */
export function numberIn(cell: string, decimal: '.' | ','): number | null {
  const found = (decimal === '.' ? withPoint : withComma).exec(cell.replace(/^−/, '-'))
  return found ? Number((found[1] ?? '').replace(',', '.')) : null
}
