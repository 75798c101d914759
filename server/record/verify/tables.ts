import type { Client } from '../../db/pool.ts'
import { mostFaults, type VerifyFault } from './faults.ts'

/** The columns of a record that lists are made from, each against the text that the hash is taken over. */
export async function columnFaults(db: Client, site: string): Promise<VerifyFault[]> {
  const sql = `
    select r.seq, c.name from record r
    -- read once for each record: without the limit it would be read anew for each column
    cross join lateral (select r.text::jsonb as t limit 1) as told
    cross join lateral (values
      ('site_id', t->>'site' = r.site_id),
      ('seq', (t->>'seq')::bigint = r.seq),
      ('id', t->>'id' = r.id::text),
      ('type', t->>'type' = r.type),
      ('subject_kind', t->'subject'->>'kind' = r.subject_kind),
      ('subject_id', t->'subject'->>'id' = r.subject_id),
      ('by_person', t->>'by' = r.by_person),
      ('received_at', (t->>'receivedAt')::numeric = r.received_at),
      ('corrected_at', (t->>'observedAt')::numeric + (t->>'clockOffset')::numeric = r.corrected_at),
      ('body', t = r.body)) as c (name, agrees)
    where r.site_id = $1 and c.agrees is not true
    order by r.seq, c.name limit $2`
  const { rows } = await db.query<{ seq: number; name: string }>(sql, [site, mostFaults])
  return rows.map(({ seq, name }) => ({ what: 'column', seq, column: name }))
}

/** Photos whose bytes are no longer those that their name was taken over. */
export async function photoFaults(db: Client, site: string): Promise<VerifyFault[]> {
  const sql = `
    select sha256 from photo where site_id = $1 and encode(sha256(bytes), 'hex') <> sha256
    order by sha256 limit $2`
  const { rows } = await db.query<{ sha256: string }>(sql, [site, mostFaults])
  return rows.map(({ sha256 }) => ({ what: 'photo', sha256 }))
}

/** Signatures that name a record by a hash which it has not: the signed part was written anew. */
export async function signatureFaults(db: Client, site: string): Promise<VerifyFault[]> {
  const sql = `
    select s.seq from record s
    left join record r on r.site_id = s.site_id and r.seq = (s.text::jsonb->'payload'->>'upTo')::bigint
    where s.site_id = $1 and s.type in ('shift.signed@1', 'shift.reviewed@1') and s.text::jsonb->'payload' ? 'head'
      and r.hash is distinct from s.text::jsonb->'payload'->>'head'
    order by s.seq limit $2`
  const { rows } = await db.query<{ seq: number }>(sql, [site, mostFaults])
  return rows.map(({ seq }) => ({ what: 'signature', seq }))
}

/** People and what they may, against the records that made them; and those whom no record made, or who are gone. */
export async function personFaults(db: Client, site: string): Promise<VerifyFault[]> {
  const sql = `
    with told as (
      select subject_id as id, state from subject_state
      where site_id = $1 and kind = 'crew' and state ? 'role'),
    kept as (select * from person where site_id = $1)
    select coalesce(k.id, t.id) as id
    from told t full join kept k on k.id = t.id
    where k.name is distinct from t.state->>'name'
      or k.role is distinct from t.state->>'role'
      or k.login is distinct from t.state->>'login'
      or (k.left_at is not null) is distinct from (t.state->>'left')::boolean
      -- whoever has none cannot come in by it: an archive brings none
      or (k.pin_hash is not null
        and encode(sha256(k.pin_hash::bytea), 'hex') is distinct from t.state->'marks'->>'pin')
      or (k.password_hash is not null
        and encode(sha256(k.password_hash::bytea), 'hex') is distinct from t.state->'marks'->>'password')
    order by 1 limit $2`
  const { rows } = await db.query<{ id: string }>(sql, [site, mostFaults])
  return rows.map(({ id }) => ({ what: 'person', id }))
}
