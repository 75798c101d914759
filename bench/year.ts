import { dataDir } from '../launcher/paths.ts'
import { startCluster } from '../launcher/cluster.ts'
import { dropMade } from '../launcher/like.ts'
import { report, median } from './report.ts'

/** A year of the demo: what a tablet's start asks for, beside the log's first page in the same run, turn and turn about. */
const days = 365
const rounds = 9

const cluster = await startCluster(dataDir, 'bench-year', () => {})
await dropMade(cluster, /^(like|t)_/)
process.env['TADKA_TEST_OWNER_URL'] = cluster.ownerUrl
process.env['TADKA_TEST_APP_URL'] = cluster.appUrl
const { ask, signIn, testServer } = await import('../server/test/server.ts')
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
const asked = ['/log', '/learned', '/baths/losses', '/state'] as const
// The first time, what is learned is worked out for states that were folded before there were lessons.
for (const path of asked) await milliseconds(path)
const taken = new Map<string, number[]>(asked.map((path) => [path, []]))
for (let i = 0; i < rounds; i++) for (const path of asked) taken.get(path)?.push(await milliseconds(path))
const page = taken.get('/log') ?? []
for (const [path, times] of taken) {
  report({ ...told, figure: path, value: median(times), unit: 'ms' })
  const ratios = times.map((t, i) => t / (page[i] ?? Number.NaN))
  report({ ...told, figure: `${path} to the log's first page`, value: median(ratios), unit: '1' })
}

await server.close()
await cluster.stop()
