import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import pg from 'pg'
import { freePort, startCluster } from '../launcher/cluster.ts'
import { dataDir } from '../launcher/paths.ts'
import { buildApp } from '../server/app/app.ts'
import { migrate } from '../server/db/migrate.ts'
import { loadDemo } from '../server/demo/load.ts'

/**
 * The real application over a fresh demo database, at the close of a trading day. Its clock runs, from the hour of
 * the demo; a second port, for the tests alone, moves it on (POST /MINUTES), sets it (POST /at/INSTANT), restarts the
 * server (POST /restart) and puts database and clock back to what they were at the start (POST /anew).
 */
const webRoot = fileURLToPath(new URL('../web/dist', import.meta.url))
const cluster = await startCluster(dataDir, process.env['TADKA_CLUSTER'] ?? 'e2e', () => {})
/** Makes a database anew, empty or as another is. */
async function make(database: string, like = 'template1'): Promise<void> {
  const owner = new pg.Client({ connectionString: cluster.ownerUrl.replace(/\/tadka$/, '/postgres') })
  await owner.connect()
  await owner.query(`drop database if exists ${database} with (force)`)
  // Whoever is still connected to what is copied would forbid it: a pool that is just closing, a vacuum.
  await owner.query(
    'select pg_terminate_backend(pid) from pg_stat_activity where datname = $1 and pid <> pg_backend_pid()',
    [like],
  )
  await owner.query(`create database ${database} template ${like}`)
  await owner.end()
}

const atFirst = () => Date.parse(process.env['TADKA_AT'] ?? '2026-11-26T22:40:00Z') - Date.now()
let offset = atFirst()
const now = () => Date.now() + offset
await make('tadka')
await migrate(cluster.ownerUrl)
await loadDemo(cluster.ownerUrl, cluster.appUrl, now(), 14)
await make('tadka_first', 'tadka')

const port = await freePort()
const start = async () => {
  const app = await buildApp({ databaseUrl: cluster.appUrl, webRoot, tls: null, now })
  await app.listen({ host: '127.0.0.1', port })
  return app
}
let app = await start()

const control = createServer((request, response) => {
  void (async () => {
    const what = request.url?.slice(1) ?? ''
    if (what === 'restart' || what === 'anew') {
      await app.close()
      if (what === 'anew') {
        await make('tadka', 'tadka_first')
        offset = atFirst()
      }
      app = await start()
    } else if (what.startsWith('at/')) offset = Date.parse(what.slice(3)) - Date.now()
    else offset += Number(what) * 60_000
    response.end('ok')
  })()
})
const controlPort = await freePort()
control.listen(controlPort, '127.0.0.1')
console.log(
  JSON.stringify({ TADKA_URL: `http://127.0.0.1:${port}`, TADKA_CONTROL: `http://127.0.0.1:${controlPort}` }),
)

process.once('SIGTERM', () => {
  control.close()
  void app
    .close()
    .then(() => cluster.stop())
    .then(() => process.exit(0))
})
