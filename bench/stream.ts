import pg from 'pg'
import { v7 } from 'uuid'
import { deliveryOf, rackStream } from '@tadka/devices'
import { startCluster } from '../launcher/cluster.ts'
import { dataDir } from '../launcher/paths.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool } from '../server/db/pool.ts'
import { site as demoSite } from '../server/demo/house.ts'
import { stations } from '../server/demo/products.ts'
import { appendBatch } from '../server/stream/append.ts'
import { SiteQueue } from '../server/stream/queue.ts'
import { addDevice, findDevice } from '../server/device/queries.ts'
import { cycleDays } from '../server/warewash/queries.ts'
import { dishWatch } from '../server/warewash/watch.ts'
import { median, report } from './report.ts'

/**
 * Ten probes that stream to one server: what taking their deliveries costs of one core, at one delivery of 5 s each; and a month's
 * view over a year of their cycles. The peer is the time that goes by.
 */
const site = 'bench'
const devices = 10
const batch = 5
const minutes = 10
const yearMs = 365 * 86_400_000

const cluster = await startCluster(dataDir, 'bench', () => {})
await migrate(cluster.ownerUrl)
const owner = new pg.Client({ connectionString: cluster.ownerUrl })
await owner.connect()
await owner.query(`
  truncate record, record_subject, site_head, subject_state, session, session_person, person, site,
    device, device_boot, sample_minute, cycle cascade`)
await owner.query("insert into site (id, name) values ('bench', 'Bench')")
const pool = openPool(cluster.appUrl, (e) => console.error(e))
const queue = new SiteQueue()
const clock = { now: Date.now() }
const plates = Array.from({ length: devices }, (_, i) => ({
  id: v7(),
  site,
  type: 'station.set@1',
  subject: { kind: 'station', id: `dish-${i}` },
  observedAt: clock.now,
  device: 'd',
  counter: i + 2,
  by: 'oriel',
  payload: stations['galley-dish'],
}))
const set = {
  ...plates[0],
  id: v7(),
  type: 'site.set@1',
  subject: { kind: 'site', id: site },
  counter: 1,
  payload: demoSite,
}
await appendBatch(pool, {
  site,
  drafts: [set, ...plates],
  clockOffset: 0,
  receivedAt: clock.now,
  allow: () => null,
})

// A year of cycles: 260 a day and device.
await owner.query(
  `insert into cycle (site_id, station_id, device_id, boot, key, from_second, to_second, ended_at, ending, verdict, rinse_low, wash_low, digest)
   select 'bench', 'dish-' || d, 'probe-' || d, 'year', d || '.' || n, 0, 0, $1::bigint - n * ($2::bigint / (365 * 260)), 'complete', 'in', 82 + (n % 50) / 10.0, 67, ''
   from generate_series(0, $3::integer - 1) d, generate_series(1, 365 * 260) n`,
  [clock.now, yearMs, devices],
)
await owner.query('analyze cycle')
const views: number[] = []
for (let i = 0; i < 12; i++) {
  const to = clock.now - i * 28 * 86_400_000
  const begin = performance.now()
  await cycleDays(pool, site, `dish-${i % devices}`, to - 31 * 86_400_000, to, 'Europe/Dublin')
  views.push(performance.now() - begin)
}
const year = `${devices} probes, a year`
report({ bench: 'stream', case: year, figure: 'month view', value: median(views), unit: 'ms' })
report({ bench: 'stream', case: year, figure: 'slowest month view', value: Math.max(...views), unit: 'ms' })

const watch = dishWatch({ pool, queue, now: () => clock.now })
const streams = await Promise.all(
  Array.from({ length: devices }, async (_, i) => {
    await addDevice(
      pool,
      site,
      { id: `probe-${i}`, name: 'Probe', kind: 'dish-probe', station: `dish-${i}`, of: null },
      '0'.repeat(64),
      clock.now,
    )
    const stream = rackStream(i + 1)
    stream.busy(minutes * 60, 26)
    const device = await findDevice(pool, site, `probe-${i}`)
    if (!device) throw new Error('no device')
    return { device, samples: stream.next(minutes * 60) }
  }),
)
let cycles = 0
const cpu = process.cpuUsage()
const begin = performance.now()
for (let second = 0; second < minutes * 60; second += batch) {
  clock.now += batch * 1000
  for (const { device, samples } of streams) {
    const part = samples.slice(second, second + batch)
    cycles += (await watch.take(site, device, deliveryOf(part, 'bench', second + batch))).cycles
  }
}
const wall = (performance.now() - begin) / 1000
const used = process.cpuUsage(cpu)
const stood = `${devices} probes, ${minutes} min, ${cycles} cycles`
report({
  bench: 'stream',
  case: stood,
  figure: 'server process, of one core',
  value: (used.user + used.system) / 1e6 / (minutes * 60),
  unit: '1',
})
report({
  bench: 'stream',
  case: stood,
  figure: 'with the database, of one core',
  value: wall / (minutes * 60),
  unit: '1',
})

await pool.end()
await owner.end()
await cluster.stop()
