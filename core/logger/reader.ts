import Papa from 'papaparse'
import { Refusal } from '../refusal/index.ts'
import { readCell } from './cell.ts'
import { readEpoch } from './clock.ts'
import type { LoggerMapping, Measure } from './mapping.ts'
import { rowClock } from './row-clock.ts'

/** What a logger recorded: columns of equal length, in order of time. */
export interface LoggerSeries {
  /** Milliseconds UTC. */
  readonly at: Float64Array
  /** °C, kPa, mS/cm, or 1 and 0; NaN where it read nothing. */
  readonly columns: readonly { readonly measures: Measure; readonly values: Float32Array }[]
  /** Rows that stood there twice. */
  readonly doubled: number
}

/** Why a file is refused; the line is told beside it. */
export type FileFault =
  | 'no-rows'
  | 'too-many'
  | 'long-line'
  | 'encoding'
  | 'future'
  | 'zone'
  | 'few-cells'
  | 'quotes'
  | 'time'
  | 'no-such-time'
  | 'time-turns'
  | 'two-values'
  | 'number'
  | 'unit'
  | 'range'
  | 'switch'

/** More is cut in parts: what is read is held in memory. */
const mostRows = 2_000_000

/** No logger writes a longer line; what has none is no table, and is not gathered up. */
const longestLine = 4096

/** The one refusal of a file. @param line counted from 1; null where it is of the whole file. */
export const fileRefused = (why: FileFault, line: number | null, cell = '') =>
  new Refusal('logger_file', { why, line, cell: cell.slice(0, 80) })

export interface LoggerReader {
  /** The next piece of the file's text, cut anywhere. Throws `logger_file` with line and reason. */
  readonly push: (text: string) => void
  /** The last line, and what was read. Throws `logger_file`. */
  readonly end: () => LoggerSeries
  readonly rows: () => number
}

/**
 * Reads a logger's file piece by piece. A file that is bad anywhere is refused whole: `logger_file` names the line and why. Rows may run
 * forward or backward in time, not both; local times that come twice, when clocks go back, are told apart by the rows before them.
 */
export function loggerReader(mapping: LoggerMapping): LoggerReader {
  const { time, decimal } = mapping
  const instantsOf = clockOf(time)
  const width = 1 + Math.max(time.column, time.clock ?? 0, ...mapping.columns.map((c) => c.column))
  let [line, n, doubled, direction] = [0, 0, 0, 0]
  let left = ''
  let at = new Float64Array(4096)
  let columns = mapping.columns.map(() => new Float32Array(4096))
  /** The row that is read, as it is kept. */
  const row = new Float32Array(mapping.columns.length)

  function instantIn(cells: readonly string[]): number {
    const date = cells[time.column] ?? ''
    const last = n > 0 ? (at[n - 1] as number) : null
    if (time.order === 'epoch-s' || time.order === 'epoch-ms') {
      const epoch = readEpoch(date, time.order)
      if (epoch === null) throw fileRefused('time', line, date)
      return epoch
    }
    const text = time.clock === null ? date : `${date} ${cells[time.clock] ?? ''}`
    const instants = instantsOf(text)
    if (instants === null) throw fileRefused('time', line, text)
    if (instants.length === 0) throw fileRefused('no-such-time', line, text)
    if (instants.length === 1 || last === null) return instants[0] as number
    const [earlier, later] = instants as readonly [number, number]
    return direction < 0 ? (later < last ? later : earlier) : earlier > last ? earlier : later
  }

  function take(cells: readonly string[]): void {
    if (cells.length < width) throw fileRefused('few-cells', line, cells.join(mapping.delimiter))
    if (n >= mostRows) throw fileRefused('too-many', line)
    const now = instantIn(cells)
    for (let i = 0; i < row.length; i++) {
      const c = mapping.columns[i] as LoggerMapping['columns'][number]
      const value = readCell(cells[c.column] ?? '', c.measures, c.unit, decimal)
      if (typeof value === 'string') throw fileRefused(value, line, cells[c.column])
      row[i] = value
    }
    const last = n > 0 ? (at[n - 1] as number) : null
    if (last !== null && now === last) {
      if (row.some((v, i) => !Object.is(v, columns[i]?.[n - 1])))
        throw fileRefused('two-values', line, cells.join(mapping.delimiter))
      doubled++
      return
    }
    if (last !== null) {
      const turn = Math.sign(now - last)
      if (direction === 0) direction = turn
      else if (direction !== turn) throw fileRefused('time-turns', line, cells[time.column])
    }
    if (n === at.length) {
      at = wider(at, new Float64Array(2 * n))
      columns = columns.map((c) => wider(c, new Float32Array(2 * n)))
    }
    at[n] = now
    for (let i = 0; i < row.length; i++) (columns[i] as Float32Array)[n] = row[i] as number
    n++
  }

  /** Refuses a line that is too long, however it is cut; the lines are counted from those that were read. */
  function measure(text: string): void {
    for (let from = 0, row = 1; from < text.length; row++) {
      const end = text.indexOf('\n', from)
      const to = end < 0 ? text.length : end
      if (to - from > longestLine) throw fileRefused('long-line', line + row, text.slice(from, from + 80))
      from = to + 1
    }
  }

  function lines(text: string): void {
    measure(text)
    const quoted = text.includes('"')
    const { data, errors } = Papa.parse<string[]>(text, { delimiter: mapping.delimiter, newline: '\n' })
    const bad = errors.find((e) => e.type === 'Quotes')
    if (bad) throw fileRefused('quotes', line + (bad.row ?? 0) + 1)
    // An empty piece is one empty line.
    if (data.length === 0) line++
    for (const cells of data) {
      line++
      if (quoted && cells.some((c) => c.includes('\n'))) throw fileRefused('quotes', line)
      if (line <= mapping.skip || (cells.length === 1 && cells[0]?.trim() === '')) continue
      take(cells)
    }
  }

  return {
    rows: () => n,
    push(text) {
      const cut = text.lastIndexOf('\n') + 1
      if (cut > 0) lines(plain(left + text.slice(0, cut - 1), line))
      left = cut > 0 ? text.slice(cut) : left + text
      measure(left)
    },
    end() {
      if (left !== '') lines(plain(left, line))
      left = ''
      if (n === 0) throw fileRefused('no-rows', null)
      const ordered = <A extends Float64Array | Float32Array>(a: A): A =>
        (direction < 0 ? a.slice(0, n).reverse() : a.slice(0, n)) as A
      return {
        at: ordered(at),
        columns: mapping.columns.map((c, i) => ({
          measures: c.measures,
          values: ordered(columns[i] as Float32Array),
        })),
        doubled,
      }
    },
  }
}

/** Without the mark that some files begin with, and with one kind of line end. */
const plain = (text: string, line: number) =>
  (line === 0 ? text.replace(/^\uFEFF/, '') : text).replaceAll('\r\n', '\n').replace(/\r$/, '')

function clockOf({ zone, order }: LoggerMapping['time']) {
  try {
    return rowClock(zone, order === 'epoch-s' || order === 'epoch-ms' ? 'ymd' : order)
  } catch {
    throw fileRefused('zone', null, zone)
  }
}

function wider<A extends Float64Array | Float32Array>(from: A, into: A): A {
  into.set(from)
  return into
}
