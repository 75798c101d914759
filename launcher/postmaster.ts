import { spawn } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import pg from 'pg'
import { freePort } from './free-port.ts'
import { Trouble } from './trouble.ts'

export interface Account {
  readonly uid: number
  readonly gid: number
}

interface Settings {
  readonly bin: string
  readonly account: Account | null
  readonly data: string
  readonly home: string
  readonly wanted: number | undefined
  /** Whether what is committed outlives a power cut; tests, which throw it all away, do without. */
  readonly isDurable: boolean
  readonly say: (line: string) => void
}

/** How often it is looked whether the database still runs, ms. */
const lookMs = 1000

/** A cluster left running by a start that was killed: used as it is. */
function adopt(data: string): { pid: number; port: number } | null {
  const pidFile = join(data, 'postmaster.pid')
  if (!existsSync(pidFile)) return null
  const [pid, , , port] = readFileSync(pidFile, 'utf8').split('\n').map(Number)
  try {
    process.kill(pid ?? 0, 0)
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8')
    return pid && port && command.includes('postgres') ? { pid, port } : null
  } catch {
    return null
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    // One that has ended, and that its parent has not looked at, is no longer there.
    return !/^\d+ \(.*\) Z/.test(readFileSync(`/proc/${pid}/stat`, 'utf8'))
  } catch {
    return false
  }
}

const quick = { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' }

/** Starts the database; returns its process. */
function launch({ bin, account, data, home, isDurable }: Settings, port: number): number {
  const settings = {
    ...(isDurable ? {} : quick),
    listen_addresses: '127.0.0.1',
    port,
    unix_socket_directories: home,
    log_min_messages: 'fatal',
  }
  const flags = Object.entries(settings).flatMap(([k, v]) => ['-c', `${k}=${v}`])
  // Its own process group: Ctrl-C reaches the launcher, which stops the server first and the database after.
  const child = spawn(join(bin, 'postgres'), ['-D', data, ...flags], {
    stdio: 'ignore',
    detached: true,
    ...account,
  })
  if (child.pid === undefined) throw new Trouble('PostgreSQL could not be started.')
  return child.pid
}

/** The database's own process: started here, or found running. */
export class Postmaster {
  readonly port: number
  readonly isAdopted: boolean
  readonly #settings: Settings
  #pid: number
  #stopping = false
  #looking: ReturnType<typeof setInterval> | null = null
  readonly #onExit = () => this.#interrupt()

  private constructor(settings: Settings, pid: number, port: number, isAdopted: boolean) {
    this.#settings = settings
    this.#pid = pid
    this.port = port
    this.isAdopted = isAdopted
    process.once('exit', this.#onExit)
  }

  static async run(settings: Settings): Promise<Postmaster> {
    const found = adopt(settings.data)
    if (found) return new Postmaster(settings, found.pid, found.port, true)
    const port = settings.wanted ?? (await freePort())
    return new Postmaster(settings, launch(settings, port), port, false)
  }

  /** Waits until the database answers. Throws where it ended, or does not within half a minute. */
  async untilReady(url: string): Promise<void> {
    for (let tries = 0; tries < 300; tries++) {
      if (!isAlive(this.#pid))
        throw new Trouble(
          `The private PostgreSQL did not start. Look whether the disk is full. The records lie in ${this.#settings.data}: leave them there.`,
        )
      const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 1000 })
      try {
        await client.connect()
        await client.end()
        return
      } catch {
        await client.end().catch(() => {})
        await pause(100)
      }
    }
    throw new Trouble(
      'The private PostgreSQL does not answer after 30 s. Stop what holds it, then start again.',
    )
  }

  /** Starts the database again whenever it ends by itself, until it is told to stop. */
  watch(): void {
    this.#looking ??= setInterval(() => {
      if (this.#stopping || isAlive(this.#pid)) return
      this.#settings.say('The database stopped by itself; starting it again')
      // Where what it left is not gone yet it ends at once, and the next look starts it once more.
      this.#pid = launch(this.#settings, this.port)
    }, lookMs)
    this.#looking.unref()
  }

  /** On the launcher's way out, however it came to that: a fast shutdown that the database finishes by itself. */
  #interrupt(): void {
    if (!this.isAdopted && isAlive(this.#pid)) process.kill(this.#pid, 'SIGINT')
  }

  /** A fast shutdown: open transactions are rolled back, what was committed is kept. After half a minute, an immediate one. */
  async stop(): Promise<void> {
    this.#stopping = true
    if (this.#looking) clearInterval(this.#looking)
    for (const signal of ['SIGINT', 'SIGQUIT'] as const) {
      if (isAlive(this.#pid)) process.kill(this.#pid, signal)
      for (let tries = 0; tries < 600 && isAlive(this.#pid); tries++) await pause(50)
    }
    process.off('exit', this.#onExit)
  }
}
