import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { setTimeout as pause } from 'node:timers/promises'
import { freePort } from '../launcher/free-port.ts'
import { makeLike } from '../launcher/like.ts'
import { dataDir, root } from '../launcher/paths.ts'
import { startCluster } from '../launcher/cluster.ts'
import { openPool } from '../server/db/pool.ts'
import { loadDemo } from '../server/demo/load.ts'
import { Listeners, sessionsFor, Writer } from './load-clients.ts'
import { report } from './report.ts'

/**
 * Ten writers beside 0, 1, 30 and 100 tablets that listen, over the wire to a server of its own process. First each writer offers five
 * records a second: what was taken, and how long after it was offered each tablet heard of it. Then all write flat out: the rate, beside
 * that with nobody listening.
 */
const writers = 10
const eachPerSecond = 5
const warmSeconds = 4
const offeredSeconds = 12
const flatOutSeconds = 8
const listening = [0, 1, 30, 100]

const cluster = await startCluster(dataDir, 'bench', () => {})
const { appUrl } = await makeLike(cluster, 'load', {
  name: 'like_load',
  fill: (ownerUrl, app) => loadDemo(ownerUrl, app, Date.now(), 1),
})
const pool = openPool(appUrl, (e) => console.error(e))
const port = await freePort()
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
  cwd: root,
  stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  env: { ...process.env, TADKA_APP_DATABASE_URL: appUrl, TADKA_PORT: String(port) },
})
await once(server, 'message')
const url = `http://127.0.0.1:${port}`
const sessions = await sessionsFor(pool, writers + 100)

const quantile = (values: readonly number[], q: number) =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(q * values.length))] ?? Number.NaN

const delays = new Map<number, number>()
const flat = new Map<number, number>()
for (const tablets of listening) {
  const figure = (name: string, value: number, unit: string) =>
    report({ bench: 'load', case: `${writers} writers, ${tablets} tablets`, figure: name, value, unit })
  const crew = sessions.slice(0, writers).map((s) => new Writer(url, s))
  const heard = new Listeners(url, sessions.slice(writers, writers + tablets))
  await heard.open()
  const offer = (seconds: number) =>
    crew.map(async (writer, i) => {
      // Turn about, as people do: not ten in the same instant.
      await pause((i * 1000) / (writers * eachPerSecond))
      await writer.offer(eachPerSecond, seconds)
    })
  // Until all stand at the head and what runs has been compiled: not what is measured.
  await Promise.all(offer(warmSeconds))
  for (const writer of crew) writer.forget()
  await Promise.all(offer(offeredSeconds))
  const stored = crew.reduce((n, w) => n + w.stored, 0)
  figure('taken of those offered', stored / (writers * eachPerSecond * offeredSeconds), '1')
  const offeredAt = new Map(crew.flatMap((w) => [...w.offeredAt]))
  if (tablets > 0) {
    const waited = await heard.all(offeredAt)
    delays.set(tablets, quantile(waited, 0.99))
    figure('event delay, middle', quantile(waited, 0.5), 'ms')
    figure('event delay, p99', quantile(waited, 0.99), 'ms')
  }
  const before = stored
  const from = performance.now()
  await Promise.all(crew.map((w) => w.flatOut(flatOutSeconds)))
  const all = crew.reduce((n, w) => n + w.stored, 0)
  flat.set(tablets, ((all - before) * 1000) / (performance.now() - from))
  figure('flat out', flat.get(tablets) ?? Number.NaN, 'records/s')
  heard.close()
}
const ratio = (of: Map<number, number>, to: number) =>
  (of.get(100) ?? Number.NaN) / (of.get(to) ?? Number.NaN)
report({
  bench: 'load',
  case: '100 beside 1',
  figure: 'event delay, p99',
  value: ratio(delays, 1),
  unit: '1',
})
report({ bench: 'load', case: '100 beside 0', figure: 'flat out', value: ratio(flat, 0), unit: '1' })

server.kill('SIGTERM')
await pool.end()
await cluster.stop()
