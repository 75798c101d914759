import { buffer } from 'node:stream/consumers'
import { ownPool } from '../work/database.ts'
import { Outlet } from '../work/outlet.ts'
import type { Job } from '../work/work.ts'
import { layOut } from './document.ts'
import { gatherPack, type PackKnown, type PackAsked } from './gather.ts'
import { packJson } from './json.ts'
import { Paper, type PaperSize } from './paper.ts'
import { photoBytes } from '../record/photo-queries.ts'
import { keepPack, type PackKind } from './queries.ts'
import { packTables } from './tables.ts'
import { packTeller } from './teller.ts'

export interface PackJob extends PackAsked {
  readonly id: string
  readonly paper: PaperSize
  /** Whether people stand in it by name, or by their initials. */
  readonly people: 'names' | 'initials'
  readonly endsAt: number
}

/** What a pack tells while it is made, and at its end. */
export type PackLine =
  | { readonly done: number; readonly of: number }
  | {
      readonly id: string
      readonly endsAt: number
      readonly files: readonly { readonly kind: PackKind; readonly name: string; readonly bytes: number }[]
    }

/** Nobody waits for it any more. */
class Left extends Error {}

/** Makes a pack: the document, its tables and its data, and keeps them to be fetched. */
export default async function packJob({ asked, port }: Job<PackJob>): Promise<void> {
  if (!port) throw new TypeError('a pack tells how far it is')
  const outlet = new Outlet<PackLine>(port)
  const { site, id, from, to, at, endsAt } = asked
  try {
    const gathered = await gatherPack(ownPool(), asked, async (done, of) => {
      if (!(await outlet.put({ done, of }))) throw new Left()
    })
    const known = asked.people === 'names' ? gathered : withoutNames(gathered)
    const tell = packTeller(known)
    const paper = new Paper(asked.paper, tell.t('pack.heading', { site: known.site.name }))
    const bytes = buffer(paper.out)
    await layOut(paper, known, tell, (sha256) => photoBytes(ownPool(), site, sha256))
    const name = `${site}-${from}-${to}`
    const files = [
      { kind: 'pdf' as const, name: `${name}.pdf`, bytes: await bytes },
      { kind: 'zip' as const, name: `${name}.zip`, bytes: Buffer.from(packTables(known, tell)) },
      // Records name people: where they are to stand by their initials, the records are not handed out.
      ...(asked.people === 'names'
        ? [{ kind: 'json' as const, name: `${name}.json`, bytes: await packJson(ownPool(), known) }]
        : []),
    ]
    await keepPack(ownPool(), site, id, files, at, endsAt)
    await outlet.put({ id, endsAt, files: files.map((f) => ({ ...f, bytes: f.bytes.length })) })
  } catch (error) {
    if (!(error instanceof Left)) throw error
  } finally {
    outlet.close()
  }
}

/** The same with people by their initials; a photo of a certificate would name them all the same. */
const withoutNames = (known: PackKnown): PackKnown => ({
  ...known,
  people: known.people.map(byInitials),
  trained: known.trained.map((t) => ({ ...t, papers: t.papers.map((p) => ({ ...p, photo: null })) })),
})

/** "Bảo Nguyễn" as "B. N." */
const byInitials = <T extends { readonly name: string }>(p: T): T => ({
  ...p,
  name: p.name
    .split(/\s+/)
    .filter(Boolean)
    .map((part) => `${[...part][0] ?? ''}.`)
    .join(' '),
})
