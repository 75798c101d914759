import { backedUpHeads } from '../../backup/queries.ts'
import { inSite } from '../../db/transaction.ts'
import type { Client, Pool } from '../../db/pool.ts'
import { headsMissed, type Head } from '../../stream/heads.ts'
import { followChain } from './chain.ts'
import { mostFaults, type VerifyFault } from './faults.ts'
import { IndexCheck } from './index-rows.ts'
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
 * @param progress is told the records followed, now and then. @param heads where the chain ended once, kept outside of the database.
 */
export const verifySite = (
  pool: Pool,
  site: string,
  progress: (records: number) => void = () => {},
  heads: readonly Head[] = [],
): Promise<VerifyReport> =>
  inSite(pool, site, (db) => verifyIn(db, site, progress, true, heads), snapshotOnly)

/** All but the states, which are only made from what this checks: for somebody who waits for the answer. */
export const verifyRecords = (pool: Pool, site: string): Promise<VerifyReport> =>
  inSite(pool, site, (db) => verifyIn(db, site, () => {}, false), snapshotOnly)

/**
 * The same in a transaction that is under way and sees the site. @param states whether they are folded anew as well: on years of
 * records that takes minutes.
 */
export async function verifyIn(
  db: Client,
  site: string,
  progress: (records: number) => void,
  states = true,
  heads: readonly Head[] = [],
): Promise<VerifyReport> {
  // A text that cannot be read breaks the chain first; nothing else can be told from it.
  let followed = 0
  const chain = await followChain(db, site, (links) => progress((followed += links.length)))
  const missed = await headsMissed(db, site, [...heads, ...(await backedUpHeads(db, site))])
  const elsewhere = missed.map(({ seq }): VerifyFault => ({ what: 'head-elsewhere', seq }))
  if (chain.faults.length > 0) return { sound: false, ...chain, faults: [...chain.faults, ...elsewhere] }
  const index = new IndexCheck(db, site)
  await index.begin()
  await followChain(db, site, (links) => index.look(links))
  const faults = [
    ...elsewhere,
    ...(await columnFaults(db, site)),
    ...index.faults,
    ...(await index.ofNothing()),
    ...(states ? await stateFaults(db, site) : []),
    ...(await personFaults(db, site)),
    ...(await signatureFaults(db, site)),
    ...(await photoFaults(db, site)),
  ].slice(0, mostFaults)
  return { ...chain, sound: faults.length === 0, faults }
}
