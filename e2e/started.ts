import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { createInterface } from 'node:readline'
import { fileURLToPath } from 'node:url'

/** A program that tells on its first lines where it is found. */
export interface Started<T> {
  readonly told: T
  readonly stop: () => Promise<void>
}

const root = fileURLToPath(new URL('..', import.meta.url))

/** Starts a program of Node's and waits for the line that `read` can read. Throws where it ends without one. */
export async function started<T>(
  args: readonly string[],
  read: (line: string) => T | null,
  more: Readonly<Record<string, string>> = {},
): Promise<Started<T>> {
  const child = spawn(process.execPath, args, {
    cwd: root,
    env: { ...process.env, ...more },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  // What fails half-way leaves nothing behind that serves on.
  const end = () => void child.kill('SIGTERM')
  process.once('exit', end)
  child.once('exit', () => process.off('exit', end))
  const stop = async () => {
    if (child.exitCode !== null) return
    const ended = once(child, 'exit')
    child.kill('SIGTERM')
    await ended
  }
  return { told: await firstOf(child, read, args), stop }
}

async function firstOf<T>(
  child: ChildProcess,
  read: (line: string) => T | null,
  args: readonly string[],
): Promise<T> {
  if (!child.stdout) throw new Error('no output to read')
  for await (const line of createInterface({ input: child.stdout })) {
    const found = read(line)
    if (found !== null) return found
  }
  throw new Error(`${args.join(' ')} did not start`)
}

/** The application over a fresh demo database of its own, with a clock that tests may move. */
export const application = (name: string): Promise<Started<Record<string, string>>> =>
  started(
    ['--import', 'tsx', 'e2e/serve.ts'],
    (line) => (line.startsWith('{') ? (JSON.parse(line) as Record<string, string>) : null),
    { TADKA_NAME: name },
  )
