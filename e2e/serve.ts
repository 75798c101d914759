import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import { freePort } from '../launcher/free-port.ts'
import { copyDatabase, makeLike, type Like } from '../launcher/like.ts'
import { buildApp } from '../server/app/app.ts'
import { endSessions } from '../server/backup/restored.ts'
import { asOwner } from '../server/db/owner.ts'
import { openPool } from '../server/db/pool.ts'
import { siteId } from '../server/demo/house.ts'
import { loadDemo } from '../server/demo/load.ts'
import { makeSetupCode } from '../server/house/setup-code.ts'
import { makeCode } from '../server/people/codes.ts'
import { demoCluster } from './cluster.ts'

/**
 * The real application over a fresh demo database, at the close of a trading day. Its clock runs, from the hour of
 * the demo; a second port, for the tests alone, moves it on (POST /MINUTES), sets it (POST /at/INSTANT), restarts the
 * server (POST /restart), puts database and clock back to what they were at the start (POST /anew), puts an empty database
 * in their place and tells the set-up code (POST /empty), keeps a copy of the database (POST /keep) and restores that (POST /back),
 * tells a code that makes a browser a tablet of the site (POST /code), and what is right of the questions that were put last (POST /answers).
 */
const webRoot = fileURLToPath(new URL('../web/dist', import.meta.url))
const name = process.env['TADKA_NAME'] ?? 'shots'
const given = { ownerUrl: process.env['TADKA_E2E_OWNER_URL'], appUrl: process.env['TADKA_E2E_APP_URL'] }
/** The cluster that the tests share, or one of its own. */
const cluster =
  given.ownerUrl !== undefined && given.appUrl !== undefined
    ? { ownerUrl: given.ownerUrl, appUrl: given.appUrl, stop: () => Promise.resolve() }
    : await demoCluster()

const atFirst = () => Date.parse(process.env['TADKA_AT'] ?? '2026-11-26T22:40:00Z') - Date.now()
let offset = atFirst()
const now = () => Date.now() + offset
const demo: Like = {
  name: 'like_demo',
  fill: (ownerUrl: string, appUrl: string) => loadDemo(ownerUrl, appUrl, now(), 14),
}
const empty: Like = { name: 'like_empty', fill: () => Promise.resolve() }
const make = (like = demo) => makeLike(cluster, `demo_${name}`, like)
const { appUrl, ownerUrl } = await make()

const port = await freePort()
const start = async () => {
  const app = await buildApp({ databaseUrl: appUrl, webRoot, tls: null, now })
  await app.listen({ host: '127.0.0.1', port })
  return app
}
let app = await start()
async function newCode(): Promise<string> {
  const pool = openPool(appUrl, () => {})
  const { code } = await makeCode(pool, siteId, null, now())
  await pool.end()
  return code
}

/** Which answers are right of the check that was begun last: the tablet is not told. */
async function rightAnswers(): Promise<number[]> {
  const pool = openPool(ownerUrl, () => {})
  const sql = 'select questions from training_check order by begun_at desc limit 1'
  const { rows } = await pool.query<{ questions: readonly { readonly right: number }[] }>(sql)
  await pool.end()
  return (rows[0]?.questions ?? []).map((q) => q.right)
}

const control = createServer((request, response) => {
  void (async () => {
    const what = request.url?.slice(1) ?? ''
    if (what === 'code') return response.end(await newCode())
    if (what === 'answers') return response.end(JSON.stringify(await rightAnswers()))
    if (what === 'restart' || what === 'anew' || what === 'empty') {
      await app.close()
      if (what !== 'restart') {
        await make(what === 'empty' ? empty : demo)
        offset = atFirst()
      }
      app = await start()
      if (what === 'empty') return response.end(await makeSetupCode(ownerUrl, now()))
    } else if (what === 'keep' || what === 'back') {
      await app.close()
      if (what === 'keep') await copyDatabase(cluster, `demo_${name}`, `kept_${name}`)
      else {
        await copyDatabase(cluster, `kept_${name}`, `demo_${name}`)
        await asOwner(ownerUrl, endSessions)
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
