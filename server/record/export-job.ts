import type { SiteSet } from '@tadka/core/house'
import type { UnitSystem } from '@tadka/core/quantity'
import { asJudged } from '@tadka/core/record'
import type { AnyRecord } from '@tadka/core/stream'
import { stringify } from 'csv-stringify/sync'
import { linksOf, stateOf, type LinkRow } from '../stream/queries.ts'
import { ownPool } from '../work/database.ts'
import { Outlet } from '../work/outlet.ts'
import type { Job } from '../work/work.ts'
import { csvColumns, csvRow } from './csv.ts'

export interface ExportAsked {
  readonly site: string
  readonly as: 'json' | 'csv'
}

/** How many records are read, and sent, at a time. */
const page = 1000

const csv = {
  begin: () => stringify([[...csvColumns]]),
  records: (links: readonly LinkRow[], system: UnitSystem) =>
    stringify(links.map((l) => csvRow(asJudged(JSON.parse(l.text) as AnyRecord), l.hash, system))),
  between: '',
  end: '',
}
const json = {
  begin: (site: string) => `{"format":"tadka-log","version":1,"site":${JSON.stringify(site)},"records":[`,
  // What is sent is the text that the hash is taken over, as it is kept.
  records: (links: readonly LinkRow[]) =>
    links.map((l) => `${l.text.slice(0, -1)},"hash":"${l.hash}"}`).join(',\n'),
  between: ',\n',
  end: ']}',
}

/** A site's whole log as one document, piece by piece. */
export default async function exportJob({ asked: { site, as }, port }: Job<ExportAsked>): Promise<void> {
  if (!port) throw new TypeError('an export is made piece by piece')
  const outlet = new Outlet<string>(port)
  const set = (await stateOf(ownPool(), site, 'site', site))?.state as Partial<SiteSet> | undefined
  const system = set?.units ?? 'metric'
  const { begin, records, between, end } = as === 'csv' ? csv : json
  try {
    let goOn = await outlet.put(begin(site))
    for (let after = 0; goOn;) {
      const links = await linksOf(ownPool(), site, after, page)
      const last = links.at(-1)
      if (!last) break
      goOn = await outlet.put(`${after > 0 ? between : ''}${records(links, system)}`)
      after = last.seq
    }
    if (goOn) await outlet.put(end)
  } finally {
    outlet.close()
  }
}
