import { join } from 'node:path'
import { binaries } from './cluster.ts'
import { runKeeping } from './run.ts'
import { Trouble } from './trouble.ts'

/** Runs one of PostgreSQL's own programs on a database; its password goes by the environment, where nobody else reads it. */
export async function postgresTool(
  name: 'pg_dump' | 'pg_restore',
  args: readonly string[],
  database?: string,
): Promise<void> {
  const url = database === undefined ? null : new URL(database)
  const env = { ...process.env, ...(url ? { PGPASSWORD: decodeURIComponent(url.password) } : {}) }
  if (url) url.password = ''
  const all = url ? [`--dbname=${url.href}`, ...args] : args
  const { code, output } = await runKeeping(join(binaries(), name), all, { env }, true)
  if (code !== 0) throw new Trouble(`${name} did not work: ${output.trim().split('\n').at(-1) ?? ''}`)
}
