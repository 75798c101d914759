import Papa from 'papaparse'
import { figureIn } from './cell.ts'
import { readEpoch, readWritten, type Written } from './clock.ts'
import {
  delimiters,
  timeOrders,
  unitsFor,
  type LoggerMapping,
  type LoggerUnit,
  type Measure,
  type TimeOrder,
} from './mapping.ts'

/** A mapping as far as the file tells it; null is for the person to say. */
export interface LoggerGuess {
  readonly delimiter: LoggerMapping['delimiter']
  readonly decimal: '.' | ','
  readonly skip: number
  readonly time: { readonly column: number; readonly clock: number | null; readonly order: TimeOrder | null }
  /** Whether its times name their zone themselves. */
  readonly zoned: boolean
  /** Every other column that holds readings: null where it is not to be read, or not known. */
  readonly columns: readonly {
    readonly column: number
    readonly measures: Measure | null
    readonly unit: LoggerUnit | null
  }[]
  /** The names over the columns, or empty texts. */
  readonly headers: readonly string[]
  /** The first rows as they stand in the file. */
  readonly sample: readonly (readonly string[])[]
}

const looked = 60

/** What the first lines of a file tell of how it is read; null where no line begins with a time. @param head whole lines. */
export function guessLogger(head: string): LoggerGuess | null {
  const text = head.replace(/^\uFEFF/, '').replaceAll('\r\n', '\n')
  const best = delimiters
    .map((delimiter) => ({ delimiter, rows: rowsOf(text, delimiter) }))
    .map((d) => ({ ...d, begin: beginOf(d.rows) }))
    .filter((d) => d.begin !== null)
    .toSorted((a, b) => fit(filled(b.rows)) - fit(filled(a.rows)))[0]
  if (!best?.begin) return null
  const { skip, column } = best.begin
  const sample = filled(best.rows.slice(skip))
  const width = Math.max(...sample.map((r) => r.length))
  const headers = Array.from({ length: width }, (_, i) => best.rows[skip - 1]?.[i]?.trim() ?? '')
  const cells = (i: number) => sample.map((r) => r[i] ?? '').filter((c) => c.trim() !== '')
  const clock = clockBeside(cells(column), width, cells)
  const joined = sample.map((r) => `${r[column] ?? ''}${clock === null ? '' : ` ${r[clock] ?? ''}`}`)
  const order = orderOf(joined)
  const rest = Array.from({ length: width }, (_, i) => i).filter((i) => i !== column && i !== clock)
  const decimal = decimalOf(
    rest.flatMap((i) => cells(i)),
    best.delimiter,
  )
  return {
    delimiter: best.delimiter,
    decimal,
    skip,
    time: { column, clock, order },
    zoned: joined.every((t) => timeIn(t)?.offset !== null && timeIn(t) !== null) || isEpoch(order),
    columns: rest.map((i) => ({ column: i, ...meant(headers[i] ?? '', cells(i), decimal) })),
    headers,
    sample,
  }
}

const isEpoch = (order: TimeOrder | null) => order === 'epoch-s' || order === 'epoch-ms'

const rowsOf = (text: string, delimiter: string): string[][] =>
  Papa.parse<string[]>(text, { delimiter, newline: '\n', preview: looked }).data
const filled = (rows: readonly string[][]): string[][] =>
  rows.filter((r) => r.length > 1 || r[0]?.trim() !== '')

/** How many rows have as many cells as most, the wider the better. */
function fit(rows: readonly (readonly string[])[]): number {
  const last = rows.at(-1)?.length ?? 0
  return last < 2 ? 0 : rows.filter((r) => r.length === last).length + last / 100
}

const dated = ['ymd', 'dmy', 'mdy'] as const

function timeIn(text: string): Written | null {
  for (const order of dated) {
    const found = readWritten(text, order)
    if (found) return found
  }
  return null
}

const isEpochIn = (text: string) =>
  readEpoch(text, 'epoch-s') !== null || readEpoch(text, 'epoch-ms') !== null
const isTime = (text: string) => timeIn(text) !== null || isEpochIn(text)

/** The first row that begins with a time and is followed by others that do, and the column. */
function beginOf(rows: readonly string[][]): { skip: number; column: number } | null {
  for (const [skip, row] of rows.entries())
    for (const column of row.keys()) {
      const next = filled(rows.slice(skip)).slice(0, 3)
      if (row.length > 1 && next.every((r) => isTime(r[column] ?? ''))) return { skip, column }
    }
  return null
}

/** The column of the time of day, where the dates have none. */
function clockBeside(dates: readonly string[], width: number, cells: (i: number) => readonly string[]) {
  if (dates.some((d) => timeIn(d)?.clock || isEpochIn(d))) return null
  const isClock = (c: string) => /^\d{1,2}:\d{2}(?::\d{2}(?:[.,]\d+)?)?\s*(?:[ap]\.?m\.?)?$/i.test(c.trim())
  for (let i = 0; i < width; i++) if (cells(i).length > 0 && cells(i).every(isClock)) return i
  return null
}

/** The one order in which every time can be read; null where several can, and mean other days. */
function orderOf(times: readonly string[]): TimeOrder | null {
  const reads = (order: TimeOrder) =>
    order === 'ymd' || order === 'dmy' || order === 'mdy'
      ? times.every((t) => readWritten(t, order))
      : times.every((t) => readEpoch(t, order) !== null)
  const possible = timeOrders.filter(reads)
  if (possible.length === 1) return possible[0] ?? null
  // A point between the parts stands for the day first.
  return possible.includes('dmy') && times.every((t) => /^\s*\d+\.\d+\.\d/.test(t)) ? 'dmy' : null
}

function decimalOf(cells: readonly string[], delimiter: string): '.' | ',' {
  const count = (mark: RegExp) => cells.filter((c) => mark.test(c.trim())).length
  return delimiter !== ',' && count(/^[+-]?\d+,\d+/) > count(/^[+-]?\d+\.\d+/) ? ',' : '.'
}

const names: readonly (readonly [RegExp, Measure])[] = [
  [/pump/i, 'pump'],
  [/valve/i, 'valve'],
  [/door/i, 'door'],
  [/cond|m?s\/cm/i, 'conductivity'],
  [/press|\bkpa\b|\bbar\b|\bpsi\b/i, 'pressure'],
  [/rinse|manifold/i, 'rinse'],
  [/tank|wash/i, 'tank'],
  [/surface|ware|rack/i, 'ware'],
]
const counter = /^(?:no|nr|#|index|record|sample|row|id|reading)\.?$/i
const unitNames: readonly (readonly [RegExp, LoggerUnit])[] = [
  [/°\s?C|\bcelsius|\bdeg\.?\s?C\b|\(C\)/i, '°C'],
  [/°\s?F|fahrenheit|\bdeg\.?\s?F\b|\(F\)/i, '°F'],
  [/\bkelvin|\(K\)/i, 'K'],
  [/\bkpa\b/i, 'kPa'],
  [/\bbar\b/i, 'bar'],
  [/\bpsi\b/i, 'psi'],
  [/[µu]s\/cm/i, 'µS/cm'],
  [/ms\/cm/i, 'mS/cm'],
]

/** What a column measures by its name, and the unit that its name or its cells tell. */
function meant(
  header: string,
  cells: readonly string[],
  decimal: '.' | ',',
): { measures: Measure | null; unit: LoggerUnit | null } {
  const measures = names.find(([name]) => name.test(header))?.[1] ?? null
  if (counter.test(header)) return { measures: null, unit: null }
  const told = unitNames.find(([name]) => name.test(header) || cells.slice(0, 5).some((c) => name.test(c)))
  const units = measures ? unitsFor[measures] : null
  if (units?.length === 1) return { measures, unit: units[0] }
  const numbers = cells.filter((c) => figureIn(c.trim(), decimal) !== null).length
  if (numbers === 0) return { measures: null, unit: null }
  const unit = told?.[1] ?? null
  return { measures, unit: units && unit && !units.includes(unit) ? null : unit }
}
