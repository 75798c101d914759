import type { Services } from '../services/services.ts'
import { appendBatch } from '../stream/append.ts'
import { draftOf, type Judged } from './cutting.ts'

/** Drafts of one batch. */
const mostAtOnce = 500

/** Puts judged cycles into the site's chain. */
export async function putInChain(
  { pool, queue, now }: Pick<Services, 'pool' | 'queue' | 'now'>,
  site: string,
  device: string,
  judged: readonly Judged[],
): Promise<void> {
  const at = now()
  for (let i = 0; i < judged.length; i += mostAtOnce) {
    const drafts = judged.slice(i, i + mostAtOnce).map((j) => draftOf(site, device, j, at))
    const outcomes = await queue.run(site, () =>
      appendBatch(pool, {
        site,
        drafts,
        clockOffset: 0,
        receivedAt: at,
        allow: () => null,
        fromDevice: true,
        memory: queue.memory,
      }),
    )
    // One that a crash left in the chain without its row has its id already.
    const refused = outcomes.find((o) => o.outcome === 'refused' && o.code !== 'id_reused')
    if (refused) throw new Error(`a cycle was refused: ${JSON.stringify(refused)}`)
  }
}
