import { isFault, noRecordBefore, verifyChain } from '@tadka/core/stream'
import type { Client } from '../../db/pool.ts'
import { sha256 } from '../../stream/append.ts'
import { headIn } from '../../stream/heads.ts'
import { linksAfter, type LinkRow } from '../../stream/queries.ts'
import type { VerifyFault } from './faults.ts'

const stretch = 2000

/**
 * Follows a site's whole chain from its first record, and checks that it ends where the head says. `each` is shown every stretch
 * of it. Returns how many records are whole, and what is wrong.
 */
export async function followChain(
  db: Client,
  site: string,
  each: (links: readonly LinkRow[]) => void | Promise<void>,
): Promise<{ records: number; head: string; faults: VerifyFault[] }> {
  const end = await headIn(db, site)
  let head = { seq: 0, hash: noRecordBefore }
  const ended = (fault: VerifyFault | null) => ({
    records: head.seq,
    head: head.hash,
    faults: fault ? [fault] : [],
  })
  let next = linksAfter(db, site, 0, stretch)
  for (;;) {
    const links = await next
    const last = links.at(-1)
    if (!last) break
    // Read while this one is followed.
    next = linksAfter(db, site, last.seq, stretch)
    // Awaited at the next turn; where there is none, nobody hears of it.
    next.catch(() => {})
    const result = verifyChain(links, sha256, head)
    if (isFault(result)) {
      await next
      return ended({ what: 'chain', ...result })
    }
    await each(links)
    head = result
  }
  if (head.seq > end.seq) return ended({ what: 'after-head', seq: end.seq + 1 })
  return ended(head.seq === end.seq && head.hash === end.hash ? null : { what: 'head', seq: end.seq })
}
