import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { setTimeout as pause } from 'node:timers/promises'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { migrate } from '../../server/db/migrate.ts'
import { openPool } from '../../server/db/pool.ts'
import { people, siteId } from '../../server/demo/house.ts'
import { loadDemo } from '../../server/demo/load.ts'
import { makeCode } from '../../server/people/codes.ts'
import { verifySite } from '../../server/record/verify/verify.ts'
import { startCluster, type Cluster } from '../cluster.ts'
import { freePort } from '../free-port.ts'
import { dataDir, root } from '../paths.ts'

let cluster: Cluster
let port: number
let server: ChildProcess | null = null

beforeAll(async () => {
  cluster = await startCluster(dataDir, 'crash', () => {})
  await migrate(cluster.ownerUrl)
  await loadDemo(cluster.ownerUrl, cluster.appUrl, Date.now(), 1)
  port = await freePort()
})
afterAll(async () => {
  server?.kill('SIGKILL')
  await cluster.stop()
})

async function start(): Promise<void> {
  const env = { ...process.env, TADKA_APP_DATABASE_URL: cluster.appUrl, TADKA_PORT: String(port) }
  server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: root,
    env,
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  })
  await once(server, 'message')
}
async function kill(): Promise<void> {
  const gone = server && once(server, 'exit')
  server?.kill('SIGKILL')
  await gone
}

async function ask(path: string, body: unknown, cookie = ''): Promise<Response> {
  for (;;) {
    try {
      const headers = { 'content-type': 'application/json', cookie }
      const answer = await fetch(`http://127.0.0.1:${port}${path}`, {
        method: 'POST',
        headers,
        signal: AbortSignal.timeout(15_000),
        body: JSON.stringify(body),
      })
      if (answer.status < 500) return answer
    } catch {
      // away: again
    }
    await pause(20)
  }
}

let acknowledgements = 0
let wake: (() => void) | null = null
/** Until so many batches were acknowledged since the start of the test. */
async function acknowledgedBatches(n: number): Promise<void> {
  while (acknowledgements < n) await new Promise<void>((resolve) => (wake = resolve))
}

const cookieOf = (answer: Response) => (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? ''

async function newCode(): Promise<string> {
  const pool = openPool(cluster.appUrl, () => {})
  try {
    return (await makeCode(pool, siteId, null, Date.now())).code
  } finally {
    await pool.end()
  }
}

/** A tablet that sends batches until each draft is acknowledged; returns the ids in order of making. */
async function tablet(name: string, batches: number): Promise<string[]> {
  const person = people.find((p) => p.id === name)
  const enrolled = await ask('/api/tablets/enrol', { code: await newCode(), device: name, name })
  const signedIn = await ask(
    '/api/session/pin',
    { site: siteId, person: name, pin: person?.pin, device: name },
    cookieOf(enrolled),
  )
  const cookie = cookieOf(signedIn)
  const acknowledged: string[] = []
  for (let i = 0; i < batches; i++) {
    const drafts = [0, 1, 2].map((n) => ({
      id: v7(),
      site: siteId,
      type: 'run.parked@1',
      subject: { kind: 'run', id: `run-${name}` },
      observedAt: Date.now(),
      device: name,
      counter: i * 3 + n,
      by: name,
      payload: { run: `run-${name}`, station: 'galley-bucket' },
    }))
    const answer = await ask(`/api/sites/${siteId}/records`, { sentAt: Date.now(), drafts }, cookie)
    const { outcomes } = (await answer.json()) as { outcomes: { id: string; outcome: string }[] }
    for (const o of outcomes) {
      if (o.outcome === 'refused') throw new Error(`refused: ${JSON.stringify(o)}`)
      acknowledged.push(o.id)
    }
    acknowledgements += 1
    wake?.()
  }
  return acknowledged
}

async function standOnce(ids: readonly string[]): Promise<void> {
  const pool = openPool(cluster.ownerUrl, () => {})
  try {
    const sql = 'select id from record where id = any ($1) order by seq'
    const rows = await pool.query<{ id: string }>(sql, [ids])
    expect(rows.rows.map((r) => r.id).toSorted()).toEqual(ids.toSorted())
    expect(await verifySite(pool, siteId)).toMatchObject({ sound: true })
  } finally {
    await pool.end()
  }
}

describe('while three tablets send', () => {
  it('the server is killed again and again: every record is there once, and the chain is whole', async () => {
    acknowledgements = 0
    await start()
    const most = process.env['TADKA_LONG'] === undefined ? 3 : 12
    const sending = Promise.all(['bao', 'dara', 'tomas'].map((name) => tablet(name, 4 + most * 5)))
    for (let kills = 1; kills <= most; kills++) {
      await acknowledgedBatches(kills * 10)
      await kill()
      await start()
    }
    await standOnce((await sending).flat())
    await kill()
  })

  it('PostgreSQL is restarted under it: the same', async () => {
    acknowledgements = 0
    await start()
    const ended = new Promise<never>((_, reject) =>
      server?.once('exit', () => reject(new Error('the server ended with it'))),
    )
    const sending = Promise.all(['bao', 'dara', 'tomas'].map((name) => tablet(name, 120)))
    const restarting = async () => {
      for (let restarts = 1; restarts <= 3; restarts++) {
        await acknowledgedBatches(restarts * 60)
        await cluster.stop()
        cluster = await startCluster(dataDir, 'crash', () => {}, { wanted: cluster.port })
      }
      return sending
    }
    await standOnce((await Promise.race([restarting(), ended])).flat())
    server?.removeAllListeners('exit')
  })
})
