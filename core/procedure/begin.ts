import { holdsSolution, isLive, type Facets } from './facets.ts'
import { stepsOf, stepsOfRun } from './nodes.ts'
import { type Procedure } from './language.ts'
import type { SafeAct } from './payloads.ts'
import { cleanedSince } from './station-closed.ts'
import type { StationState } from './station-state.ts'
import { isWaterBack } from './water-back.ts'

/** Why a run does not begin on a station as it stands. */
export type StartFault =
  /** Nobody has told how it stands: what is inside, whether it is built. */
  | { readonly why: 'not-known' }
  | { readonly why: 'contents'; readonly is: Facets['contents']; readonly must: Facets['contents'] }
  | { readonly why: 'assembly'; readonly is: Facets['assembly']; readonly must: Facets['assembly'] }
  | { readonly why: 'not-clean' }
  | { readonly why: 'running' }
  | { readonly why: 'out-of-service' }
  /** By something that went wrong at the site. */
  | { readonly why: 'closed'; readonly incident: string }
  /** Water that was in doubt stands in its lines still. */
  | { readonly why: 'not-flushed'; readonly first: string }

/** Nobody's to override: back in service is a decision of its own, and water that was in doubt is no water to clean with. */
export const stops: readonly StartFault['why'][] = ['out-of-service', 'closed', 'not-flushed']

/** What is done first, so that it can begin. */
export type FirstDo =
  | { readonly kind: 'tell' }
  | { readonly kind: 'safe'; readonly did: SafeAct }
  | { readonly kind: 'procedure'; readonly procedure: string }
  | { readonly kind: 'return' }
  | { readonly kind: 'incident'; readonly incident: string }

/** Whether a run of it puts product in, serves or cools it: not on a machine that is out of service. */
export const bringsProduct = (procedure: Procedure): boolean =>
  stepsOf(procedure.nodes).some(
    (s) =>
      s.act === 'prime' || s.act === 'serve' || (s.effects?.contents === 'product' && s.kind !== 'product'),
  )

/** What of a station a run's beginning depends on. */
type Fit = Pick<StationState, 'facets' | 'outOfService' | 'closures' | 'lastRuns' | 'plate'>

/** Whether a station is fit for a run of a procedure to begin, as far as what it does depends on it. */
export function startFaults(procedure: Procedure, station: Fit): StartFault[] {
  const begins = procedure.begins ?? {}
  const counts = stepsOfRun(procedure, station.plate?.options ?? {}).some((s) => s.kind === 'parts')
  const { facets } = station
  const faults: StartFault[] = []
  const closure = station.closures?.find((c) => c.over === null || bringsProduct(procedure))
  if (station.outOfService && bringsProduct(procedure)) faults.push({ why: 'out-of-service' })
  if (begins.contents !== undefined) faults.push(...contentsFaults(begins.contents, facets.contents))
  // How it is built matters to who counts its parts.
  if (counts && begins.assembly !== undefined && !builtAs(begins.assembly, facets))
    faults.push({ why: 'assembly', is: facets.assembly, must: begins.assembly })
  if (begins.power === 'isolated' && isLive(facets.power)) faults.push({ why: 'running' })
  if (begins.hygiene === 'clean' && facets.hygiene !== 'clean' && facets.hygiene !== 'sanitized')
    faults.push({ why: 'not-clean' })
  // What nobody knows comes first: the rest may be well.
  if (closure) return [{ why: 'closed', incident: closure.incident }]
  const first = isWaterBack(procedure) ? null : notFlushed(station)
  if (first !== null) return [{ why: 'not-flushed', first }]
  return faults.some((f) => f.why === 'not-known') ? [{ why: 'not-known' }] : faults
}

/** The procedure by which its lines are flushed before anything else is worked with their water; null where nothing asks for it. */
const notFlushed = (station: Pick<StationState, 'closures' | 'lastRuns'>): string | null =>
  (station.closures ?? [])
    .flatMap((c) => c.cleans.filter((id) => isWaterBack({ id }) && cleanedSince(station, c, id) === null))
    .at(0) ?? null

function contentsFaults(must: Facets['contents'], is: Facets['contents']): StartFault[] {
  if (is === must) return []
  if (is === 'unknown') return [{ why: 'not-known' }]
  // Drained already is as good as drained; water in a sink or a dish tank is let out by its first step.
  if (is === 'empty' && (must === 'product' || must === 'rinse')) return []
  if (must === 'rinse' && is !== 'descaler') return []
  return [{ why: 'contents', is, must }]
}

const builtAs = (must: Facets['assembly'], { assembly, partsOut }: Facets): boolean =>
  must === 'whole' ? assembly === 'whole' && partsOut === 0 : assembly === must || assembly === 'apart'

/**
 * What to do first where a run does not fit: tell how it stands, drain it, or the procedure of its family that leaves it so.
 * @param others the procedures of the station's family.
 */
export function firstDo(
  faults: readonly StartFault[],
  procedure: Procedure,
  station: Fit,
  others: readonly Procedure[],
): FirstDo[] {
  const first = faults.map((f): FirstDo | null => {
    if (f.why === 'not-known') return { kind: 'tell' }
    if (f.why === 'out-of-service') return { kind: 'return' }
    if (f.why === 'not-flushed') return { kind: 'procedure', procedure: f.first }
    if (f.why === 'closed') return { kind: 'incident', incident: f.incident }
    if (f.why === 'running') return { kind: 'safe', did: 'switched-off' }
    if (f.why === 'contents' && holdsSolution(f.is)) return { kind: 'safe', did: 'drained' }
    const leads = others.find(
      (p) => p.id !== procedure.id && startFaults(p, station).length === 0 && leadsTo(p, procedure, f),
    )
    return leads ? { kind: 'procedure', procedure: leads.id } : { kind: 'tell' }
  })
  // What a whole procedure puts right is not also done by hand.
  const leading = first.find((f) => f?.kind === 'procedure')
  if (leading) return [leading]
  const names = new Set<string>()
  return first.filter((f): f is FirstDo => {
    if (!f) return false
    const name = JSON.stringify(f)
    return names.has(name) ? false : Boolean(names.add(name))
  })
}

/** Whether what one procedure leaves is what another lacks. */
function leadsTo(p: Procedure, wanted: Procedure, fault: StartFault): boolean {
  const [ends, begins] = [p.ends ?? {}, wanted.begins ?? {}]
  if (fault.why === 'contents') return ends.contents === begins.contents
  if (fault.why === 'assembly') return ends.assembly === begins.assembly
  return stepsOf(p.nodes).some((s) => s.effects?.hygiene === 'clean')
}

/** What is left to make safe on a machine whose run was stopped: what is inside, what runs, what was switched off. */
export function toMakeSafe(facets: Facets): SafeAct[] {
  return [
    ...(facets.contents !== 'empty' ? (['drained'] as const) : []),
    ...(facets.contents === 'empty' && (facets.residue ?? 'none') !== 'none' ? (['rinsed'] as const) : []),
    ...(isLive(facets.power) ? (['switched-off'] as const) : []),
    ...(facets.feeds === 'off' ? (['feeds-on'] as const) : []),
  ]
}
