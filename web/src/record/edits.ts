import type { Kept } from '@tadka/core/quantity'
import type { AnyRecord } from '@tadka/core/stream'

/** One thing that was typed in a record: where it stands, and what it is. */
export interface Edit {
  /** Path of keys into the payload. */
  readonly path: readonly string[]
  readonly label:
    | 'litres'
    | 'celsius'
    | 'note'
    | 'reason'
    | 'racks'
    | 'total'
    | 'poured'
    | 'amount'
    | 'where'
    | 'discarded'
    | 'temperature'
    | 'hardness'
    | 'with'
    | 'said'
  readonly kind: 'number' | 'text'
  /** What a number is kept as, where people here may type it in another unit. */
  readonly kept?: Kept
}

const number = (label: Edit['label'], ...path: string[]): Edit => ({ path, label, kind: 'number' })
const kept = (as: Kept, label: Edit['label'], ...path: string[]): Edit => ({
  ...number(label, ...path),
  kept: as,
})
const text = (label: Edit['label'], ...path: string[]): Edit => ({ path, label, kind: 'text' })

/** What of each kind of record a person typed, and may put right. */
const byType: Readonly<Record<string, readonly Edit[]>> = {
  'run.step.done@1': [
    kept('litres', 'litres', 'facts', 'litres'),
    number('temperature', 'facts', 'temperature'),
  ],
  'run.step.done@2': [
    kept('litres', 'litres', 'facts', 'litres'),
    number('temperature', 'facts', 'temperature'),
    kept('celsius', 'celsius', 'facts', 'celsius'),
    kept('millilitres', 'poured', 'facts', 'pouredMl'),
    number('amount', 'facts', 'amount'),
  ],
  'run.abandoned@1': [text('reason', 'reason')],
  'bath.mixed@1': [kept('millilitres', 'poured', 'poured'), number('amount', 'measured', 'amount')],
  'case.action@1': [number('amount', 'amount'), text('note', 'note')],
  'case.opened@1': [text('said', 'said')],
  'case.told@1': [text('said', 'said')],
  'note.left@1': [text('said', 'said')],
  'count.read@1': [number('total', 'total')],
  'rack.tallied@1': [number('racks', 'racks')],
  'sign.seen@1': [text('note', 'note')],
  'follow-up.closed@1': [text('note', 'note')],
  'run.part.found@1': [text('where', 'where')],
  'run.part.lost@1': [text('discarded', 'discarded')],
  'water.measured@1': [kept('hardness', 'hardness', 'hardness'), text('with', 'with')],
  'station.stopped@1': [text('reason', 'reason')],
  'station.laid-up@1': [text('reason', 'reason')],
}

export const valueAt = (payload: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], payload)

/** A payload with another value at a path. */
export function withValue(payload: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value
  const object = (payload ?? {}) as Record<string, unknown>
  return { ...object, [key]: withValue(object[key], rest, value) }
}

/** What was typed in a record, as far as it is there. */
export const editsOf = (record: AnyRecord): Edit[] =>
  (byType[record.type] ?? []).filter((e) => {
    const value = valueAt(record.payload, e.path)
    return typeof value === (e.kind === 'number' ? 'number' : 'string')
  })
