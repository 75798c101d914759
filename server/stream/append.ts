import { createHash } from 'node:crypto'
import { checkContents, checkDraft } from '@tadka/contract/record'
import { type DraftOutcome } from '@tadka/contract/stream'
import { dayOf } from '@tadka/core/calendar'
import type { Role } from '@tadka/core/rights'
import { instant } from '@tadka/core/quantity'
import {
  alsoNeeded,
  amendFault,
  amendmentOf,
  concernsOf,
  madeBy,
  subjectsOf,
  subjectsWithout,
  type Flag,
  type ShiftState,
} from '@tadka/core/record'
import {
  canonicalText,
  correctedAt,
  recordText,
  type AnyDraft,
  type AnyRecord,
  type SubjectRef,
} from '@tadka/core/stream'
import { type SiteSet } from '@tadka/core/house'
import { Refusal, type RefusalCode } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { readContext, writeRecords, type AppendContext, type NewRecord } from './append-queries.ts'
import { checkContactEntry } from './contact-entry.ts'
import { asOf, type KnownThen } from './as-of.ts'
import { judgeDraft } from './judge-draft.ts'
import { Folding } from './folding.ts'
import type { AppendMemory } from './memory.ts'
import { recordById, recordsOfSubject, stateOf } from './queries.ts'

export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex')

export interface Batch {
  readonly site: string
  readonly drafts: readonly unknown[]
  /** Server clock minus the sender's, milliseconds. */
  readonly clockOffset: number
  /** The same by draft, for those whose tablet knew another when they were made. */
  readonly clockOffsets?: ReadonlyMap<unknown, number>
  readonly receivedAt: number
  /**
   * The role in which the person makes this record; null where the server itself answers for it. `at` is the corrected
   * observed time, `raw` what came. Throws where they may not.
   */
  readonly allow: (draft: AnyDraft, at: number, raw: unknown) => Role | null
  /** What is odd about how a draft came. */
  readonly extraFlags?: (draft: AnyDraft) => readonly Flag[]
  /** Whether types that need a person's own PIN are let through. */
  readonly signed?: boolean
  /** Whether types that the server makes from what devices stream are let through. */
  readonly fromDevice?: boolean
  /** Whether types by which people and tablets get rights are let through. */
  readonly rights?: boolean
  /** All of it is taken, or nothing. */
  readonly whole?: boolean
  /** What this process last wrote, where the caller appends one batch of a site at a time. */
  readonly memory?: AppendMemory
}

/** How far ahead of the server's corrected clock an observation may lie before it is refused. */
const futureSlackMs = 30_000
const attempts = 20

interface Accepted {
  readonly at: number
  readonly clockOffset: number
  /** When what it tells was seen: of an amendment, when its target was. */
  readonly seenAt: number
  readonly draft: AnyDraft
  readonly subjects: SubjectRef[]
  /** What it is judged by beside its own subjects. */
  readonly needs: readonly SubjectRef[]
  /** Of an amendment: what it amends. */
  readonly amended?: { readonly target: AnyRecord }
}

/**
 * Appends a batch to its site's chain: each draft is accepted, known already, or refused with its reason. One
 * transaction; begun again where another process advanced the chain meanwhile.
 */
export async function appendBatch(pool: Pool, batch: Batch): Promise<DraftOutcome[]> {
  const outcomes: DraftOutcome[] = []
  const accepted: (Accepted & { index: number })[] = []
  for (const [index, rawDraft] of batch.drafts.entries()) {
    try {
      const one = await admit(pool, batch, rawDraft)
      accepted.push({ ...one, index })
    } catch (error) {
      outcomes[index] = refused(rawDraft, error)
    }
  }
  // Those that would have been taken were not answered for.
  if (batch.whole && accepted.length < batch.drafts.length) return Object.values(outcomes)
  for (let attempt = 0; accepted.length > 0; attempt++) {
    if (await attemptAppend(pool, batch, accepted, outcomes, attempt === 0)) break
    if (attempt >= attempts) throw new Refusal('database_down')
  }
  return outcomes
}

/** One try to put the batch into the chain; false where what it was prepared from no longer holds. */
async function attemptAppend(
  pool: Pool,
  batch: Batch,
  accepted: readonly (Accepted & { index: number })[],
  outcomes: DraftOutcome[],
  mayRecall: boolean,
): Promise<boolean> {
  const { site, memory } = batch
  const subjects = accepted.flatMap((a) => [...a.subjects, ...a.needs])
  const recalled = mayRecall ? (memory?.recall(site, subjects) ?? null) : null
  const asked = accepted.map((a) => ({ draft: a.draft, subjects: [...a.subjects, ...a.needs] }))
  const context = recalled ?? (await readContext(pool, site, asked))
  const then = await asOf(pool, site, context, accepted)
  const { records, folding } = prepare(context, batch, accepted, outcomes, then)
  if (records.length === 0 || (batch.whole && refusalIn(outcomes))) return true
  await folding.refold((kind, id) => recordsOfSubject(pool, site, kind, id))
  memory?.forget(site)
  try {
    if (!(await writeRecords(pool, site, context, records, folding.changed()))) return false
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

async function admit(pool: Pool, batch: Batch, raw: unknown): Promise<Accepted> {
  const draft = checkDraft(raw)
  const clockOffset = batch.clockOffsets?.get(raw) ?? batch.clockOffset
  if (draft.site !== batch.site) throw new Refusal('wrong_site', { site: draft.site })
  const by = madeBy(draft.type)
  if (by === 'signature' && !batch.signed) throw new Refusal('needs_pin', { type: draft.type })
  if (by === 'device' && !batch.fromDevice) throw new Refusal('not_allowed', { type: draft.type })
  if (by === 'rights' && !batch.rights) throw new Refusal('not_allowed', { type: draft.type })
  const at = correctedAt({ observedAt: draft.observedAt, clockOffset })
  if (at > batch.receivedAt + futureSlackMs)
    throw new Refusal('in_the_future', { observedAt: draft.observedAt, clockOffset })
  canonicalText(draft)
  const role = batch.allow(draft, at, raw)
  checkContents(draft)
  const subjects = subjectsOf(draft)
  await checkContactEntry(pool, batch.site, draft)
  const needs = alsoNeeded(draft)
  if (draft.type !== 'record.amended@1') return { at, clockOffset, seenAt: at, draft, subjects, needs }
  const amending = await amendedSubjects(pool, batch, draft, subjects, role)
  const seenAt = amending.amended ? correctedAt(amending.amended.target) : at
  return { at, clockOffset, seenAt, draft, needs, ...amending }
}

/** Whether a signature of its day covers a record. */
async function isSigned(pool: Pool, site: string, target: AnyRecord): Promise<boolean> {
  const set = (await stateOf(pool, site, 'site', site))?.state as Partial<SiteSet> | undefined
  if (!set?.hours || !set.timeZone) return false
  const day = dayOf(set as SiteSet, instant(correctedAt(target)))
  const shift = (await stateOf(pool, site, 'shift', day))?.state as ShiftState | undefined
  return shift?.signatures.some((s) => s.upTo >= target.seq) ?? false
}

/** An amendment folds into every subject of what it amends, whatever it names itself. */
async function amendedSubjects(
  pool: Pool,
  batch: Batch,
  draft: AnyDraft & { type: 'record.amended@1' },
  own: SubjectRef[],
  role: Role | null,
): Promise<Pick<Accepted, 'subjects' | 'amended'>> {
  const { target: id, targetType, instead, reason } = draft.payload
  const target = await recordById(pool, batch.site, id)
  if (!target || target.type !== targetType) throw new Refusal('amends_nothing', { target: id })
  if (role !== null) {
    const signed = await isSigned(pool, batch.site, target)
    const fault = amendFault(target, instead, { by: draft.by, role, at: batch.receivedAt, signed })
    if (fault) throw new Refusal(fault, { target: id })
  }
  const { subjects } = amendmentOf(target, instead, reason)
  return { subjects: [...own, ...subjectsWithout(subjects, own)], amended: { target } }
}

/** Why the first of them that was refused was. */
export function refusalIn(outcomes: readonly DraftOutcome[]): Refusal | null {
  const first = outcomes.find((o) => o.outcome === 'refused')
  return first && 'code' in first ? new Refusal(first.code as RefusalCode) : null
}

function refused(raw: unknown, error: unknown): DraftOutcome {
  const refusal =
    error instanceof Refusal
      ? error
      : error instanceof TypeError || error instanceof RangeError
        ? new Refusal('broken')
        : null
  // What has to do with the database concerns the whole batch: it is sent again.
  if (!refusal) throw error
  const id = (raw as { id?: unknown } | null)?.id
  return { id: typeof id === 'string' ? id.slice(0, 64) : null, outcome: 'refused', ...refusal.toWire() }
}

/** Gives the drafts that are new their place in the chain, and folds them. */
function prepare(
  context: AppendContext,
  { receivedAt, extraFlags }: Batch,
  accepted: readonly (Accepted & { index: number })[],
  outcomes: DraftOutcome[],
  then: KnownThen,
) {
  const folding = new Folding(context.states)
  const records: NewRecord[] = []
  const known = new Map(context.known.map((k) => [k.id, k]))
  let { seq, hash } = context
  for (const one of accepted) {
    const { draft, clockOffset, index, amended } = one
    const before = known.get(draft.id)
    if (before) {
      outcomes[index] = sameDraft(before.text, draft)
        ? { id: draft.id, outcome: 'known', seq: before.seq }
        : { id: draft.id, outcome: 'refused', ...new Refusal('id_reused').toWire() }
      continue
    }
    let judged: ReturnType<typeof judgeDraft>
    try {
      judged = judgeDraft(one, { receivedAt, clockOffset }, folding, then)
    } catch (error) {
      outcomes[index] = refused(draft, error)
      continue
    }
    seq += 1
    const flags = [...judged.flags, ...(extraFlags?.(draft) ?? [])]
    const fields = { seq, receivedAt, clockOffset, prev: hash, ...judged, flags }
    const text = recordText(draft, fields)
    hash = sha256(text)
    const record = { ...draft, ...fields } as AnyRecord
    const { concerns, anew } = concernsOf(record, amended?.target)
    const also = anew.map((s) => ({ seq: amended?.target.seq ?? 0, ...s }))
    records.push({ record, subjects: concerns, text, hash, also })
    if (amended) folding.bring(amended.target, anew)
    folding.add(record, concerns)
    known.set(draft.id, { id: draft.id, seq, text })
    outcomes[index] = { id: draft.id, outcome: 'accepted', seq }
  }
  return { records, folding }
}

/** What of a record was sent, without what the server put to it. */
export function draftOf(record: AnyRecord): AnyDraft {
  const { seq: _, receivedAt: _r, clockOffset: _c, prev: _p, flags: _f, inForce: _i, ...draft } = record
  return draft
}

const sameDraft = (storedText: string, draft: AnyDraft): boolean =>
  canonicalText(draftOf(JSON.parse(storedText) as AnyRecord)) === canonicalText(draft)
