import { backedUpHeads } from '../../backup/queries.ts'
import { inSite } from '../../db/transaction.ts'
import type { Client, Pool } from '../../db/pool.ts'
import { headIn, headsMissed, type Head } from '../../stream/heads.ts'
import { followChain } from './chain.ts'
import { mostFaults, type VerifyFault } from './faults.ts'
import { IndexCheck } from './index-rows.ts'
import type { OnProgress } from './progress.ts'
import { stateFaults } from './states.ts'
import { columnFaults, personFaults, photoFaults, signatureFaults } from './tables.ts'

export interface VerifyReport {
  readonly sound: boolean
  /** Records whose chain is whole, from the first. */
  readonly records: number
  readonly head: string
  readonly faults: readonly VerifyFault[]
}

const snapshotOnly = 'begin isolation level repeatable read read only'

/**
 * Checks all that a site keeps: the chain from its first record to its head, the columns and index rows beside it, the states
 * folded from it, people, signatures and photos. In one view of the database, whatever is written meanwhile.
 * @param progress is told how far it is, now and then. @param heads where the chain ended once, kept outside of the database.
 */
export const verifySite = (
  pool: Pool,
  site: string,
  progress: OnProgress = () => {},
  heads: readonly Head[] = [],
): Promise<VerifyReport> => inSite(pool, site, (db) => verifyIn(db, site, progress, heads), snapshotOnly)

/** The same in a transaction that is under way and sees the site. */
export async function verifyIn(
  db: Client,
  site: string,
  progress: OnProgress = () => {},
  heads: readonly Head[] = [],
): Promise<VerifyReport> {
  const { seq: of } = await headIn(db, site)
  const index = new IndexCheck(db, site)
  await index.begin()
  let done = 0
  const chain = await followChain(db, site, async (links) => {
    await index.look(links)
    await progress({ part: 'records', done: (done += links.length), of })
  })
  const missed = await headsMissed(db, site, [...heads, ...(await backedUpHeads(db, site))])
  const elsewhere = missed.map(({ seq }): VerifyFault => ({ what: 'head-elsewhere', seq }))
  // A text that cannot be read breaks the chain; nothing else can be told from it.
  if (chain.faults.length > 0) return { sound: false, ...chain, faults: [...chain.faults, ...elsewhere] }
  const faults = [
    ...elsewhere,
    ...(await columnFaults(db, site)),
    ...index.faults,
    ...(await index.ofNothing()),
    ...(await stateFaults(db, site, progress)),
    ...(await personFaults(db, site)),
    ...(await signatureFaults(db, site)),
    ...(await photoFaults(db, site)),
  ].slice(0, mostFaults)
  return { ...chain, sound: faults.length === 0, faults }
}
