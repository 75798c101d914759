import { foldAll, type AnyRecord, type SubjectKind, type SubjectRef } from '@tadka/core/stream'
import { foldOf, upcast } from '@tadka/core/record'
import type { Client } from '../db/pool.ts'
import { keptState } from './folding.ts'

/** Every subject that a record of a site is filed under. */
export async function subjectsFiled(db: Client, site: string): Promise<SubjectRef[]> {
  const sql = 'select distinct kind, subject_id as id from record_subject where site_id = $1'
  return (await db.query<{ kind: SubjectKind; id: string }>(sql, [site])).rows
}

/** A subject's state folded anew from all its records, as the read table keeps it. */
export async function foldSubject(db: Client, site: string, { kind, id }: SubjectRef) {
  const sql = `
    select r.text from record_subject s join record r on r.site_id = s.site_id and r.seq = s.seq
    where s.site_id = $1 and s.kind = $2 and s.subject_id = $3`
  const { rows } = await db.query<{ text: string }>(sql, [site, kind, id])
  const records = rows.map((r) => upcast(JSON.parse(r.text) as AnyRecord))
  const { state, last } = foldAll(foldOf(kind), { kind, id }, records)
  return keptState(kind, id, state, last)
}
