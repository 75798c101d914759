import {
  contactsTooShort,
  findProcedure,
  type OwnProcedure,
  type Procedure,
  proceduresOf,
  type StationState,
} from '@tadka/core/procedure'
import { labelInForce } from '@tadka/core/record'
import { type AnyDraft } from '@tadka/core/stream'
import { type ProductSet } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { statesOfKind } from './queries.ts'

type Product = Partial<ProductSet> & { readonly id: string }

/**
 * What a manager enters is held against what the site has: contact times no shorter than the code and the labels of its
 * products ask. Throws `contact_too_short`.
 */
export async function checkContactEntry(pool: Pool, site: string, draft: AnyDraft): Promise<void> {
  if (draft.type !== 'station.set@1' && draft.type !== 'procedure.set@1') return
  const [products, own] = await Promise.all([
    statesOfKind(pool, site, 'product') as Promise<Product[]>,
    statesOfKind(pool, site, 'procedure') as Promise<OwnProcedure[]>,
  ])
  const labelsFor = (use: string) =>
    products.filter((p) => p.uses?.some((u) => u.id === use)).flatMap((p) => labelInForce(p.id, p, use) ?? [])
  const short = await pairsOf(pool, site, draft, own)
  const faults = short.flatMap(([procedure, parameters]) =>
    contactsTooShort(procedure, parameters, labelsFor),
  )
  if (faults.length > 0) throw new Refusal('contact_too_short', { faults })
}

/** What is entered, with each of what it is used with: a plate with its procedures, a procedure with its stations' plates. */
async function pairsOf(
  pool: Pool,
  site: string,
  draft: AnyDraft & { type: 'station.set@1' | 'procedure.set@1' },
  own: readonly OwnProcedure[],
): Promise<[Procedure, Readonly<Record<string, number>>][]> {
  if (draft.type === 'station.set@1') {
    const { family, parameters } = draft.payload
    const ours = own.flatMap((p) => p.versions.at(-1) ?? []).filter((p) => p.family === family)
    return [...proceduresOf(family), ...ours].map((p) => [p, parameters])
  }
  const { document } = draft.payload
  if (findProcedure(document.id, document.version)) return []
  const stations = (await statesOfKind(pool, site, 'station')) as StationState[]
  const plates = stations.flatMap((s) => (s.plate?.family === document.family ? [s.plate.parameters] : []))
  return plates.length > 0 ? plates.map((p) => [document, p]) : [[document, {}]]
}
