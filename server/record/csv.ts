import {
  decimals,
  showHardness,
  showPressure,
  showRead,
  type Interval,
  type Shown,
  type UnitSystem,
} from '@tadka/core/quantity'
import { showLimit, showPressureLimit } from '@tadka/core/rules'
import { correctedAt, type AnyRecord } from '@tadka/core/stream'

/** The columns of the log as CSV; documented in docs/formats.md. */
export const csvColumns = [
  'seq',
  'observed_at',
  'received_at',
  'type',
  'subject_kind',
  'subject',
  'by',
  'station',
  'step',
  'verdict',
  'reading',
  'limits',
  'flags',
  'id',
  'hash',
  'payload',
] as const

const iso = (ms: number) => new Date(ms).toISOString()
type Show = (value: number, system: UnitSystem) => Shown
/** What a site in US units reads in others, by the unit that it is kept in; a limit as the code pairs it. */
const shownAs: Readonly<Record<string, { readonly reading: Show; readonly limit: Show }>> = {
  '°C': { reading: showRead, limit: showLimit },
  kPa: { reading: showPressure, limit: showPressureLimit },
  'mg/L': { reading: showHardness, limit: showHardness },
}
/** "100..200 ppm", "82.. °C", "..5 °C", "180 °F": codes and numbers, no words. */
function spanOf({ lo, hi }: Interval, unit: string, what: 'reading' | 'limit', system: UnitSystem): string {
  const show = system === 'us' ? shownAs[unit]?.[what] : undefined
  const d = (v: number | null) => (v === null ? '' : (show?.(v, system).value ?? decimals(v, 1)))
  const span = lo !== null && lo === hi ? d(lo) : `${d(lo)}..${d(hi)}`
  return `${span} ${show?.(0, system).unit ?? unit}`
}
const textOf = (value: unknown) => (typeof value === 'string' ? value : '')

/** One record as a row, in the units of the site. Spreadsheets must not take a cell for a formula: such text is set behind an apostrophe. */
export function csvRow(record: AnyRecord, hash: string, system: UnitSystem = 'metric'): string[] {
  const payload = record.payload as unknown as Record<string, unknown>
  const judged = record.type === 'reading.taken@1' ? record.payload.judgement : null
  const limits = judged?.layers.flatMap((l) => l.limits) ?? []
  const read = limits.flatMap((l) =>
    l.reading ? `${l.quantity} ${spanOf(l.reading, l.unit, 'reading', system)}` : [],
  )
  const row = [
    String(record.seq),
    iso(correctedAt(record)),
    iso(record.receivedAt),
    record.type,
    record.subject.kind,
    record.subject.id,
    record.by,
    textOf(payload['station']),
    textOf(payload['step']),
    judged?.overall ?? '',
    [...new Set(read)].join('; '),
    limits
      .flatMap((l) =>
        l.limit
          ? `${l.quantity} ${spanOf(l.limit, l.unit, 'limit', system)} (${[l.source, l.note ?? ''].filter(Boolean).join(', ')}): ${l.verdict}`
          : [],
      )
      .join('; '),
    record.flags.join(' '),
    record.id,
    hash,
    JSON.stringify(record.payload),
  ]
  return row.map((cell) => (/^[=+@\t\r-]/.test(cell) ? `'${cell}` : cell))
}
