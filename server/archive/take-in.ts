import { concernsOf } from '@tadka/core/record'
import type { AnyRecord } from '@tadka/core/stream'
import type pg from 'pg'
import type { Client } from '../db/pool.ts'
import { Folding } from '../stream/folding.ts'
import { recordsFiledUnder } from '../stream/queries.ts'
import { keepStates } from '../stream/rebuild.ts'
import { readArchive, type ArchivedPhoto, type ArchivedRecord } from './read.ts'

/** What taking an archive in came to. */
export type TakenIn =
  | {
      readonly outcome: 'taken'
      readonly site: string
      readonly records: number
      readonly photos: number
      readonly states: number
    }
  /** The site is there, and holds every record of the archive. */
  | { readonly outcome: 'known'; readonly site: string }
  /** There is a site, and not all of the archive is in it. */
  | { readonly outcome: 'other-site'; readonly site: string }

const recordsAtOnce = 2000

/**
 * Takes a site's archive into a database that has no site, as its owner: all of it, or nothing. Twice is once. PINs and passwords are
 * not in an archive: a manager gets a new one at the console. Throws `BadArchive`.
 */
export async function takeIn(
  owner: pg.Client,
  file: string,
  told: (records: number, of: number) => void,
): Promise<TakenIn> {
  await owner.query('begin')
  try {
    const result = await work(owner, file, told)
    await owner.query(result.outcome === 'taken' ? 'commit' : 'rollback')
    return result
  } catch (error) {
    await owner.query('rollback')
    throw error
  }
}

async function work(
  db: Client | pg.Client,
  file: string,
  told: (records: number, of: number) => void,
): Promise<TakenIn> {
  let site = ''
  let [records, photos, expected] = [0, 0, 0]
  let batch: ArchivedRecord[] = []
  let indexes: readonly string[] = []
  let isKnown = false
  const folding = new Folding([], false)
  // The database takes one batch in while the next is read.
  let putting: Promise<void> = Promise.resolve()
  const send = async () => {
    await putting
    const sent = batch
    batch = []
    putting = sent.length > 0 ? putRecords(db, site, sent, folding) : Promise.resolve()
    // It is waited for later: until then it is no fault that nobody saw.
    putting.catch(() => {})
    records += sent.length
    told(records, expected)
  }
  const flush = async () => {
    await send()
    await putting
  }
  for await (const line of readArchive(file)) {
    if ('head' in line) {
      const { head, name } = line.head
      site = line.head.site
      expected = head.seq
      await db.query(
        "select set_config('tadka.site', $1, true), set_config('maintenance_work_mem', '512MB', true)",
        [site],
      )
      await db.query('lock table setup_code in exclusive mode')
      const there = await db.query<{ id: string }>('select id from site where not is_making')
      if (there.rows.length > 0) {
        const held = await db.query('select from record where site_id = $1 and seq = $2 and hash = $3', [
          ...[site, head.seq, head.hash],
        ])
        if (held.rowCount !== 1) return { outcome: 'other-site', site }
        // What the file says of itself is believed only once it was read to its end.
        isKnown = true
        continue
      }
      await db.query('select remove_unfinished_sites()')
      await db.query("select set_config('tadka.site', $1, true)", [site])
      await db.query('insert into site (id, name) values ($1, $2)', [site, name])
      // People come from the records at the end; their secrets come by no archive.
      await db.query('alter table record disable trigger rights')
      indexes = await withoutIndexes(db)
    } else if (isKnown) continue
    else if ('record' in line) {
      // What an amendment amends must be there to be looked up.
      if (line.record.record.type === 'record.amended@1') await flush()
      batch.push(line.record)
      if (batch.length >= recordsAtOnce) await send()
    } else {
      await flush()
      putting = putPhoto(db, site, line.photo)
      putting.catch(() => {})
      photos++
    }
  }
  if (isKnown) return { outcome: 'known', site }
  await flush()
  // All at once is many times quicker than record by record.
  for (const index of indexes) await db.query(index)
  await db.query('alter table record enable trigger rights')
  await putPeople(db, site)
  await folding.refold((kind, id) => recordsFiledUnder(db, site, kind, id))
  const states = folding.changed()
  await keepStates(db, site, states)
  await db.query('delete from setup_code')
  return { outcome: 'taken', site, records, photos, states: states.length }
}

/** Takes down the indexes that only looking things up needs; returns what makes them again. */
async function withoutIndexes(db: Client | pg.Client): Promise<readonly string[]> {
  const sql = `
    select c.relname as name, pg_get_indexdef(i.indexrelid) as made
    from pg_index i join pg_class c on c.oid = i.indexrelid
    where i.indrelid = 'record'::regclass and not i.indisunique and not i.indisprimary`
  const { rows } = await db.query<{ name: string; made: string }>(sql)
  for (const { name } of rows) await db.query(`drop index ${name}`)
  return rows.map((r) => r.made)
}

/** Puts records at the chain's end, each filed under all that it concerns, and folds them. */
async function putRecords(
  db: Client | pg.Client,
  site: string,
  batch: readonly ArchivedRecord[],
  folding: Folding,
): Promise<void> {
  const index: { seq: number; kind: string; id: string }[] = []
  for (const { record } of batch) {
    const target =
      record.type === 'record.amended@1' ? await recordWithId(db, site, record.payload.target) : undefined
    const { concerns, anew } = concernsOf(record, target)
    for (const s of concerns) index.push({ seq: record.seq, ...s })
    for (const s of anew) index.push({ seq: target?.seq ?? 0, ...s })
    folding.add(record, concerns)
  }
  const [first, last] = [batch[0], batch.at(-1)]
  if (!first || !last) return
  await db.query('select append_records($1, $2, $3, $4, $5, $6, $7, $8)', [
    ...[site, first.record.seq - 1, first.record.prev, last.record.seq, last.hash],
    JSON.stringify(batch.map(({ text, hash }) => ({ text, hash }))),
    ...[JSON.stringify(index), '[]'],
  ])
}

async function recordWithId(
  db: Client | pg.Client,
  site: string,
  id: string,
): Promise<AnyRecord | undefined> {
  const sql = 'select text from record where site_id = $1 and id = $2'
  const [row] = (await db.query<{ text: string }>(sql, [site, id])).rows
  return row && (JSON.parse(row.text) as AnyRecord)
}

async function putPhoto(db: Client | pg.Client, site: string, p: ArchivedPhoto): Promise<void> {
  const sql =
    'insert into photo (site_id, sha256, bytes, received_at) values ($1, $2, $3, $4) on conflict do nothing'
  await db.query(sql, [site, p.sha256, p.bytes, p.receivedAt])
}

/** Everybody as the last record of them says. */
async function putPeople(db: Client | pg.Client, site: string): Promise<void> {
  const sql = `
    insert into person (site_id, id, name, role, login, left_at)
    select distinct on (subject_id) site_id, subject_id, body #>> '{payload,name}', body #>> '{payload,role}',
      body #>> '{payload,login}', case when (body #>> '{payload,left}')::boolean then corrected_at end
    from record where site_id = $1 and type = 'person.set@1'
    order by subject_id, seq desc`
  await db.query(sql, [site])
}
