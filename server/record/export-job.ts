import { linksOf, type LinkRow } from '../stream/queries.ts'
import { ownPool } from '../work/database.ts'
import { Outlet } from '../work/outlet.ts'
import type { Job } from '../work/work.ts'

export interface ExportAsked {
  readonly site: string
}

/** How many records are read, and sent, at a time. */
const page = 1000

const json = {
  begin: (site: string) => `{"format":"tadka-log","version":1,"site":${JSON.stringify(site)},"records":[`,
  // What is sent is the text that the hash is taken over, as it is kept.
  records: (links: readonly LinkRow[]) =>
    links.map((l) => `${l.text.slice(0, -1)},"hash":"${l.hash}"}`).join(',\n'),
  between: ',\n',
  end: ']}',
}

/** A site's whole log as one document, piece by piece. */
export default async function exportJob({ asked: { site }, port }: Job<ExportAsked>): Promise<void> {
  if (!port) throw new TypeError('an export is made piece by piece')
  const outlet = new Outlet<string>(port)
  const { begin, records, between, end } = json
  try {
    let goOn = await outlet.put(begin(site))
    for (let after = 0; goOn;) {
      const links = await linksOf(ownPool(), site, after, page)
      const last = links.at(-1)
      if (!last) break
      goOn = await outlet.put(`${after > 0 ? between : ''}${records(links)}`)
      after = last.seq
    }
    if (goOn) await outlet.put(end)
  } finally {
    outlet.close()
  }
}
