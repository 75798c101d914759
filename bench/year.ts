import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { dataDir } from '../launcher/paths.ts'
import { startCluster } from '../launcher/cluster.ts'
import { dropMade } from '../launcher/like.ts'
import { takeIn } from '../server/archive/take-in.ts'
import { writeArchive } from '../server/archive/write.ts'
import { asOwner } from '../server/db/owner.ts'
import { openPool } from '../server/db/pool.ts'
import { inSite } from '../server/db/transaction.ts'
import { siteId } from '../server/demo/house.ts'
import { photograph } from './photograph.ts'
import { report, median } from './report.ts'

/** A year of the demo: what a tablet's start asks for, and what is looked for in the log, beside a plain read of a page in the same run, turn and turn about. */
const days = 365
const rounds = 9

const cluster = await startCluster(dataDir, 'bench-year', () => {})
await dropMade(cluster, /^(like|t)_/)
process.env['TADKA_TEST_OWNER_URL'] = cluster.ownerUrl
process.env['TADKA_TEST_APP_URL'] = cluster.appUrl
const { ask, signIn, testDatabase, testServer } = await import('../server/test/server.ts')
const server = await testServer(days)
const cookie = await signIn(server.app, 'ines')
const told = { bench: 'year', case: `${days} days` }
const records = await server.owner.query<{ n: number }>('select count(*)::int as n from record')
report({ ...told, figure: 'records', value: records.rows[0]?.n ?? 0, unit: '1' })

async function milliseconds(path: string): Promise<number> {
  const start = process.hrtime.bigint()
  const answer = await ask(server, cookie, 'GET', path)
  if (answer.statusCode !== 200) throw new Error(answer.body)
  return Number(process.hrtime.bigint() - start) / 1e6
}
const asked = [
  ...['/log', '/learned', '/baths/losses', '/state', '/log/counts', '/sheets/2026-03-14'],
  ...['/log?words=slush', '/log?words=nobodywrotethis'],
]
/** Filters, each with the plain condition that finds the same rows. */
const filters: Readonly<Record<string, string>> = {
  '/log?stations=kiosk-slush': "station = 'kiosk-slush'",
  '/log?person=wen': "by_person = 'wen'",
  '/log?stations=galley-custard&verdicts=out,too-close,cannot-tell':
    "station = 'galley-custard' and verdict in ('out', 'too-close', 'cannot-tell')",
  '/log?types=instrument.checked@1': "type = 'instrument.checked@1'",
  '/log?from=1773500000000&to=1773600000000': 'corrected_at between 1773500000000 and 1773600000000',
}
/** The page's rows as the database gives them, on the same connections. */
async function plain(condition = 'true'): Promise<number> {
  const start = process.hrtime.bigint()
  await inSite(server.pool, siteId, (db) =>
    db.query(`select text, hash from record where site_id = $1 and ${condition} order by seq desc limit 60`, [
      siteId,
    ]),
  )
  return Number(process.hrtime.bigint() - start) / 1e6
}
await server.owner.query('vacuum analyze record')
// The first time, what is learned is worked out for states that were folded before there were lessons.
for (const path of asked) await milliseconds(path)
const taken = new Map<string, number[]>(asked.map((path) => [path, []]))
const reads: number[] = []
for (let i = 0; i < rounds; i++) {
  reads.push(await plain())
  for (const path of asked) taken.get(path)?.push(await milliseconds(path))
}
report({ ...told, figure: 'plain read', value: median(reads), unit: 'ms' })
for (const [path, times] of taken) {
  report({ ...told, figure: path, value: median(times), unit: 'ms' })
  const ratios = times.map((t, i) => t / (reads[i] ?? Number.NaN))
  report({ ...told, figure: `${path} to a plain read`, value: median(ratios), unit: '1' })
}

for (const [path, condition] of Object.entries(filters)) {
  await milliseconds(path)
  const ratios: number[] = []
  for (let i = 0; i < rounds; i++) {
    const same = await plain(condition)
    ratios.push((await milliseconds(path)) / same)
  }
  report({ ...told, figure: `${path} to a plain read of the same rows`, value: median(ratios), unit: '1' })
}

await photograph(server.pool, siteId, server.clock.now)
const month = { from: '2026-10-27', to: '2026-11-26', stations: [], paper: 'A4', people: 'names' }
const begun = process.hrtime.bigint()
const made = await ask(server, cookie, 'POST', '/packs', month)
report({
  ...told,
  figure: 'pack of a month',
  value: Number(process.hrtime.bigint() - begun) / 1e9,
  unit: 's',
})
const files = (
  JSON.parse(made.body.trim().split('\n').at(-1) ?? '{}') as { files?: { kind: string; bytes: number }[] }
).files
for (const { kind, bytes } of files ?? [])
  report({ ...told, figure: `pack of a month, ${kind}`, value: bytes / 1e6, unit: 'MB' })

const folder = mkdtempSync(join(tmpdir(), 'year-'))
const file = join(folder, 'year.jsonl.gz')
const seconds = async (what: () => Promise<unknown>): Promise<number> => {
  const start = process.hrtime.bigint()
  await what()
  return Number(process.hrtime.bigint() - start) / 1e9
}
const count =
  (await server.owner.query<{ n: number }>('select count(*)::int as n from record')).rows[0]?.n ?? 0
const out = await seconds(() => writeArchive(server.pool, siteId, file))
report({ ...told, figure: 'export, records and photos', value: count / out, unit: 'records/s' })
report({ ...told, figure: 'export, file', value: statSync(file).size / 1e6, unit: 'MB' })
const elsewhere = await testDatabase()
const pool = openPool(elsewhere.appUrl, () => {})
const back = await seconds(async () => {
  await asOwner(elsewhere.ownerUrl, (owner) => takeIn(owner, file, () => {}))
  // Until the first page is right.
  const page = await inSite(pool, siteId, (db) =>
    db.query<{ seq: number }>('select seq from record where site_id = $1 order by seq desc limit 60', [
      siteId,
    ]),
  )
  if (page.rows[0]?.seq !== count) throw new Error('the first page is not right')
})
report({ ...told, figure: 'import, folds and hashes', value: count / back, unit: 'records/s' })
await pool.end()
await elsewhere.drop()
rmSync(folder, { recursive: true })
await server.close()
await cluster.stop()
