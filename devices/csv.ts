import { guessLogger, loggerReader, machineTraceIn, summaryOf, type LoggerMapping } from '@tadka/core/logger'
import { doorBit, pumpBit, valveBit } from '@tadka/core/warewash'
import type { MachineSample } from './dish-machine.ts'

const bit = (on: boolean) => (on ? 1 : 0)

/** Samples as the file that a probe with a memory of its own would give. @param begin milliseconds UTC at second 0. */
export function csvOf(samples: readonly MachineSample[], begin: number): string {
  const rows = samples.map((s) =>
    [
      new Date(begin + s.at * 1000).toISOString(),
      s.tank.toFixed(2),
      s.rinse.toFixed(2),
      s.pressure.toFixed(1),
      s.conductivity.toFixed(2),
      bit(s.pump),
      bit(s.valve),
      bit(s.door),
    ].join(','),
  )
  return `time,tank °C,rinse °C,pressure kPa,conductivity mS/cm,pump,valve,door\n${rows.join('\n')}\n`
}

/** How such a file is read, by its own first lines. Throws where they do not tell all. */
export function mappingOf(text: string): LoggerMapping {
  const guess = guessLogger(text.slice(0, 20_000))
  if (!guess?.time.order) throw new Error('the file does not tell how its times are written')
  return {
    encoding: 'utf-8',
    delimiter: guess.delimiter,
    decimal: guess.decimal,
    skip: guess.skip,
    time: { ...guess.time, order: guess.time.order, zone: 'UTC' },
    columns: guess.columns.flatMap(({ column, measures, unit }) =>
      measures && unit ? [{ column, measures, unit }] : [],
    ),
    accuracy: 0.5,
  }
}

/** The samples in such a file, by seconds since its first row: to be streamed again. Throws where it holds no machine's signals. */
export function samplesIn(text: string): MachineSample[] {
  const reader = loggerReader(mappingOf(text))
  reader.push(text)
  const series = reader.end()
  const machine = machineTraceIn(series, summaryOf(series).step)
  if (!machine) throw new Error('the file holds no pump, valve and rinse with a row a second')
  const { trace, conductivity } = machine
  return Array.from(trace.at, (at, i) => ({
    at,
    tank: trace.tank[i] ?? Number.NaN,
    rinse: trace.rinse[i] ?? Number.NaN,
    pressure: trace.pressure[i] ?? Number.NaN,
    conductivity: conductivity[i] ?? Number.NaN,
    pump: ((trace.on[i] ?? 0) & pumpBit) !== 0,
    valve: ((trace.on[i] ?? 0) & valveBit) !== 0,
    door: ((trace.on[i] ?? 0) & doorBit) !== 0,
  }))
}
