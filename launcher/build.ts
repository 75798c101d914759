import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { run } from './run.ts'
import { root } from './paths.ts'
import { Trouble } from './trouble.ts'

const sources = ['web', 'words', 'core', 'contract', 'package-lock.json']

function newest(path: string): number {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return readdirSync(path)
    .filter((name) => name !== 'node_modules' && name !== 'dist')
    .reduce((latest, name) => Math.max(latest, newest(join(path, name))), 0)
}

/** Builds the web application where it is missing or older than its sources. */
export async function buildIfStale(say: (line: string) => void): Promise<void> {
  const built = join(root, 'web/dist/index.html')
  const latest = Math.max(...sources.map((s) => newest(join(root, s))))
  if (existsSync(built) && statSync(built).mtimeMs > latest) return
  say('Building the application')
  const code = await run(
    process.execPath,
    [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'],
    {
      cwd: join(root, 'web'),
    },
  )
  if (code !== 0) throw new Trouble('The build failed; see above.')
}
