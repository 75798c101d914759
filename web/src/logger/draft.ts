import {
  guessLogger,
  loggerReader,
  unitsFor,
  type LoggerGuess,
  type LoggerMapping,
  type LoggerSeries,
  type LoggerUnit,
  type Measure,
  type TimeOrder,
} from '@tadka/core/logger'

/** How a file is to be read, as far as it is told: by the file, then by the person. */
export interface LoggerDraft {
  encoding: LoggerMapping['encoding']
  delimiter: LoggerMapping['delimiter']
  decimal: '.' | ','
  skip: number
  time: { column: number; clock: number | null; order: TimeOrder | null; zone: string }
  /** Whether the file's times name their zone themselves. */
  zoned: boolean
  columns: { column: number; header: string; measures: Measure | null; unit: LoggerUnit | null }[]
  accuracy: number | null
}

/** What still has to be told before a file can be read. */
export type Untold = 'order' | 'columns' | 'unit' | 'twice' | 'accuracy'

/** A file's first bytes as text, in the first encoding in which they are sound. */
export function headOf(bytes: Uint8Array): { text: string; encoding: LoggerMapping['encoding'] } {
  const utf16 = bytes[0] === 0xff && bytes[1] === 0xfe
  for (const encoding of utf16 ? (['utf-16le'] as const) : (['utf-8', 'windows-1252'] as const))
    try {
      // The last character may be cut in two: the stream is not at its end.
      return { text: new TextDecoder(encoding, { fatal: true }).decode(bytes, { stream: true }), encoding }
    } catch {
      continue
    }
  return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'windows-1252' }
}

/** Whole lines only. */
export const wholeLines = (text: string): string => {
  const end = text.lastIndexOf('\n')
  return end < 0 ? text : text.slice(0, end + 1)
}

export function draftFrom(
  guess: LoggerGuess,
  encoding: LoggerMapping['encoding'],
  zone: string,
): LoggerDraft {
  return {
    encoding,
    delimiter: guess.delimiter,
    decimal: guess.decimal,
    skip: guess.skip,
    time: { ...guess.time, zone },
    zoned: guess.zoned,
    columns: guess.columns.map((c) => ({ ...c, header: guess.headers[c.column] ?? '' })),
    accuracy: null,
  }
}

/** Chooses what a column measured; a unit that cannot be stays no unit. */
export function choose(column: LoggerDraft['columns'][number], measures: Measure | null): void {
  column.measures = measures
  if (!measures) return
  const units = unitsFor[measures]
  if (units.length === 1) column.unit = units[0]
  else if (column.unit && !units.includes(column.unit)) column.unit = null
}

export function mappingFrom(draft: LoggerDraft): LoggerMapping | Untold {
  const { time, columns } = draft
  if (time.order === null) return 'order'
  const read = columns.filter((c) => c.measures !== null)
  if (read.length === 0) return 'columns'
  const told = read.flatMap(({ column, measures, unit }) =>
    measures && unit ? [{ column, measures, unit }] : [],
  )
  if (told.length < read.length) return 'unit'
  const doubled = (m: Measure) => m !== 'other' && told.filter((c) => c.measures === m).length > 1
  if (told.some((c) => doubled(c.measures))) return 'twice'
  if (Number.isNaN(draft.accuracy)) return 'accuracy'
  return {
    encoding: draft.encoding,
    delimiter: draft.delimiter,
    decimal: draft.decimal,
    skip: draft.skip,
    time: { ...time, order: time.order },
    columns: told,
    accuracy: draft.accuracy,
  }
}

/** The first rows as they would be read. Throws `logger_file`. */
export function firstRows(head: string, mapping: LoggerMapping, rows = 6): LoggerSeries {
  const reader = loggerReader(mapping)
  reader.push(
    head
      .split('\n')
      .slice(0, mapping.skip + rows)
      .join('\n'),
  )
  return reader.end()
}

/** What a file tells by itself; null where no line of it begins with a time. */
export async function openFile(
  file: Blob,
  zone: string,
): Promise<{ head: string; guess: LoggerGuess; draft: LoggerDraft } | null> {
  const bytes = new Uint8Array(await file.slice(0, 65_536).arrayBuffer())
  const { text, encoding } = headOf(bytes)
  const head = file.size > bytes.length ? wholeLines(text) : text
  const guess = guessLogger(head)
  return guess && { head, guess, draft: draftFrom(guess, encoding, zone) }
}
