import Papa from 'papaparse'
import { Refusal } from '../refusal/index.ts'
import { readCell } from './cell.ts'
import { readEpoch, readWritten, zoneClock } from './clock.ts'
import type { LoggerMapping, Measure } from './mapping.ts'

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
  const instantsOf = clockOf(time.zone)
  const width = 1 + Math.max(time.column, time.clock ?? 0, ...mapping.columns.map((c) => c.column))
  let [line, n, doubled, direction] = [0, 0, 0, 0]
  let left = ''
  let at = new Float64Array(4096)
  let columns = mapping.columns.map(() => new Float32Array(4096))

  function instantIn(cells: readonly string[]): number {
    const date = cells[time.column] ?? ''
    const last = n > 0 ? (at[n - 1] as number) : null
    if (time.order === 'epoch-s' || time.order === 'epoch-ms') {
      const epoch = readEpoch(date, time.order)
      if (epoch === null) throw fileRefused('time', line, date)
      return epoch
    }
    const text = time.clock === null ? date : `${date} ${cells[time.clock] ?? ''}`
    const written = readWritten(text, time.order)
    if (!written?.clock) throw fileRefused('time', line, text)
    const instants = instantsOf(written)
    if (instants.length === 0) throw fileRefused('no-such-time', line, text)
    if (instants.length === 1 || last === null) return instants[0] as number
    const [earlier, later] = instants as readonly [number, number]
    return direction < 0 ? (later < last ? later : earlier) : earlier > last ? earlier : later
  }

  function take(cells: readonly string[]): void {
    if (cells.length < width) throw fileRefused('few-cells', line, cells.join(mapping.delimiter))
    if (n >= mostRows) throw fileRefused('too-many', line)
    const now = instantIn(cells)
    const read = mapping.columns.map((c) => {
      const value = readCell(cells[c.column] ?? '', c.measures, c.unit, decimal)
      if (typeof value === 'string') throw fileRefused(value, line, cells[c.column])
      return Math.fround(value)
    })
    const last = n > 0 ? (at[n - 1] as number) : null
    if (last !== null && now === last) {
      if (read.some((v, i) => !Object.is(v, columns[i]?.[n - 1])))
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
    read.forEach((v, i) => ((columns[i] as Float32Array)[n] = v))
    n++
  }

  function lines(text: string): void {
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
      const all = left + text
      const cut = all.lastIndexOf('\n') + 1
      left = all.slice(cut)
      if (cut > 0) lines(plain(all.slice(0, cut - 1), line))
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

function clockOf(zone: string) {
  try {
    return zoneClock(zone)
  } catch {
    throw fileRefused('zone', null, zone)
  }
}

function wider<A extends Float64Array | Float32Array>(from: A, into: A): A {
  into.set(from)
  return into
}
