import { foldsVersion } from '@tadka/core/record'
import { type SubjectKind } from '@tadka/core/stream'
import type { Client, Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** Counted up whenever what a state teaches changes its shape. */
const teaching = 1
/** What was kept by another version is worked out anew. */
const version = foldsVersion * 1000 + teaching

/** States that are looked at in one go; others wait for this process too. */
const atOnce = 50

interface Newest {
  readonly id: string
  readonly touched: number
  readonly known: boolean
  readonly what: unknown
}

export interface Span {
  /** Milliseconds UTC. */
  readonly since: number
  /** How many states, the newest. */
  readonly most: number
}

async function newestOf(
  db: Client,
  site: string,
  kind: SubjectKind,
  { since, most }: Span,
): Promise<Newest[]> {
  const sql = `
    with newest as (
      select subject_id, touched_at from subject_state
      where site_id = $1 and kind = $2 and touched_at >= $3 and not live
      order by touched_at desc, subject_id limit $4)
    select n.subject_id as id, n.touched_at as touched, l.subject_id is not null as known, l.what
    from newest n
    left join lesson l on l.site_id = $1 and l.kind = $2 and l.subject_id = n.subject_id
      and l.touched_at = n.touched_at and l.version = $5
    order by n.touched_at desc, n.subject_id`
  return (await db.query<Newest>(sql, [site, kind, since, most, version])).rows
}

async function statesAt(db: Client, site: string, kind: SubjectKind, ids: readonly string[]) {
  const sql = `
    select subject_id as id, touched_at as touched, state from subject_state
    where site_id = $1 and kind = $2 and subject_id = any ($3)`
  return (await db.query<{ id: string; touched: number; state: unknown }>(sql, [site, kind, ids])).rows
}

async function keep(
  db: Client,
  site: string,
  kind: SubjectKind,
  lessons: readonly { readonly id: string; readonly touched: number; readonly what: unknown }[],
): Promise<void> {
  const sql = `
    insert into lesson (site_id, kind, subject_id, touched_at, version, what)
    select $1, $2, l.id, l.touched, $3, nullif(l.what, 'null') from jsonb_to_recordset($4) as l (id text, touched bigint, what jsonb)
    on conflict (site_id, kind, subject_id) do update
    set touched_at = excluded.touched_at, version = excluded.version, what = excluded.what`
  await db.query(sql, [site, kind, version, JSON.stringify(lessons)])
}

/** What changes when one more is settled, or one of them is touched again. */
async function stampOf(db: Client, site: string, kind: SubjectKind, since: number): Promise<string> {
  const sql = `
    select concat(count(*), ' ', max(touched_at), ' ', sum(touched_at)) as stamp
    from subject_state where site_id = $1 and kind = $2 and touched_at >= $3 and not live`
  return (await db.query<{ stamp: string }>(sql, [site, kind, since])).rows[0]?.stamp ?? ''
}

const dayMs = 86_400_000
interface Made {
  readonly stamp: string
  readonly made: unknown
}
const remembered = new WeakMap<Pool, Map<string, Made>>()

/**
 * What `make` makes of a site's lessons: made once, and remembered until there is more to learn from, or the day is another.
 * @param teach null where a state teaches nothing.
 */
export async function madeOfLessons<State, Lesson, Out>(
  pool: Pool,
  site: string,
  kind: SubjectKind,
  { since, most }: Span,
  teach: (state: State) => Lesson | null,
  make: (lessons: readonly Lesson[]) => Out,
): Promise<Out> {
  const day = Math.floor(since / dayMs) * dayMs
  const stamp = `${day} ${await inSite(pool, site, (db) => stampOf(db, site, kind, day))}`
  const made = remembered.get(pool) ?? new Map<string, Made>()
  remembered.set(pool, made)
  const name = `${site}/${kind}`
  const known = made.get(name)
  if (known?.stamp === stamp) return known.made as Out
  const out = make(await lessonsOf(pool, site, kind, { since: day, most }, teach))
  made.set(name, { stamp, made: out })
  return out
}

/**
 * What a site's newest settled states of a kind teach, the newest first. Each is worked out once after it has changed, and kept.
 * @param teach null where a state teaches nothing.
 */
export async function lessonsOf<State, Lesson>(
  pool: Pool,
  site: string,
  kind: SubjectKind,
  span: Span,
  teach: (state: State) => Lesson | null,
): Promise<Lesson[]> {
  const newest = await inSite(pool, site, (db) => newestOf(db, site, kind, span))
  const what = new Map(newest.flatMap((n) => (n.known ? [[n.id, n.what as Lesson | null] as const] : [])))
  const missing = newest.filter((n) => !n.known).map((n) => n.id)
  for (let i = 0; i < missing.length; i += atOnce) {
    const states = await inSite(pool, site, (db) => statesAt(db, site, kind, missing.slice(i, i + atOnce)))
    const lessons = states.map(({ id, touched, state }) => ({ id, touched, what: teach(state as State) }))
    for (const l of lessons) what.set(l.id, l.what)
    await inSite(pool, site, (db) => keep(db, site, kind, lessons))
  }
  return newest.flatMap((n) => what.get(n.id) ?? [])
}
