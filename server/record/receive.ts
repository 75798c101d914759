import type { batchBody, DraftOutcome } from '@tadka/contract/stream'
import { clockOffsetOf, type AnyDraft } from '@tadka/core/stream'
import type { z } from 'zod'
import type { Services } from '../services/services.ts'
import { authorizeDraft, type Senders } from '../people/draft-access.ts'
import { appendBatch } from '../stream/append.ts'
import { hold, isHoldable, type HeldDraft } from './held.ts'

/**
 * Takes what a tablet sends: each draft by whose work it is and by what its tablet knew of the clock when it was made. What may not go
 * into the log by itself, and may have happened, is held for a manager.
 * @param receivedAt milliseconds UTC.
 */
export async function receiveBatch(
  { pool, queue }: Pick<Services, 'pool' | 'queue'>,
  site: string,
  { sentAt, offset, drafts, provenance = [] }: z.infer<typeof batchBody>,
  senders: Senders,
  receivedAt: number,
): Promise<DraftOutcome[]> {
  const clockOffset = clockOffsetOf(receivedAt, sentAt, offset ?? null)
  const from = new Map(drafts.map((draft, i) => [draft, provenance[i] ?? { pass: null, offset: null }]))
  const offsetOf = (draft: unknown) => from.get(draft)?.offset ?? clockOffset
  const afterSession = new Set<string>()
  const outcomes = await queue.run(site, () =>
    appendBatch(pool, {
      site,
      drafts,
      clockOffset,
      clockOffsets: new Map(drafts.map((draft) => [draft, offsetOf(draft)])),
      receivedAt,
      allow: (draft, at, raw) => {
        const { role, isAfterSession } = authorizeDraft(senders, draft, at, from.get(raw)?.pass ?? null)
        if (isAfterSession) afterSession.add(draft.id)
        return role
      },
      extraFlags: ({ id }) => (afterSession.has(id) ? ['after-session'] : []),
      memory: queue.memory,
    }),
  )
  const toHold = drafts.flatMap((draft, i): HeldDraft[] => {
    const { id, code } = outcomes[i] ?? {}
    return id && isHoldable(code)
      ? [{ id, draft: draft as AnyDraft, why: code, clockOffset: offsetOf(draft), receivedAt }]
      : []
  })
  if (toHold.length === 0) return outcomes
  const held = await hold(pool, site, toHold)
  return outcomes.map((o) =>
    o.outcome === 'refused' && o.id && held.has(o.id) && isHoldable(o.code) ? { ...o, outcome: 'held' } : o,
  )
}
