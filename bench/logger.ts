import { loggerReader, summaryOf, type LoggerMapping } from '@tadka/core/logger'
import Papa from 'papaparse'
import { median, report } from './report.ts'

/**
 * A logger's file of a million rows on one core: rows a second read, checked and kept. The peer is the same file's cells told apart by the
 * package alone, with nothing read from them.
 */
const rows = 1_000_000
const begin = Date.parse('2026-11-01T00:00:00Z')
const two = (n: number) => String(n).padStart(2, '0')
const lines = Array.from({ length: rows }, (_, i) => {
  const at = new Date(begin + i * 1000)
  const date = `${two(at.getUTCDate())}.${two(at.getUTCMonth() + 1)}.${at.getUTCFullYear()}`
  return `${date} ${at.toISOString().slice(11, 19)};${String(60 + (i % 97) / 10).replace('.', ',')}`
})
const text = `Zeit;Wert\n${lines.join('\n')}\n`
const mapping: LoggerMapping = {
  encoding: 'utf-8',
  delimiter: ';',
  decimal: ',',
  skip: 1,
  time: { column: 0, clock: null, order: 'dmy', zone: 'Europe/Dublin' },
  columns: [{ column: 1, measures: 'ware', unit: '°C' }],
  accuracy: 0.5,
}
const pieces = Array.from({ length: Math.ceil(text.length / 65_536) }, (_, i) =>
  text.slice(i * 65_536, (i + 1) * 65_536),
)
function read(): number {
  const reader = loggerReader(mapping)
  for (const piece of pieces) reader.push(piece)
  return summaryOf(reader.end()).rows
}
const told = () =>
  pieces.reduce((n, p) => n + Papa.parse(p, { delimiter: ';', newline: '\n' }).data.length, 0)

/** Seconds that one run of the work takes, the middle of three. */
const secondsOf = (work: () => unknown): number =>
  median(
    Array.from({ length: 3 }, () => {
      const from = performance.now()
      work()
      return (performance.now() - from) / 1000
    }),
  )
const [mine, peer] = [secondsOf(read), secondsOf(told)]
const figure = (name: string, value: number, unit: string) =>
  report({ bench: 'logger', case: `${rows} rows`, figure: name, value, unit })
figure('read', rows / mine, 'rows/s')
figure('share of the package alone', peer / mine, 'ratio')
