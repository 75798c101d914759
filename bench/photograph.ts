import { createHash, randomUUID } from 'node:crypto'
import type { AnyDraft } from '@tadka/core/stream'
import sharp from 'sharp'
import type { Pool } from '../server/db/pool.ts'
import { inSite } from '../server/db/transaction.ts'
import { appendBatch } from '../server/stream/append.ts'

const perDay = 20
const batch = 200
/** A photo as tablets send it, some 150 kB. */
const picture = () =>
  sharp({
    create: {
      width: 1280,
      height: 960,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 24 },
    },
  })
    .jpeg({ quality: 34 })
    .toBuffer()

interface Step {
  readonly run: string
  readonly station: string
  readonly step: string
  readonly by: string
  readonly at: number
}

/** Twenty photos a day at steps at which something was read, each with bytes of its own. */
export async function photograph(pool: Pool, site: string, now: number): Promise<void> {
  const base = await picture()
  const sql = `
    select run, station, step, by, at from (
      select body #>> '{payload,run}' as run, body #>> '{payload,station}' as station, body #>> '{payload,step}' as step,
        by_person as by, corrected_at as at,
        row_number() over (partition by corrected_at / 86400000 order by corrected_at) as n
      from record where site_id = $1 and type = 'reading.taken@1' and body #>> '{payload,step}' is not null) as read
    where n <= $2 order by at`
  const { rows } = await inSite(pool, site, (db) => db.query<Step>(sql, [site, perDay]))
  for (let i = 0; i < rows.length; i += batch) {
    const photos = rows.slice(i, i + batch).map((row, k) => {
      // What stands behind a picture's end is not looked at: the same picture under another name.
      const bytes = Buffer.concat([base, Buffer.from(`photo ${i + k}`)])
      return { row, bytes, sha256: createHash('sha256').update(bytes).digest('hex') }
    })
    const drafts = photos.map(({ row: { run, station, step, by, at }, sha256 }, k): AnyDraft => ({
      ...{ id: randomUUID(), site, type: 'photo.attached@1', subject: { kind: 'run', id: run } },
      ...{ observedAt: at + 1000, device: 'bench', counter: i + k + 1, by },
      payload: { run, station, step, sha256, note: '' },
    }))
    const outcomes = await appendBatch(pool, {
      site,
      drafts,
      clockOffset: 0,
      receivedAt: now,
      allow: () => null,
    })
    const refused = outcomes.find((o) => o.outcome !== 'accepted')
    if (refused) throw new Error(JSON.stringify(refused))
    await inSite(pool, site, async (db) => {
      for (const { bytes, sha256 } of photos)
        await db.query('insert into photo (site_id, sha256, bytes, received_at) values ($1, $2, $3, $4)', [
          site,
          sha256,
          bytes,
          now,
        ])
    })
  }
}
