import {
  fileRefused,
  loggerReader,
  machineTraceIn,
  passesIn,
  summaryOf,
  tallyOf,
  type LoggerMapping,
  type LoggerSummary,
  type Tally,
} from '@tadka/core/logger'
import type { LocalRule } from '@tadka/core/rules'
import { cycleSplitter, figuresOf, judgeCycle, type CycleLimits } from '@tadka/core/warewash'

/** What a whole file would bring. */
export interface Checked {
  readonly summary: LoggerSummary
  /** Null where it holds no machine's signals, or its station is no dish machine. */
  readonly cycles: Tally | null
  readonly passes: Tally | null
}

export interface CheckAsked {
  readonly file: Blob
  readonly mapping: LoggerMapping
  readonly limits: CycleLimits | null
  /** The authority's rules in force. */
  readonly local: readonly LocalRule[]
}

/**
 * Reads a whole file piece by piece and tells what it would bring. Throws `logger_file`. @param tell hears rows read and the share of
 * the bytes, between two pieces. @param goOn is asked there whether to go on; null is returned where not.
 */
export async function checkFile(
  { file, mapping, limits, local }: CheckAsked,
  tell: (rows: number, share: number) => void,
  goOn: () => boolean,
): Promise<Checked | null> {
  const decoder = new TextDecoder(mapping.encoding, { fatal: true })
  const reader = loggerReader(mapping)
  const stream = file.stream().getReader()
  let read = 0
  const text = (bytes?: Uint8Array) => {
    try {
      return decoder.decode(bytes, { stream: bytes !== undefined })
    } catch {
      throw fileRefused('encoding', mapping.skip + reader.rows() + 1)
    }
  }
  for (let piece = await stream.read(); !piece.done; piece = await stream.read()) {
    if (!goOn()) return null
    read += piece.value.length
    reader.push(text(piece.value))
    tell(reader.rows(), read / file.size)
  }
  reader.push(text())
  const series = reader.end()
  const summary = summaryOf(series)
  const machine = limits && machineTraceIn(series, summary.step)
  return {
    summary,
    cycles:
      machine &&
      tallyOf(
        cycleSplitter()
          .push(machine.trace)
          .flatMap((cut) => judgeCycle(figuresOf(cut.trace, cut.missing), cut.ending, limits)?.overall ?? []),
      ),
    passes: series.columns.some((c) => c.measures === 'ware')
      ? tallyOf(passesIn(series, summary.step, mapping.accuracy, local).map((p) => p.verdict))
      : null,
  }
}
