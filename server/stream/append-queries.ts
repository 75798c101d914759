import type { AnyRecord, SubjectRef } from '@tadka/core/stream'
import type { Pool } from '../db/pool.ts'
import type { keptState, StoredState } from './folding.ts'

export interface AppendContext {
  readonly seq: number
  readonly hash: string
  readonly known: readonly { id: string; seq: number; text: string }[]
  readonly states: readonly StoredState[]
}

export interface NewRecord {
  readonly record: AnyRecord
  readonly subjects: readonly SubjectRef[]
  readonly text: string
  readonly hash: string
  /** Earlier records that belong to a further subject from now on. */
  readonly also: readonly (SubjectRef & { readonly seq: number })[]
}

/** What a batch must know before it is put into the chain; see migration 0003. */
export async function readContext(
  pool: Pool,
  site: string,
  drafts: readonly { draft: { id: string }; subjects: readonly SubjectRef[] }[],
): Promise<AppendContext> {
  const own: [string, SubjectRef] = [`site/${site}`, { kind: 'site', id: site }]
  const subjects = new Map([
    own,
    ...drafts.flatMap((d) => d.subjects.map((s) => [`${s.kind}/${s.id}`, s] as [string, SubjectRef])),
  ])
  const result = await pool.query<{ context: AppendContext }>({
    name: 'append-context',
    text: 'select append_context($1, $2, $3, $4) as context',
    values: [
      site,
      drafts.map((d) => d.draft.id),
      [...subjects.values()].map((s) => s.kind),
      [...subjects.values()].map((s) => s.id),
    ],
  })
  const context = result.rows[0]?.context
  if (!context) throw new Error('append_context returned nothing')
  return context
}

/** Puts prepared records into the chain; false where the chain has moved on since `context` was read. See migration 0016. */
export async function writeRecords(
  pool: Pool,
  site: string,
  context: AppendContext,
  records: readonly NewRecord[],
  states: readonly ReturnType<typeof keptState>[],
): Promise<boolean> {
  const index = records.flatMap(({ record, subjects, also }) => [
    ...subjects.map((s) => ({ seq: record.seq, ...s })),
    ...also,
  ])
  const last = records.at(-1)
  if (!last) throw new RangeError('no records to append')
  const result = await pool.query<{ done: boolean }>({
    name: 'append-records',
    text: 'select append_records($1, $2, $3, $4, $5, $6, $7, $8) as done',
    values: [
      site,
      context.seq,
      context.hash,
      last.record.seq,
      last.hash,
      JSON.stringify(records.map(({ text, hash }) => ({ text, hash }))),
      JSON.stringify(index),
      JSON.stringify(states),
    ],
  })
  return result.rows[0]?.done ?? false
}
