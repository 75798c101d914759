import type { DraftOutcome } from '@tadka/contract/stream'
import type { Payloads, RecordType, SubjectRef } from '@tadka/core/stream'
import { v7 } from 'uuid'
import type { Services } from '../services/services.ts'
import { appendBatch } from './append.ts'

/** A record that the server makes for somebody whose own PIN it has checked. */
export interface Signed<T extends RecordType = RecordType> {
  readonly type: T
  readonly subject: SubjectRef
  readonly by: string
  readonly payload: Payloads[T]
}

/** Puts what somebody signed with their PIN in the log. @param at milliseconds UTC. */
export const appendSigned = (
  { pool, queue }: Pick<Services, 'pool' | 'queue'>,
  where: string,
  at: number,
  made: readonly Signed[],
): Promise<DraftOutcome[]> => {
  const drafts = made.map((m, i) => ({
    id: v7(),
    site: where,
    observedAt: at,
    device: 'server',
    counter: at * 10 + i,
    ...m,
  }))
  return queue.run(where, () =>
    appendBatch(pool, {
      ...{ site: where, drafts, clockOffset: 0, receivedAt: at },
      ...{ allow: () => null, memory: queue.memory, signed: true },
    }),
  )
}
