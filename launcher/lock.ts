import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Trouble } from './trouble.ts'

/** The launcher that a file of its number names, where it still runs. */
function holder(file: string): number | null {
  try {
    const pid = Number(readFileSync(file, 'utf8'))
    if (pid === process.pid) return null
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('launcher/main.ts') ? pid : null
  } catch {
    return null
  }
}

/**
 * Takes a folder of data for this launcher: two over one database would stop it under each other. Given back on the way out;
 * one that was killed holds nothing. Throws where another holds it.
 */
export function takeFolder(data: string): () => void {
  mkdirSync(data, { recursive: true })
  const file = join(data, 'launcher.pid')
  const other = holder(file)
  if (other !== null)
    throw new Trouble(
      `Tadka runs already over ${data} (process ${other}): open it in the browser, or stop it there with Ctrl-C first.`,
    )
  writeFileSync(file, String(process.pid))
  const giveBack = () => {
    if (holder(file) === null) rmSync(file, { force: true })
  }
  process.once('exit', giveBack)
  return giveBack
}
