import { createHash } from 'node:crypto'
import { checkDraft, type DraftOutcome } from '@tadka/contract/record'
import {
  amendmentOf,
  canonicalText,
  correctedAt,
  deviceTypes,
  flagsOf,
  recordText,
  signedTypes,
  subjectsOf,
  type AnyDraft,
  type AnyRecord,
  type SiteSet,
  type SubjectRef,
} from '@tadka/core/record'
import type { RunState, StationState } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { readContext, writeRecords, type AppendContext, type NewRecord } from './append-queries.ts'
import { Folding } from './folding.ts'
import type { AppendMemory } from './memory.ts'
import { recordById } from './queries.ts'

export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex')

export interface Batch {
  readonly site: string
  readonly drafts: readonly unknown[]
  /** The sender's clock when it sent, milliseconds UTC; null where it is the server's own. */
  readonly sentAt: number | null
  readonly receivedAt: number
  /** Throws where the person may not make this record; `at` is the corrected observed time. */
  readonly allow: (draft: AnyDraft, at: number) => void
  /** Whether types that need a person's own PIN are let through. */
  readonly signed?: boolean
  /** Whether types that the server makes from what devices stream are let through. */
  readonly fromDevice?: boolean
  /** What this process last wrote, where the caller appends one batch of a site at a time. */
  readonly memory?: AppendMemory
}

/** How far ahead of the server's corrected clock an observation may lie before it is refused. */
const futureSlackMs = 30_000
/** A clock this near is taken as right: the way over the network alone makes some difference. */
const clockSlackMs = 2000
const attempts = 20
/** Hours that a machine stays sanitized where the site has set none. Common practice, no source. */
const defaultFreshHours = 4

interface Accepted {
  readonly at: number
  readonly draft: AnyDraft
  readonly subjects: SubjectRef[]
  /** Of an amendment: what it amends, and the subjects that this comes to concern only now. */
  readonly amended?: { readonly target: AnyRecord; readonly anew: readonly SubjectRef[] }
}

/**
 * Appends a batch to its site's chain: each draft is accepted, known already, or refused with its reason. One
 * transaction; begun again where another process advanced the chain meanwhile.
 */
export async function appendBatch(pool: Pool, batch: Batch): Promise<DraftOutcome[]> {
  const raw = batch.sentAt === null ? 0 : batch.receivedAt - batch.sentAt
  const clockOffset = Math.abs(raw) <= clockSlackMs ? 0 : Math.round(raw)
  const outcomes: DraftOutcome[] = []
  const accepted: (Accepted & { index: number })[] = []
  for (const [index, rawDraft] of batch.drafts.entries()) {
    try {
      const one = await admit(pool, batch, rawDraft, clockOffset)
      accepted.push({ ...one, index })
    } catch (error) {
      outcomes[index] = refused(rawDraft, error)
    }
  }
  for (let attempt = 0; accepted.length > 0; attempt++) {
    if (await attemptAppend(pool, batch, accepted, clockOffset, outcomes, attempt === 0)) break
    if (attempt >= attempts) throw new Refusal('database_down')
  }
  return outcomes
}

/** One try to put the batch into the chain; false where what it was prepared from no longer holds. */
async function attemptAppend(
  pool: Pool,
  batch: Batch,
  accepted: readonly (Accepted & { index: number })[],
  clockOffset: number,
  outcomes: DraftOutcome[],
  mayRecall: boolean,
): Promise<boolean> {
  const { site, receivedAt, memory } = batch
  const subjects = accepted.flatMap((a) => a.subjects)
  const recalled = mayRecall ? (memory?.recall(site, subjects) ?? null) : null
  const context = recalled ?? (await readContext(pool, site, accepted))
  const { records, folding } = prepare(context, accepted, receivedAt, clockOffset, outcomes)
  if (records.length === 0) return true
  await folding.refold(pool, site)
  memory?.forget(site)
  try {
    if (!(await writeRecords(pool, site, context, receivedAt, records, folding.changed()))) return false
  } catch (error) {
    // A retried draft that was not looked up, as the context came from memory: look it up.
    if (recalled && (error as { code?: unknown }).code === uniqueViolation) return false
    throw error
  }
  const last = records.at(-1)
  if (last) memory?.remember(site, { seq: last.record.seq, hash: last.hash }, folding.all())
  return true
}

const uniqueViolation = '23505'

async function admit(pool: Pool, batch: Batch, raw: unknown, clockOffset: number): Promise<Accepted> {
  const draft = checkDraft(raw)
  if (draft.site !== batch.site) throw new Refusal('wrong_site', { site: draft.site })
  if (signedTypes.has(draft.type) && !batch.signed) throw new Refusal('needs_pin', { type: draft.type })
  if (deviceTypes.has(draft.type) && !batch.fromDevice) throw new Refusal('not_allowed', { type: draft.type })
  const at = correctedAt({ observedAt: draft.observedAt, clockOffset })
  if (at > batch.receivedAt + futureSlackMs)
    throw new Refusal('in_the_future', { observedAt: draft.observedAt, clockOffset })
  canonicalText(draft)
  batch.allow(draft, at)
  const subjects = subjectsOf(draft)
  if (draft.type !== 'record.amended@1') return { at, draft, subjects }
  return { at, draft, ...(await amendedSubjects(pool, batch.site, draft, subjects)) }
}

/** An amendment folds into every subject of what it amends, whatever it names itself. */
async function amendedSubjects(
  pool: Pool,
  site: string,
  draft: AnyDraft & { type: 'record.amended@1' },
  own: SubjectRef[],
): Promise<Pick<Accepted, 'subjects' | 'amended'>> {
  const { target: id, targetType, instead, reason } = draft.payload
  const target = await recordById(pool, site, id)
  if (!target || target.type !== targetType) throw new Refusal('amends_nothing', { target: id })
  const { subjects } = amendmentOf(target, instead, reason)
  const without = (list: readonly SubjectRef[], of: readonly SubjectRef[]) =>
    list.filter((s) => !of.some((o) => o.kind === s.kind && o.id === s.id))
  const all = [...own, ...without(subjects, own)]
  return { subjects: all, amended: { target, anew: without(all, subjectsOf(target)) } }
}

function refused(raw: unknown, error: unknown): DraftOutcome {
  if (!(error instanceof Refusal)) throw error
  const id = (raw as { id?: unknown } | null)?.id
  return { id: typeof id === 'string' ? id.slice(0, 64) : null, outcome: 'refused', ...error.toWire() }
}

/** Gives the drafts that are new their place in the chain, and folds them. */
function prepare(
  context: AppendContext,
  accepted: readonly (Accepted & { index: number })[],
  receivedAt: number,
  clockOffset: number,
  outcomes: DraftOutcome[],
) {
  const folding = new Folding(context.states)
  const records: NewRecord[] = []
  const known = new Map(context.known.map((k) => [k.id, k]))
  let { seq, hash } = context
  for (const { draft, subjects, at, index, amended } of accepted) {
    const before = known.get(draft.id)
    if (before) {
      outcomes[index] = sameDraft(before.text, draft)
        ? { id: draft.id, outcome: 'known', seq: before.seq }
        : { id: draft.id, outcome: 'refused', ...new Refusal('id_reused').toWire() }
      continue
    }
    seq += 1
    const fields = { seq, receivedAt, clockOffset, prev: hash, flags: flagsFor(draft, subjects, at, folding) }
    const text = recordText(draft, fields)
    hash = sha256(text)
    const record = { ...draft, ...fields } as AnyRecord
    const also = (amended?.anew ?? []).map((s) => ({ seq: amended?.target.seq ?? 0, ...s }))
    records.push({ record, subjects, at, text, hash, also })
    if (amended) folding.bring(amended.target, amended.anew)
    folding.add(record, subjects)
    known.set(draft.id, { id: draft.id, seq, text })
    outcomes[index] = { id: draft.id, outcome: 'accepted', seq }
  }
  return { records, folding }
}

function sameDraft(storedText: string, draft: AnyDraft): boolean {
  const {
    seq: _,
    receivedAt: _r,
    clockOffset: _c,
    prev: _p,
    flags: _f,
    ...stored
  } = JSON.parse(storedText) as AnyRecord
  return canonicalText(stored) === canonicalText(draft)
}

function flagsFor(draft: AnyDraft, subjects: readonly SubjectRef[], at: number, folding: Folding) {
  const idOf = (kind: SubjectRef['kind']) => subjects.find((s) => s.kind === kind)?.id
  const run = folding.stateOf('run', idOf('run')) as RunState | null
  const station = folding.stateOf('station', idOf('station')) as StationState | null
  const site = folding.stateOf('site', draft.site) as Partial<SiteSet> | null
  return flagsOf(draft, { run, station, at, freshHours: site?.freshHours ?? defaultFreshHours })
}
