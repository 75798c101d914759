import { usesOf, type Procedure } from './index.ts'
import type { InstrumentSet } from '../house/instrument.ts'
import type { ProductSet } from '../house/product.ts'
import type { StationSet } from '../house/station.ts'
import type { Role } from '../rights/index.ts'
import type { Agent } from '../rules/index.ts'

/** What a site still lacks to do what its stations ask for. */
export type Missing =
  | { readonly what: 'product'; readonly use: string; readonly stations: readonly string[] }
  | { readonly what: 'strip'; readonly agent: Agent; readonly products: readonly string[] }
  /** Chlorine and iodine pass by their pH too. */
  | { readonly what: 'ph'; readonly products: readonly string[] }
  | { readonly what: 'tool' | 'scale' | 'thermometer' | 'people' | 'lead' }
  | { readonly what: 'signOffs'; readonly people: readonly string[] }

export interface SiteParts {
  readonly stations: readonly (Pick<StationSet, 'family' | 'options' | 'duties'> & { readonly id: string })[]
  readonly products: readonly Pick<ProductSet, 'name' | 'agent' | 'supply' | 'uses'>[]
  readonly instruments: readonly InstrumentSet[]
  readonly people: readonly {
    readonly id: string
    readonly role: Role
    /** Whether anything is chosen that they may clean. */
    readonly isSignedOff: boolean
  }[]
  /** A procedure at its newest version. */
  readonly procedure: (id: string) => Procedure | null
}

/** What a procedure mixes and none of these products is entered for. */
export const usesLacking = (
  procedure: Procedure,
  options: Readonly<Record<string, string>>,
  products: readonly Pick<ProductSet, 'uses'>[],
): string[] =>
  usesOf(procedure, options).filter((use) => !products.some((p) => p.uses.some((u) => u.id === use)))

/** The uses that no product of the site is entered for, each with the stations whose schedule asks for it. */
export function usesWithoutProduct(parts: Pick<SiteParts, 'stations' | 'products' | 'procedure'>) {
  const without = new Map<string, Set<string>>()
  for (const station of parts.stations)
    for (const duty of station.duties) {
      const procedure = parts.procedure(duty.procedure)
      if (!procedure) continue
      for (const use of usesLacking(procedure, station.options ?? {}, parts.products))
        without.set(use, (without.get(use) ?? new Set()).add(station.id))
    }
  return [...without].map(([use, stations]) => ({ use, stations: [...stations] }))
}

const liquid = (p: Pick<ProductSet, 'supply'>) =>
  p.supply.kind === 'strength' || p.supply.kind === 'ratio' || p.supply.kind === 'per-litre'
const powder = (p: Pick<ProductSet, 'supply'>) =>
  p.supply.kind === 'powder' || p.supply.kind === 'grams-per-litre'

/** Everything that is missing, what stops most first. */
export function missingOf(parts: SiteParts): Missing[] {
  const { products, instruments, people } = parts
  const has = (kind: InstrumentSet['kind']) => instruments.some((i) => i.kind === kind)
  const missing: Missing[] = usesWithoutProduct(parts).map((m) => ({ what: 'product', ...m }))
  for (const agent of new Set(products.flatMap((p) => p.agent ?? []))) {
    const tested = instruments.some(
      (i) => (i.kind === 'strip' || i.kind === 'titration') && i.agent === agent,
    )
    const names = products.filter((p) => p.agent === agent).map((p) => p.name)
    if (!tested) missing.push({ what: 'strip', agent, products: names })
  }
  const byPh = products.filter((p) => p.agent === 'chlorine' || p.agent === 'iodine').map((p) => p.name)
  const readsPh = instruments.some((i) => i.kind === 'strip' && i.unit === 'pH')
  if (byPh.length > 0 && !readsPh) missing.push({ what: 'ph', products: byPh })
  if (products.some(liquid) && !has('tool')) missing.push({ what: 'tool' })
  if (products.some(powder) && !has('scale')) missing.push({ what: 'scale' })
  if (parts.stations.length > 0 && !has('thermometer')) missing.push({ what: 'thermometer' })
  if (people.length <= 1) missing.push({ what: 'people' })
  else {
    if (!people.some((p) => p.role === 'lead')) missing.push({ what: 'lead' })
    const none = people.filter((p) => p.role !== 'manager' && !p.isSignedOff).map((p) => p.id)
    if (none.length > 0) missing.push({ what: 'signOffs', people: none })
  }
  return missing
}
