import { randomInt } from 'node:crypto'
import type { SiteFileDone } from '@tadka/contract/house'
import {
  freeSlug,
  newCrew,
  siteFileFaults,
  type SiteFile,
  type SiteSet,
  type StationSet,
} from '@tadka/core/house'
import { firstPin } from '@tadka/core/people'
import { dayOf } from '@tadka/core/calendar'
import type { OwnProcedure } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import { canonicalText, type RecordType, type SubjectKind } from '@tadka/core/stream'
import type { Pool } from '../db/pool.ts'
import { everyoneOf } from '../people/queries.ts'
import { personChange, type Change as Made } from '../people/rights.ts'
import { statesOfKind } from '../stream/queries.ts'
import { lastSets } from './queries.ts'
import { procedureFaults, proceduresIn, proceduresOut } from './site-procedures.ts'

/** What a part of a file is set by: the record, its subject, and the payload of one entry. */
const parts = {
  stations: { type: 'station.set@1', kind: 'station' },
  products: { type: 'product.set@1', kind: 'product' },
  instruments: { type: 'instrument.set@1', kind: 'instrument' },
  spares: { type: 'spare.set@1', kind: 'spare' },
  mixes: { type: 'mix.set@1', kind: 'mix' },
} as const satisfies Record<string, { type: RecordType; kind: SubjectKind }>
type Part = keyof typeof parts
const setTypes = [...Object.values(parts).map((p) => p.type), 'site.set@1' as const]

/** What is to be recorded, before it has an id. */
export type Change = Omit<Made, 'id'>

/** What taking a file in would come to. */
export interface Taken extends Omit<SiteFileDone, 'pins'> {
  readonly changes: readonly Change[]
  /** Who is new, with the PIN that they begin with. */
  readonly newcomers: readonly { readonly id: string; readonly name: string; readonly pin: string }[]
}

type Sets = ReadonlyMap<string, object>
const keyOf = (kind: string, id: string) => `${kind} ${id}`

const ownOf = async (pool: Pool, site: string) =>
  (await statesOfKind(pool, site, 'procedure')) as OwnProcedure[]

/** What a file would add and change at a site as it stands. @param now ms UTC. Throws `site_file_wrong` with every fault. */
export async function takeFile(pool: Pool, site: string, file: SiteFile, now: number): Promise<Taken> {
  const sets = await lastSets(pool, site, setTypes)
  const everyone = await everyoneOf(pool, site)
  const stations = [...sets].filter(([key]) => key.startsWith('station '))
  const faults = siteFileFaults(file, {
    stations: stations.map(([key, set]) => {
      const { tag, retired } = set as StationSet
      return { id: key.slice('station '.length), tag, isRetired: retired === true }
    }),
    products: [...sets.keys()].filter((k) => k.startsWith('product ')).map((k) => k.slice('product '.length)),
  })
  faults.push(...procedureFaults(file))
  if (faults.length > 0) throw new Refusal('site_file_wrong', { faults })
  const taken = (Object.keys(parts) as Part[]).map((part) => partOf(part, file, sets))
  const before = sets.get(keyOf('site', site)) as SiteSet
  const after = { ...before, ...file.site }
  const isSiteNew = canonicalText(before) !== canonicalText(after)
  const people = peopleOf(
    file,
    everyone,
    stations.map(([, set]) => set as StationSet),
    (after.counters ?? []).map((c) => c.id),
  )
  const procedures = proceduresIn(file, await ownOf(pool, site), dayOf(after, instant(now)))
  return {
    ...(Object.fromEntries(taken.map(({ part, counted }) => [part, counted])) as Record<Part, Counted>),
    procedures: procedures.counted,
    site: isSiteNew,
    people: people.counted,
    newcomers: people.newcomers,
    changes: [
      ...taken.flatMap((t) => t.changes),
      ...procedures.changes,
      ...(isSiteNew
        ? [{ type: 'site.set@1' as const, subject: { kind: 'site' as const, id: site }, payload: after }]
        : []),
      ...people.changes,
    ],
  }
}

type Counted = SiteFileDone['people']

function partOf(part: Part, file: SiteFile, sets: Sets) {
  const { type, kind } = parts[part]
  const counted = { added: 0, changed: 0, same: 0 }
  const changes: Change[] = []
  for (const entry of file[part] ?? []) {
    const { id, ...set } = entry
    const known = sets.get(keyOf(kind, id))
    const how =
      known === undefined ? 'added' : canonicalText(known) === canonicalText(set) ? 'same' : 'changed'
    counted[how] += 1
    if (how !== 'same') changes.push({ type, subject: { kind, id }, payload: set })
  }
  return { part, counted, changes }
}

/** Who is new in a file: whoever works at the site under that name already stays as they are. */
function peopleOf(
  file: SiteFile,
  everyone: readonly { readonly id: string; readonly name: string; readonly left: boolean }[],
  known: readonly StationSet[],
  counters: readonly string[],
) {
  const families = [...new Set([...known, ...(file.stations ?? [])].map((s) => s.family))]
  const isHere = (name: string) =>
    everyone.some((p) => !p.left && p.name.toLocaleLowerCase() === name.trim().toLocaleLowerCase())
  const ids = everyone.map((p) => p.id)
  const newcomers: { id: string; name: string; pin: string }[] = []
  const changes: Change[] = []
  for (const { name, role, cleans } of file.people ?? []) {
    if (isHere(name)) continue
    const id = freeSlug(name, ids, 'person')
    ids.push(id)
    newcomers.push({ id, name, pin: firstPin(randomInt) })
    const { type, subject, payload } = personChange(id, { name, role, login: null, left: false })
    changes.push({ type, subject, payload })
    changes.push({
      type: 'crew.set@1',
      subject: { kind: 'crew', id },
      payload: newCrew(cleans ?? 'nothing', families, counters),
    })
  }
  const added = newcomers.length
  return { newcomers, changes, counted: { added, changed: 0, same: (file.people ?? []).length - added } }
}

/** A site's set-up as a file for another site: dates of packs and checks are asked for anew there. */
export async function fileOf(pool: Pool, site: string): Promise<SiteFile> {
  const sets = await lastSets(pool, site, setTypes)
  const entries = (part: Part) =>
    [...sets]
      .filter(([key]) => key.startsWith(`${parts[part].kind} `))
      .map(([key, set]) => ({ ...set, id: key.slice(parts[part].kind.length + 1) }))
  const {
    name: _,
    timeZone: _z,
    country: _c,
    contacts: _p,
    ...own
  } = sets.get(keyOf('site', site)) as SiteSet
  const undated = (set: object) => ({
    ...set,
    ...('bestBefore' in set ? { bestBefore: 0 } : {}),
    ...('checkDue' in set ? { checkDue: 0 } : {}),
  })
  const file = {
    format: 'tadka-site@1',
    site: own,
    stations: entries('stations').filter((s) => !('retired' in s)),
    products: entries('products'),
    instruments: entries('instruments').map(undated),
    spares: entries('spares').map((s) => ({ ...s, count: 0 })),
    mixes: entries('mixes'),
    procedures: proceduresOut(await ownOf(pool, site)),
  }
  return file as unknown as SiteFile
}
