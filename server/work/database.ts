import { workerData } from 'node:worker_threads'
import { forLongWork, openPool, type Pool } from '../db/pool.ts'

let pool: Pool | undefined

/** The database that this thread's jobs ask; one pool for all of them. */
export function ownPool(): Pool {
  const [, url] = workerData as [unknown, string]
  pool ??= openPool(url, () => {}, forLongWork)
  return pool
}
