import { inSite } from '../db/transaction.ts'
import type { Client, Pool } from '../db/pool.ts'
import { headIn } from '../stream/heads.ts'
import type { LinkRow } from '../stream/queries.ts'

/** What is looked for in the log; null: whatever. Instants are milliseconds UTC by the records' own time, the end not counted. */
export interface LogFilter {
  readonly before: number | null
  readonly limit: number
  readonly from: number | null
  readonly to: number | null
  /** What they are about. */
  readonly kind: string | null
  readonly subject: string | null
  readonly types: readonly string[] | null
  readonly without: readonly string[] | null
  readonly stations: readonly string[] | null
  readonly person: string | null
  readonly verdicts: readonly string[] | null
  /** Runs and corrective actions that they are about. */
  readonly about: readonly string[] | null
  /** All of these, each a word that stands in them or begins one, or in the name of what they are about. */
  readonly terms: readonly Term[]
}

/** A word that is looked for, and the ids of what is called by it. */
export interface Term {
  readonly word: string
  readonly ids: readonly string[]
}

const values = (site: string, f: LogFilter, lowest = 0): unknown[] => [
  ...[site, f.from, f.to, f.kind, f.subject, f.types, f.without],
  ...[f.stations, f.person, f.verdicts, f.about, lowest],
  ...f.terms.flatMap((t) => [t.word, t.ids]),
]
/** Places of a query that stand before its words. */
const before = 12

const fits = ({ terms }: LogFilter) => `
  r.site_id = $1
  and r.seq >= $12::bigint
  and ($2::bigint is null or r.corrected_at >= $2)
  and ($3::bigint is null or r.corrected_at < $3)
  and ($4::text is null or exists (
    select from record_subject s
    where s.site_id = r.site_id and s.seq = r.seq and s.kind = $4 and ($5::text is null or s.subject_id = $5)))
  and ($6::text[] is null or r.type = any ($6))
  and ($7::text[] is null or r.type <> all ($7))
  and ($8::text[] is null or r.station = any ($8))
  and ($9::text is null or r.by_person = $9)
  and ($10::text[] is null or r.verdict = any ($10))
  and ($11::text[] is null or r.seq in (
    select s.seq from record_subject s
    where s.site_id = $1 and s.kind in ('run', 'case') and s.subject_id = any ($11)))
  ${terms.map((_, i) => termFits(`$${before + 2 * i + 1}::text`, `$${before + 2 * i + 2}::text[]`)).join('')}`

/** Each arm by an index of its own: in one condition none could be used. */
const termFits = (word: string, ids: string) => `
  and r.seq in (
    select record_places_of_word(${word}, $12::bigint)
    union all
    select s.seq from record_subject s
    where s.site_id = $1 and s.kind in ('station', 'product', 'instrument', 'mix') and s.subject_id = any (${ids})
      and s.seq >= $12::bigint
    union all
    select p.seq from record p where p.site_id = $1 and p.by_person = any (${ids}) and p.seq >= $12::bigint
    union all
    select p.seq from record p where p.site_id = $1 and p.procedure_id = any (${ids}) and p.seq >= $12::bigint)`

/** Where words are looked for, the newest records come first, then more of them, then all: a common word fills a page at once. */
const newest = [15_000, 100_000]

/** Records newest first by their place in the chain, a page at a time. */
export const logPage = (pool: Pool, site: string, f: LogFilter): Promise<LinkRow[]> =>
  inSite(pool, site, async (db) => {
    const top = f.before ?? (await headIn(db, site)).seq + 1
    const lowest = f.terms.length > 0 ? newest.map((n) => top - n).filter((n) => n > 0) : []
    const next = before + 2 * f.terms.length
    const sql = `
      select r.seq, r.text, r.hash from record r
      where ${fits(f)} and ($${next + 1}::bigint is null or r.seq < $${next + 1})
      order by r.seq desc limit $${next + 2}`
    for (const from of [...lowest, 0]) {
      const { rows } = await db.query<LinkRow>(sql, [...values(site, f, from), f.before, f.limit])
      if (rows.length >= f.limit || from === 0) return rows
    }
    return []
  })

/** How many records of each there are, of what else is asked for. */
export interface LogCounts {
  readonly types: Readonly<Record<string, number>>
  readonly verdicts: Readonly<Record<string, number>>
  readonly people: Readonly<Record<string, number>>
  readonly stations: Readonly<Record<string, number>>
}

/** Counts by type, verdict, person and station, each as if it were not asked for itself. */
export const logCounts = (pool: Pool, site: string, f: LogFilter): Promise<LogCounts> =>
  inSite(pool, site, async (db) => {
    const by = async (column: string, without: Partial<LogFilter>): Promise<Record<string, number>> => {
      const sql = `
        select r.${column} as name, count(*)::int as n from record r
        where ${fits(f)} and r.${column} is not null group by 1`
      const found = await db.query<{ name: string; n: number }>(sql, values(site, { ...f, ...without }))
      return Object.fromEntries(found.rows.map(({ name, n }) => [name, n]))
    }
    // Where nothing of these is asked for, one look at all of it counts them all.
    if (!f.types && !f.verdicts && !f.person && !f.stations) return countedAtOnce(db, site, f)
    return {
      types: await by('type', { types: null }),
      verdicts: await by('verdict', { verdicts: null }),
      people: await by('by_person', { person: null }),
      stations: await by('station', { stations: null }),
    }
  })

async function countedAtOnce(db: Client, site: string, f: LogFilter): Promise<LogCounts> {
  const sql = `
    select r.type, r.verdict, r.by_person as person, r.station, count(*)::int as n
    from record r where ${fits(f)} group by grouping sets ((r.type), (r.verdict), (r.by_person), (r.station))`
  type Row = Record<'type' | 'verdict' | 'person' | 'station', string | null> & { n: number }
  const { rows } = await db.query<Row>(sql, values(site, f))
  const of = (name: 'type' | 'verdict' | 'person' | 'station') =>
    Object.fromEntries(rows.flatMap((r) => (r[name] === null ? [] : [[r[name], r.n] as const])))
  return { types: of('type'), verdicts: of('verdict'), people: of('person'), stations: of('station') }
}

/** Ids of what is called by these words: stations, products, instruments, mixes, people, procedures of the site's own. */
export const namedBy = (pool: Pool, site: string, words: string): Promise<string[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select subject_id as id from subject_state
      where site_id = $1 and kind in ('station', 'product', 'instrument', 'mix')
        and position(lower($2) in lower(coalesce(state #>> '{plate,name}', state ->> 'name', ''))) > 0
      union
      select id from person where site_id = $1 and position(lower($2) in lower(name)) > 0`
    return (await db.query<{ id: string }>(sql, [site, words])).rows.map((r) => r.id)
  })
