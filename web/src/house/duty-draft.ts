import type { Counted, StationDuty, Trigger } from '@tadka/core/house'
import { parseField } from '../pieces/field.ts'

/** A duty as it is typed: what it asks, and one figure or word, by its kind. */
export interface DutyRow {
  procedure: string | null
  kind: Trigger['kind']
  /** Hours, months or a count; for hours also `room`. */
  figure: string
  counts: 'in-use' | 'clock'
  weekday: number
  of: Counted
  /** A sign, or the procedure it goes with. */
  word: string | null
  rule: string
}

export const triggerKinds = [
  'each-close',
  'each-open',
  'hours',
  'weekly',
  'months',
  'count',
  'sign',
  'linked',
  'predicted',
] as const satisfies readonly Trigger['kind'][]
export const counted = ['racks', 'shots', 'litres', 'cycles'] as const satisfies readonly Counted[]

export const emptyDuty = (): DutyRow => ({
  procedure: null,
  kind: 'each-close',
  figure: '',
  counts: 'in-use',
  weekday: 1,
  of: 'racks',
  word: null,
  rule: '',
})

export const rowsOf = (duties: readonly StationDuty[]): DutyRow[] =>
  duties.map(({ procedure, trigger, rule }) => ({
    ...emptyDuty(),
    procedure,
    kind: trigger.kind,
    rule,
    ...partsOf(trigger),
  }))

function partsOf(t: Trigger): Partial<DutyRow> {
  switch (t.kind) {
    case 'hours':
      return { figure: String(t.hours), counts: t.counts }
    case 'weekly':
      return { weekday: t.day }
    case 'months':
      return { figure: String(t.months) }
    case 'count':
      return { figure: String(t.every), of: t.of }
    case 'sign':
      return { word: t.sign }
    case 'linked':
      return { word: t.to }
    case 'predicted':
      return { word: t.what }
    default:
      return {}
  }
}

const figure = (text: string): number | null => parseField(text, { positive: true }).value

/** What falls due when, or null where what was typed does not say. */
export function triggerOf(row: DutyRow): Trigger | null {
  const n = figure(row.figure)
  switch (row.kind) {
    case 'each-close':
    case 'each-open':
      return { kind: row.kind }
    case 'weekly':
      return { kind: 'weekly', day: row.weekday }
    case 'hours':
      if (row.figure.trim() === 'room') return { kind: 'hours', hours: 'room', counts: row.counts }
      return n === null || n > 1000 ? null : { kind: 'hours', hours: n, counts: row.counts }
    case 'months':
      return n === null || !Number.isInteger(n) || n > 60 ? null : { kind: 'months', months: n }
    case 'count':
      return n === null ? null : { kind: 'count', of: row.of, every: n }
    case 'sign':
      return row.word ? { kind: 'sign', sign: row.word } : null
    case 'linked':
      return row.word && row.word !== row.procedure ? { kind: 'linked', to: row.word } : null
    case 'predicted':
      return row.word ? { kind: 'predicted', what: row.word } : null
  }
}

export interface DutyFault {
  readonly kind: 'procedure' | 'trigger' | 'rule' | 'twice'
  readonly at: number
}

/** The first thing that is wrong, or null. A duty says where it comes from: without its rule nobody can weigh it. */
export function dutyFault(rows: readonly DutyRow[]): DutyFault | null {
  for (const [at, row] of rows.entries()) {
    if (!row.procedure) return { kind: 'procedure', at }
    const trigger = triggerOf(row)
    if (!trigger) return { kind: 'trigger', at }
    if (row.rule.trim().length < 3) return { kind: 'rule', at }
    const same = rows.findIndex(
      (r) => r.procedure === row.procedure && JSON.stringify(triggerOf(r)) === JSON.stringify(trigger),
    )
    if (same !== at) return { kind: 'twice', at }
  }
  return null
}

/** The duties typed, which must be without fault. */
export const dutiesFrom = (rows: readonly DutyRow[]): StationDuty[] =>
  rows.flatMap((row) => {
    const trigger = triggerOf(row)
    return row.procedure && trigger ? [{ procedure: row.procedure, trigger, rule: row.rule.trim() }] : []
  })
