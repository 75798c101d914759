import type { AnyDraft } from '@tadka/core/record'
import { isOwn } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import type { z } from 'zod'
import { readProcedure } from '../procedure/read.ts'
import { draftEnvelope } from './envelope.ts'
import { isKnownType, payloadSchemas } from './payloads.ts'

/** The first few faults of a parse, each with the path to its field. */
export const issuesOf = (error: z.ZodError): { path: string; why: string }[] =>
  error.issues.slice(0, 8).map((i) => ({ path: i.path.join('.'), why: i.message }))

/** Checks one draft as it came over the wire. Throws `body_malformed`, `type_unknown`. */
export function checkDraft(raw: unknown): AnyDraft {
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
  if (draft.type === 'procedure.set@1') checkOwn(draft.payload.document, draft.subject.id)
  if (draft.type === 'run.started@1' && draft.payload.document)
    checkOwn(draft.payload.document, draft.payload.procedure.id)
  return draft
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
