import pg from 'pg'

/** bigint columns hold sequence numbers and milliseconds: all well below 2^53. */
pg.types.setTypeParser(pg.types.builtins.INT8, Number)

export type Pool = pg.Pool
export type Client = pg.PoolClient

/** Connections as the application's role. A lost connection is reported and replaced, not thrown. */
export function openPool(url: string, onLost: (error: Error) => void, max = 12): Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max,
    connectionTimeoutMillis: 5000,
    // No statement takes long; one that hangs on a dead connection must not hold up its site.
    query_timeout: 20_000,
    keepAlive: true,
  })
  // Lost while somebody has it, between two statements, nobody else hears of it: unheard, it would end the process.
  pool.on('connect', (client) => client.on('error', onLost))
  // The pool tells of an idle one what its own listener has told already.
  pool.on('error', () => {})
  return pool
}
