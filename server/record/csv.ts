import { decimals, type Interval } from '@tadka/core/quantity'
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
/** "100..200", "82..", "..5", "150": codes and numbers, no words. */
function spanOf({ lo, hi }: Interval): string {
  const d = (v: number | null) => (v === null ? '' : decimals(v, 1))
  return lo !== null && lo === hi ? d(lo) : `${d(lo)}..${d(hi)}`
}
const textOf = (value: unknown) => (typeof value === 'string' ? value : '')

/** One record as a row. Spreadsheets must not take a cell for a formula: such text is set behind an apostrophe. */
export function csvRow(record: AnyRecord, hash: string): string[] {
  const payload = record.payload as unknown as Record<string, unknown>
  const judged = record.type === 'reading.taken@1' ? record.payload.judgement : null
  const limits = judged?.layers.flatMap((l) => l.limits) ?? []
  const read = limits.flatMap((l) => (l.reading ? `${l.quantity} ${spanOf(l.reading)} ${l.unit}` : []))
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
          ? `${l.quantity} ${spanOf(l.limit)} ${l.unit} (${[l.source, l.note ?? ''].filter(Boolean).join(', ')}): ${l.verdict}`
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
