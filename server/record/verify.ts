import { isFault, noRecordBefore, verifyChain, type ChainFault } from '@tadka/core/record'
import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'
import { sha256 } from './append.ts'
import { headOf, linksAfter } from './queries.ts'

export interface ChainReport {
  readonly sound: boolean
  readonly records: number
  readonly head: string
  readonly fault: ChainFault | null
}

const stretch = 2000

/** Checks a site's whole chain from its first record, and that it ends where the head says. */
export async function verifySite(pool: Pool, site: string): Promise<ChainReport> {
  const end = await headOf(pool, site)
  let head = { seq: 0, hash: noRecordBefore }
  while (head.seq < end.seq) {
    const links = await inSite(pool, site, (db) => linksAfter(db, site, head.seq, stretch))
    const upTo = links.filter((l) => l.seq <= end.seq)
    const result = verifyChain(upTo, sha256, head)
    if (isFault(result)) return { sound: false, records: head.seq, head: head.hash, fault: result }
    if (upTo.length === 0) return fault(head, head.seq + 1, 'gap')
    head = result
  }
  return head.hash === end.hash
    ? { sound: true, records: head.seq, head: head.hash, fault: null }
    : fault(head, head.seq, 'hash')
}

const fault = (head: { seq: number; hash: string }, seq: number, why: ChainFault['why']): ChainReport => ({
  sound: false,
  records: head.seq,
  head: head.hash,
  fault: { seq, why },
})
