import { canonicalText, type SubjectKind } from '@tadka/core/stream'
import type { Client } from '../../db/pool.ts'
import { foldSubject, subjectsFiled } from '../../stream/fold-subject.ts'
import { mostFaults, type VerifyFault } from './faults.ts'
import type { OnProgress } from './progress.ts'

/** How many states are folded between two words of how far it is. */
const tellEvery = 100

interface Kept {
  readonly kind: SubjectKind
  readonly id: string
  readonly state: unknown
  readonly last: unknown
  readonly touched: number
  readonly live: boolean
}

/** The states that screens are made from, each against a fresh fold of its records; and those that no record stands behind. */
export async function stateFaults(
  db: Client,
  site: string,
  progress: OnProgress = () => {},
): Promise<VerifyFault[]> {
  const faults: VerifyFault[] = []
  const sql = `
    select kind, subject_id as id, state, last_key as last, touched_at as touched, live
    from subject_state where site_id = $1`
  const kept = new Map((await db.query<Kept>(sql, [site])).rows.map((k) => [`${k.kind}/${k.id}`, k]))
  const subjects = await subjectsFiled(db, site)
  for (const [done, subject] of subjects.entries()) {
    if (faults.length >= mostFaults) return faults
    if (done % tellEvery === 0) await progress({ part: 'states', done, of: subjects.length })
    const name = `${subject.kind}/${subject.id}`
    const anew = await foldSubject(db, site, subject)
    const stored = kept.get(name)
    if (!stored || told(stored) !== told(anew)) faults.push({ what: 'state', ...subject })
    kept.delete(name)
  }
  const left = [...kept.values()].map(({ kind, id }): VerifyFault => ({ what: 'state', kind, id }))
  return [...faults, ...left].slice(0, mostFaults)
}

/** In one order of keys, and without what JSON leaves out. */
const told = ({ kind, id, state, last, touched, live }: Kept): string =>
  canonicalText(JSON.parse(JSON.stringify({ kind, id, state, last, touched, live })))
