import pg from 'pg'
import { startCluster } from '../launcher/cluster.ts'
import { dataDir } from '../launcher/paths.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool } from '../server/db/pool.ts'
import { inSite } from '../server/db/transaction.ts'
import { siteId } from '../server/demo/house.ts'
import { loadDemo } from '../server/demo/load.ts'
import { followChain } from '../server/record/verify/chain.ts'
import { sha256 } from '../server/stream/append.ts'
import { median, report } from './report.ts'

/** Following a chain, beside SHA-256 over the same texts read by plain SQL in the same run, turn and turn about. */
const [days, rounds] = [8, 7]

const cluster = await startCluster(dataDir, 'bench-chain', () => {})
await migrate(cluster.ownerUrl)
await loadDemo(cluster.ownerUrl, cluster.appUrl, Date.now(), days)
const pool = openPool(cluster.appUrl, (e) => console.error(e))
const peer = new pg.Client({ connectionString: cluster.ownerUrl })
await peer.connect()

async function hashed(): Promise<number> {
  const { rows } = await peer.query<{ text: string }>(
    'select text from record where site_id = $1 order by seq',
    [siteId],
  )
  for (const { text } of rows) sha256(text)
  return rows.length
}
const followed = async () => (await inSite(pool, siteId, (db) => followChain(db, siteId, () => {}))).records

async function perSecond(work: () => Promise<number>): Promise<number> {
  const start = process.hrtime.bigint()
  const records = await work()
  return records / (Number(process.hrtime.bigint() - start) / 1e9)
}

await hashed()
await followed()
const [plain, chain]: number[][] = [[], []]
for (let i = 0; i < rounds; i++) {
  plain?.push(await perSecond(hashed))
  chain?.push(await perSecond(followed))
}
const ratios = (chain ?? []).map((rate, i) => rate / (plain?.[i] ?? Number.NaN))
const told = { bench: 'chain', case: 'demo' }
report({ ...told, figure: 'SHA-256 of the texts', value: median(plain ?? []), unit: 'records/s' })
report({ ...told, figure: 'followed', value: median(chain ?? []), unit: 'records/s' })
report({ ...told, figure: 'ratio', value: median(ratios), unit: '1' })

await pool.end()
await peer.end()
await cluster.stop()
