import type { Pool } from '../db/pool.ts'
import type { PackKnown } from './gather.ts'
import { stretchOf } from './queries.ts'

/**
 * A pack as data: the days' sheets, and the stretch of the chain in which they lie, so that whoever holds it can follow it without the
 * application's database. Of every record the text stands that its hash is taken over, as in the whole log's file.
 */
export async function packJson(pool: Pool, { asked, site, days, chain }: PackKnown): Promise<Buffer> {
  const [first, last] = [days[0], days.at(-1)]
  const links = first && last ? await stretchOf(pool, asked.site, first.from, last.to) : []
  const head = {
    ...{ format: 'tadka-pack', version: 1, site: asked.site, name: site.name, timeZone: site.timeZone },
    ...{ from: asked.from, to: asked.to, stations: asked.stations, madeAt: asked.at, madeBy: asked.by },
    head: { seq: chain.seq, hash: chain.hash },
    days,
  }
  const records = links.map((l) => `${l.text.slice(0, -1)},"hash":"${l.hash}"}`).join(',\n')
  return Buffer.from(`${JSON.stringify(head).slice(0, -1)},"records":[${records}]}`)
}
