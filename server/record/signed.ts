import type { DraftOutcome } from '@tadka/contract/stream'
import { v7 } from 'uuid'
import type { Services } from '../services/services.ts'
import { appendBatch } from '../stream/append.ts'

/** What somebody signed with their PIN, as one record for each day that it is of. @param at milliseconds UTC. */
export async function keepSigned(
  { pool, queue }: Pick<Services, 'pool' | 'queue'>,
  where: string,
  type: 'shift.signed@1' | 'shift.reviewed@1',
  by: string,
  at: number,
  payloads: readonly { readonly day: string }[],
): Promise<DraftOutcome[]> {
  const drafts = payloads.map((payload, i) => ({
    id: v7(),
    site: where,
    type,
    subject: { kind: 'shift', id: payload.day },
    observedAt: at,
    device: 'server',
    counter: at + i,
    by,
    payload,
  }))
  return queue.run(where, () =>
    appendBatch(pool, {
      ...{ site: where, drafts, clockOffset: 0, receivedAt: at },
      ...{ allow: () => null, memory: queue.memory, signed: true },
    }),
  )
}
