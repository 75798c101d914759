import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { dataDir } from '../launcher/paths.ts'
import { startCluster } from '../launcher/cluster.ts'
import { dropMade } from '../launcher/like.ts'
import { operationsOf, requestOf } from '../server/test/generated-requests.ts'
import { report } from './report.ts'

/**
 * Requests made from the OpenAPI document, many of them odd: faults of the server, the slowest answer, and what of its memory is
 * still held at the end beside what was held after the first tenth.
 */
const how = 30_000
/** The longest that an answer may take, s. */
const longest = 2

setFlagsFromString('--expose-gc')
const collect = runInNewContext('gc') as () => void
const held = () => {
  collect()
  return process.memoryUsage().heapUsed / 1e6
}

const cluster = await startCluster(dataDir, 'bench-requests', () => {})
await dropMade(cluster, /^(like|t)_/)
process.env['TADKA_TEST_OWNER_URL'] = cluster.ownerUrl
process.env['TADKA_TEST_APP_URL'] = cluster.appUrl
const { signIn, testServer } = await import('../server/test/server.ts')
const server = await testServer(1)
const cookies = ['']
for (const person of ['bao', 'ines', 'oriel']) cookies.push(await signIn(server.app, person))
const asked = operationsOf(server.app)

// A server that serves has a thread ready for long work.
await server.app.inject({ url: `/api/sites/gannet/log.json`, headers: { cookie: cookies.at(-1) ?? '' } })

const slow: { readonly what: string; readonly seconds: number }[] = []
let [faults, slowest, before] = [0, 0, 0]
for (let n = 0; n < how; n++) {
  if (n === how / 10) before = held()
  const request = requestOf(n, asked, cookies)
  const start = process.hrtime.bigint()
  const { statusCode, body } = await server.app.inject(request)
  const seconds = Number(process.hrtime.bigint() - start) / 1e9
  if (statusCode >= 500) {
    faults += 1
    console.error(`  ${statusCode} ${n}: ${request.method} ${request.url} ${body.slice(0, 200)}`)
  }
  slowest = Math.max(slowest, seconds)
  if (seconds > longest) slow.push({ what: `${n}: ${request.method} ${request.url}`, seconds })
}
const told = { bench: 'requests', case: `${how} generated` }
report({ ...told, figure: 'faults of the server', value: faults, unit: '1' })
report({ ...told, figure: 'slowest answer', value: slowest, unit: 's' })
report({ ...told, figure: 'held at the end of held after a tenth', value: held() / before, unit: '1' })
for (const { what, seconds } of slow) console.error(`  ${seconds.toFixed(1)} s ${what}`)
if (faults > 0 || slow.length > 0) process.exitCode = 1

await server.close()
await cluster.stop()
