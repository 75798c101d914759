import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { chmodSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from './paths.ts'

/** A folder for data of its own, where the database's own account gets to. */
export function freshData(name: string): string {
  const data = mkdtempSync(join(tmpdir(), `tadka-${name}-`))
  chmodSync(data, 0o755)
  return data
}

/** Runs the launcher over a folder of data. */
export const launch = (data: string, args: string[], env: Record<string, string> = {}): ChildProcess =>
  spawn(process.execPath, ['--import', 'tsx', 'launcher/main.ts', ...args], {
    cwd: root,
    env: { ...process.env, TADKA_DATA: data, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })

/** Everything it said, to its end. */
export async function toEnd(child: ChildProcess): Promise<{ code: number | null; said: string }> {
  let said = ''
  child.stdout?.on('data', (chunk: Buffer) => (said += chunk.toString()))
  child.stderr?.on('data', (chunk: Buffer) => (said += chunk.toString()))
  const [code] = (await once(child, 'exit')) as [number | null]
  return { code, said }
}

/** What it said until it has said these words; what it says afterwards is let through. */
export async function until(child: ChildProcess, words: string): Promise<string> {
  let said = ''
  return new Promise((resolve, reject) => {
    child.stdout?.on('data', (chunk: Buffer) => {
      said += chunk.toString()
      if (said.includes(words)) resolve(said)
    })
    child.once('exit', () => reject(new Error(`it ended before it said "${words}": ${said}`)))
  })
}

export function alive(pid: number): boolean {
  try {
    return !/^\d+ \(.*\) Z/.test(readFileSync(`/proc/${pid}/stat`, 'utf8'))
  } catch {
    return false
  }
}

/** The process that a file of a folder of data names. */
export const postmasterOf = (data: string): number =>
  Number(readFileSync(join(data, 'main/pg/postmaster.pid'), 'utf8').split('\n')[0])

/** Processes that a process has started, whose command holds these words. */
export const childrenOf = (parent: number, words: string): number[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map(Number)
    .filter((pid) => {
      try {
        const [, after = ''] = readFileSync(`/proc/${pid}/stat`, 'utf8').split(/\) /)
        const isChild = Number(after.split(' ')[1]) === parent
        return isChild && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(words)
      } catch {
        return false
      }
    })
