import pg from 'pg'

/** bigint columns hold sequence numbers and milliseconds: all well below 2^53. */
pg.types.setTypeParser(pg.types.builtins.INT8, Number)

export type Pool = pg.Pool
export type Client = pg.PoolClient

interface PoolSize {
  readonly max: number
  /** How long a statement may take, milliseconds. */
  readonly longestMs: number
}
/** While people wait no statement takes long; one that hangs on a dead connection must not hold up its site. */
const served: PoolSize = { max: 12, longestMs: 20_000 }
/** Of what looks at years of records at once, a statement may take minutes. */
export const forLongWork: PoolSize = { max: 2, longestMs: 900_000 }

/** Connections as the application's role. A lost connection is reported and replaced, not thrown. */
export function openPool(
  url: string,
  onLost: (error: Error) => void,
  { max, longestMs }: PoolSize = served,
): Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max,
    connectionTimeoutMillis: 5000,
    query_timeout: longestMs,
    keepAlive: true,
  })
  // Lost while somebody has it, between two statements, nobody else hears of it: unheard, it would end the process.
  pool.on('connect', (client) => client.on('error', onLost))
  // The pool tells of an idle one what its own listener has told already.
  pool.on('error', () => {})
  return pool
}
