import type { AnyDraft } from '@tadka/core/stream'
import { isOwn } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import type { z } from 'zod'
import { readProcedure } from '../procedure/read.ts'
import { draftEnvelope } from '../stream/envelope.ts'
import { isKnownType, payloadSchemas } from './payloads.ts'

/** The first few faults of a parse, each with the path to its field. */
export const issuesOf = (error: z.ZodError): { path: string; why: string }[] =>
  error.issues.slice(0, 8).map((i) => ({ path: i.path.join('.'), why: i.message }))

/** Nothing that is sent nests so deep; a procedure of the library reaches a third of it. */
const deepest = 32

/** Whether something nests no deeper than it may: followed down no further than that. */
function isShallow(value: unknown, left = deepest): boolean {
  if (typeof value !== 'object' || value === null) return true
  if (left === 0) return false
  const of = value as Readonly<Record<string, unknown>>
  for (const key in of) if (!isShallow(of[key], left - 1)) return false
  return true
}

/**
 * Checks the shape of one draft as it came over the wire; work that grows with what is sent waits until it is known that the
 * sender may send it: see `checkContents`. Throws `body_malformed`, `type_unknown`.
 */
export function checkDraft(raw: unknown): AnyDraft {
  if (!isShallow(raw)) throw new Refusal('body_malformed', { issues: [{ path: '', why: 'nests too deep' }] })
  const envelope = draftEnvelope.safeParse(raw)
  if (!envelope.success) throw new Refusal('body_malformed', { issues: issuesOf(envelope.error) })
  const { type } = envelope.data
  if (!isKnownType(type)) throw new Refusal('type_unknown', { type })
  const payload = payloadSchemas[type].safeParse(envelope.data.payload)
  if (!payload.success)
    throw new Refusal('body_malformed', {
      issues: issuesOf(payload.error).map((i) => ({ ...i, path: `payload.${i.path}` })),
    })
  const draft = { ...envelope.data, payload: payload.data } as AnyDraft
  if (draft.type === 'record.amended@1') checkInstead(draft)
  return draft
}

/**
 * What takes more work than the shape: a site's own procedure is walked through. Throws `procedure_malformed`,
 * `procedure_unsafe`, `procedure_too_large`. What a run brings of its procedure is not looked at: the site's own stands.
 */
export function checkContents(draft: AnyDraft): void {
  if (draft.type === 'procedure.set@1') checkOwn(draft.payload.document, draft.subject.id)
}

/** A site's own procedure: under its own name, sound, and safe on every way. */
function checkOwn(document: unknown, id: string): void {
  const { procedure, faults } = readProcedure(document)
  if (!procedure)
    throw new Refusal(faults[0]?.kind === 'safety' ? 'procedure_unsafe' : 'procedure_malformed', { faults })
  if (!isOwn(procedure.id) || procedure.id !== id)
    throw new Refusal('procedure_malformed', {
      faults: [{ kind: 'name', at: 'id', why: 'must be the site’s own' }],
    })
}

/** What is put in a mistaken record's place must itself be a sound payload of that type. */
function checkInstead(draft: AnyDraft & { type: 'record.amended@1' }): void {
  const { targetType, instead } = draft.payload
  if (!isKnownType(targetType) || targetType === 'record.amended@1')
    throw new Refusal('type_unknown', { type: targetType })
  // Taken back: nothing stands in its place.
  if (instead === null) return
  const parsed = payloadSchemas[targetType].safeParse(instead)
  if (!parsed.success)
    throw new Refusal('body_malformed', {
      issues: issuesOf(parsed.error).map((i) => ({ ...i, path: `payload.instead.${i.path}` })),
    })
}
