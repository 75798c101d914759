import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { v7 } from 'uuid'
import { dataDir } from '../launcher/paths.ts'
import { startCluster } from '../launcher/cluster.ts'
import { migrate } from '../server/db/migrate.ts'
import { openPool, type Pool } from '../server/db/pool.ts'
import { site as demoSite } from '../server/demo/house.ts'
import { stations } from '../server/demo/products.ts'
import { appendBatch } from '../server/stream/append.ts'
import { AppendMemory } from '../server/stream/memory.ts'
import { median, report } from './report.ts'

/**
 * Records appended per second, one by one and fifty at a time, beside a plain INSERT of the same bytes in an explicit
 * transaction through the same driver in the same run, turn and turn about.
 */
const rounds = 7
const perRound = 150
const batchOf = 50
const site = 'bench'

const cluster = await startCluster(dataDir, 'bench', () => {})
await migrate(cluster.ownerUrl)
const owner = new pg.Client({ connectionString: cluster.ownerUrl })
await owner.connect()
await owner.query(
  'truncate record, record_subject, site_head, subject_state, session, session_person, person, site cascade',
)
await owner.query("insert into site (id, name) values ('bench', 'Bench')")
await owner.query(`
  create table if not exists plain (like record including defaults, primary key (site_id, seq), unique (site_id, id))`)
await owner.query('truncate plain')
await owner.query('grant insert on plain to tadka_app')
const pool = openPool(cluster.appUrl, (e) => console.error(e))

const memory = new AppendMemory()
let counter = 0
const draft = () => {
  counter += 1
  const run = `run-${Math.floor(counter / 20)}`
  const payload = {
    run,
    station: 'st',
    step: 'rinse.1.drain',
    kind: 'do',
    facts: { litres: 1.5 },
    effects: { contents: 'empty' },
    before: { contents: 'rinse' },
  }
  return {
    id: v7(),
    site,
    type: 'run.step.done@1',
    subject: { kind: 'run', id: run },
    observedAt: Date.now(),
    device: 'd',
    counter,
    by: 'bao',
    payload,
  }
}

async function append(n: number): Promise<void> {
  const drafts = Array.from({ length: n }, draft)
  await appendBatch(pool, { site, drafts, clockOffset: 0, receivedAt: Date.now(), allow: () => null, memory })
}

let plainSeq = 0
async function plain(db: Pool, n: number): Promise<void> {
  const client = await db.connect()
  await client.query('begin')
  for (let i = 0; i < n; i++) {
    plainSeq += 1
    const made = draft()
    const text = JSON.stringify({
      ...made,
      seq: plainSeq,
      prev: '0'.repeat(64),
      receivedAt: Date.now(),
      clockOffset: 0,
      flags: [],
    })
    await client.query({
      name: 'plain',
      text: 'insert into plain values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)',
      values: [
        site,
        plainSeq,
        randomUUID(),
        made.type,
        'run',
        made.subject.id,
        'bao',
        made.observedAt,
        made.observedAt,
        text,
        '0'.repeat(64),
        text,
      ],
    })
  }
  await client.query('commit')
  client.release()
}

async function perSecond(times: number, each: number, work: () => Promise<void>): Promise<number> {
  const start = process.hrtime.bigint()
  for (let i = 0; i < times; i++) await work()
  return (times * each) / (Number(process.hrtime.bigint() - start) / 1e9)
}

await appendBatch(pool, {
  site,
  drafts: [
    {
      ...draft(),
      type: 'site.set@1',
      subject: { kind: 'site', id: site },
      payload: { ...demoSite, sailings: [] },
    },
    {
      ...draft(),
      type: 'station.set@1',
      subject: { kind: 'station', id: 'st' },
      payload: stations['galley-bucket'],
    },
  ],
  clockOffset: 0,
  receivedAt: Date.now(),
  allow: () => null,
  memory,
})
await append(5)
await plain(pool, 5)
const singles: number[] = []
const plains: number[] = []
const batches: number[] = []
for (let i = 0; i < rounds; i++) {
  plains.push(await perSecond(perRound, 1, () => plain(pool, 1)))
  singles.push(await perSecond(perRound, 1, () => append(1)))
  batches.push(await perSecond(Math.ceil(perRound / 10), batchOf, () => append(batchOf)))
}
const ratio = (of: number[]) => median(of.map((v, i) => v / (plains[i] ?? Number.NaN)))
const rate = (name: string, values: number[]) =>
  report({ bench: 'record', case: name, figure: 'rate', value: median(values), unit: 'records/s' })
rate('plain insert', plains)
rate('one by one', singles)
rate('batches of 50', batches)
report({ bench: 'record', case: 'one by one', figure: 'ratio to plain', value: ratio(singles), unit: '1' })
report({ bench: 'record', case: 'batches of 50', figure: 'ratio to plain', value: ratio(batches), unit: '1' })

await pool.end()
await owner.end()
await cluster.stop()
