import { readProcedure } from '@tadka/contract/procedure'
import type { SiteFile, SiteFileFault } from '@tadka/core/house'
import { isOwn, ownCopy, type OwnProcedure, type Procedure } from '@tadka/core/procedure'
import { canonicalText } from '@tadka/core/stream'
import type { Change } from './site-file.ts'

/** What a site works to in the end: the version last put in force, or the newest where none was; null where the library's is again. */
function current({ puts, versions }: OwnProcedure): Procedure | null {
  const last = puts.at(-1)
  return last ? (versions.find((v) => v.version === last.version) ?? null) : (versions.at(-1) ?? null)
}

/** A site's own procedures for another site. */
export const proceduresOut = (own: readonly OwnProcedure[]): Procedure[] =>
  own.flatMap((o) => current(o) ?? [])

/** Own procedures that are not sound, or not safe on every way, each with the first thing that is wrong. */
export function procedureFaults({ procedures = [] }: SiteFile): SiteFileFault[] {
  return procedures.flatMap((document, i): SiteFileFault[] => {
    const path = ['procedures', i]
    const [first] = readProcedure(document).faults
    if (first?.kind === 'safety') return [{ path, why: 'procedure', what: first.rule }]
    if (first) return [{ path, why: 'procedure', what: `${first.at}: ${first.why}` }]
    return isOwn(document.id) ? [] : [{ path: [...path, 'id'], why: 'procedure', what: document.id }]
  })
}

const said = (p: Procedure | null) => canonicalText({ ...p, version: 0 })

/** What a file's procedures change: each as the version that follows here, in force from a trading day (ISO date) on. */
export function proceduresIn(file: SiteFile, own: readonly OwnProcedure[], today: string) {
  const counted = { added: 0, changed: 0, same: 0 }
  const changes = (file.procedures ?? []).flatMap((entry): Change[] => {
    const document = entry as unknown as Procedure
    const known = own.find((o) => o.id === document.id)
    const how = !known ? 'added' : said(current(known)) === said(document) ? 'same' : 'changed'
    counted[how] += 1
    if (how === 'same') return []
    const made = ownCopy(document, known?.versions ?? [])
    const subject = { kind: 'procedure', id: made.id } as const
    return [
      { type: 'procedure.set@1', subject, payload: { document: made } },
      { type: 'procedure.put@1', subject, payload: { version: made.version, from: today } },
    ]
  })
  return { counted, changes }
}
