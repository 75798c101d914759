import { concernsOf } from '@tadka/core/record'
import { type AnyRecord, type SubjectKind, type SubjectRef } from '@tadka/core/stream'
import type { Client } from '../../db/pool.ts'
import type { LinkRow } from '../../stream/queries.ts'
import { mostFaults, type VerifyFault } from './faults.ts'

type Row = SubjectRef & { readonly seq: number }
const nameOf = (s: SubjectRef) => `${s.kind}/${s.id}`

/** Null for a text that cannot be read: the chain tells of it. */
function parsed(text: string): AnyRecord | null {
  try {
    return JSON.parse(text) as AnyRecord
  } catch {
    return null
  }
}

/** What each record is filed under, against what it concerns: a row too few hides it, a row too many puts it where it is not. */
export class IndexCheck {
  readonly #amended = new Map<string, AnyRecord>()
  /** What amendments brought earlier records to, by seq. */
  readonly #brought = new Map<number, SubjectRef[]>()
  readonly faults: VerifyFault[] = []
  readonly #db: Client
  readonly #site: string

  constructor(db: Client, site: string) {
    this.#db = db
    this.#site = site
  }

  /** Learns what was amended, and what that came to concern by it. */
  async begin(): Promise<void> {
    const sql = `
      select a.text as amending, t.text as target from record a
      join record t on t.site_id = a.site_id and t.id::text = a.body->'payload'->>'target'
      where a.site_id = $1 and a.type = 'record.amended@1' order by a.seq`
    const { rows } = await this.#db.query<{ amending: string; target: string }>(sql, [this.#site])
    for (const row of rows) {
      const [amending, target] = [parsed(row.amending), parsed(row.target)]
      if (!amending || !target) continue
      this.#amended.set(amending.id, target)
      const before = this.#brought.get(target.seq) ?? []
      this.#brought.set(target.seq, [...before, ...concernsOf(amending, target).anew])
    }
  }

  /** Looks at a stretch of the chain, in order. */
  async look(links: readonly LinkRow[]): Promise<void> {
    const [first, last] = [links[0], links.at(-1)]
    if (!first || !last || this.faults.length >= mostFaults) return
    const sql = `
      select seq, kind, subject_id as id from record_subject
      where site_id = $1 and seq between $2 and $3`
    const stored = new Map<number, Map<string, SubjectRef>>()
    for (const row of (await this.#db.query<Row>(sql, [this.#site, first.seq, last.seq])).rows) {
      const there = stored.get(row.seq) ?? new Map<string, SubjectRef>()
      stored.set(row.seq, there.set(nameOf(row), { kind: row.kind, id: row.id }))
    }
    for (const { seq, text } of links) {
      const record = JSON.parse(text) as AnyRecord
      const { concerns } = concernsOf(record, this.#amended.get(record.id))
      const told = new Map([...concerns, ...(this.#brought.get(seq) ?? [])].map((s) => [nameOf(s), s]))
      const there = stored.get(seq) ?? new Map<string, SubjectRef>()
      for (const [name, s] of told) if (!there.has(name)) this.#tell(seq, 'missing', s)
      for (const [name, s] of there) if (!told.has(name)) this.#tell(seq, 'extra', s)
    }
  }

  #tell(seq: number, why: 'missing' | 'extra', { kind, id }: SubjectRef): void {
    if (this.faults.length < mostFaults) this.faults.push({ what: 'index', seq, why, kind, id })
  }

  /** Rows that file a record which is not there. */
  async ofNothing(): Promise<VerifyFault[]> {
    const sql = `
      select s.seq, s.kind, s.subject_id as id from record_subject s
      where s.site_id = $1 and not exists (select from record r where r.site_id = s.site_id and r.seq = s.seq)
      limit $2`
    const { rows } = await this.#db.query<{ seq: number; kind: SubjectKind; id: string }>(sql, [
      this.#site,
      mostFaults,
    ])
    return rows.map((row) => ({ what: 'index', why: 'extra', ...row }))
  }
}
