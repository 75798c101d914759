import { keptFrom, soundRange, type LoggerUnit, type Measure } from './mapping.ts'

/** What loggers write where they read nothing. */
const silent = /^(?:|-+|n\/?a|nan|null|none|err(?:or)?|ovl|open|\?+|#+n?\/?a?)$/i
const on = /^(?:1|on|true|yes|open|opened|high|running|ein|ja|an)$/i
const off = /^(?:0|off|false|no|closed|shut|low|stopped|aus|nein|zu)$/i

export type CellFault = 'number' | 'unit' | 'range' | 'switch'

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
  let value = plainFigure(cell, decimal)
  if (value !== value) {
    const found = figureIn(cell, decimal)
    if (!found) return silent.test(cell) ? Number.NaN : 'number'
    // What the file says stands above what was chosen.
    if (found.unit !== null && found.unit !== unit) return 'unit'
    value = found.value
  }
  const kept = keptFrom[unit](value)
  const [least, most] = soundRange[measures]
  return kept < least || kept > most ? 'range' : kept
}

const written = '\\s*(°\\s?[CF]|[CFK]|kPa|bar|psi|[mµμu]S\\/cm)?$'
const withPoint = new RegExp(`^([+-]?\\d+(?:\\.\\d*)?(?:e[+-]?\\d+)?)${written}`, 'i')
const withComma = new RegExp(`^([+-]?\\d+(?:,\\d*)?)${written}`, 'i')

const powers = Array.from({ length: 16 }, (_, i) => 10 ** i)

/**
 * Up to 15 digits with one mark at most, as nearly every cell is; NaN for anything else. A whole number below 2^53 over a power of ten
 * below 10^23 is rounded once: the number that is written.
 */
function plainFigure(cell: string, decimal: '.' | ','): number {
  if (cell.length === 0 || cell.length > 15) return Number.NaN
  const mine = decimal.charCodeAt(0)
  let [digits, mark] = [0, cell.length]
  for (let i = 0; i < cell.length; i++) {
    const c = cell.charCodeAt(i)
    if (c >= 48 && c <= 57) digits = digits * 10 + c - 48
    else if (c === mine && mark === cell.length && i > 0) mark = i
    else return Number.NaN
  }
  const after = mark === cell.length ? 0 : cell.length - mark - 1
  return digits / (powers[after] as number)
}

/** A number with this decimal mark, and the unit where one is written behind it; null where it is none. */
export function figureIn(
  cell: string,
  decimal: '.' | ',',
): { readonly value: number; readonly unit: LoggerUnit | null } | null {
  const found = (decimal === '.' ? withPoint : withComma).exec(cell.replace(/^−/, '-'))
  if (!found) return null
  return { value: Number((found[1] ?? '').replace(',', '.')), unit: unitWritten(found[2]) }
}

function unitWritten(text: string | undefined): LoggerUnit | null {
  if (text === undefined) return null
  const plain = text.toLowerCase().replace(/°\s?/, '')
  if (plain === 'c' || plain === 'f') return plain === 'c' ? '°C' : '°F'
  if (plain === 'k') return 'K'
  if (plain === 'kpa') return 'kPa'
  if (plain === 'bar' || plain === 'psi') return plain
  return plain.startsWith('m') ? 'mS/cm' : 'µS/cm'
}
