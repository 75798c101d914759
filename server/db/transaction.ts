import type { Client, Pool } from './pool.ts'

type Begin = 'begin' | 'begin isolation level repeatable read read only'

/** Runs `work` in a transaction that sees one site only, as row-level security has it. */
export async function inSite<T>(
  pool: Pool,
  site: string,
  work: (client: Client) => Promise<T>,
  begin: Begin = 'begin',
): Promise<T> {
  const client = await pool.connect()
  let lost: Error | undefined
  try {
    await client.query(begin)
    await client.query("select set_config('tadka.site', $1, true)", [site])
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    await client.query('rollback').catch((e: Error) => (lost = e))
    throw error
  } finally {
    client.release(lost)
  }
}
