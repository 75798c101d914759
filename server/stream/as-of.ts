import { findProcedure, type OwnProcedure, type RunState, type StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import { rulesInForce, type LocalRule } from '@tadka/core/rules'
import { foldAll, correctedAt, type AnyDraft, type SubjectKind, type SubjectRef } from '@tadka/core/stream'
import {
  foldOf,
  readingIn,
  strengthOfStep,
  upcast,
  useOfStep,
  type Known,
  type ReadingKnown,
} from '@tadka/core/record'
import { washLabel } from '@tadka/core/reading'
import { type BathState } from '@tadka/core/bath'
import { type MixSet, type MixState, type ProductSet, type SiteSet } from '@tadka/core/house'
import type { Pool } from '../db/pool.ts'
import type { AppendContext } from './append-queries.ts'
import { recordsOfSubject, statesOfKind } from './queries.ts'

type StateNow = (kind: SubjectKind, id: string) => unknown

/** What the site's records said when a draft was made: as they stand now, or as they stood where it comes late. */
export type KnownThen = (draft: AnyDraft, now: StateNow) => Omit<Known, 'freshHours'> & ReadingKnown

/** Kinds whose state a late draft is judged by as it was then. */
const asItWas: readonly SubjectKind[] = ['site', 'station', 'product', 'procedure', 'instrument']

const isRule = (r: Partial<LocalRule>): r is LocalRule => r.authority !== undefined
const nameOf = (s: SubjectRef) => `${s.kind}/${s.id}`

/** Looks up how labels, plates and procedures stood for drafts that come after those were changed. */
export async function asOf(
  pool: Pool,
  site: string,
  context: Pick<AppendContext, 'states'>,
  drafts: readonly {
    draft: AnyDraft
    seenAt: number
    subjects: readonly SubjectRef[]
    needs: readonly SubjectRef[]
  }[],
): Promise<KnownThen> {
  const last = new Map(context.states.map((s) => [nameOf(s), s.last?.at ?? 0]))
  const earlier = new Map<string, unknown>()
  for (const { draft, seenAt: at, subjects, needs } of drafts) {
    const reading = readingIn(draft)
    const wanted =
      draft.type === 'run.started@1' || draft.type === 'run.started@2'
        ? [...subjects, ...needs]
        : [...needs, ...(reading ? [{ kind: 'site' as const, id: site }] : [])]
    for (const subject of wanted) {
      if (!asItWas.includes(subject.kind) || (last.get(nameOf(subject)) ?? 0) <= at) continue
      const records = await recordsOfSubject(pool, site, subject.kind, subject.id)
      const then = records.map((r) => upcast(r)).filter((r) => correctedAt(r) <= at)
      // Where nothing was known then, what was entered since is all there is.
      if (then.some((r) => r.type === `${subject.kind}.set@1`))
        earlier.set(`${draft.id} ${nameOf(subject)}`, foldAll(foldOf(subject.kind), subject, then).state)
    }
  }
  const readings = drafts.some(({ draft }) => readingIn(draft))
  const rules = readings ? ((await statesOfKind(pool, site, 'rule')) as Partial<LocalRule>[]) : []
  const sinks = drafts.some(({ draft }) => readingIn(draft)?.what === 'wash-water')
  const products = sinks ? ((await statesOfKind(pool, site, 'product')) as Partial<ProductSet>[]) : []
  const foods = drafts.some(
    ({ draft }) =>
      draft.type === 'mix.changed@1' ||
      (draft.type === 'run.step.done@2' && draft.payload.facts['read'] !== undefined) ||
      readingIn(draft)?.what === 'cold-product',
  )
  const mixes = foods ? ((await statesOfKind(pool, site, 'mix')) as MixState[]) : []
  const at = new Map(drafts.map((d) => [d.draft.id, d.seenAt]))
  return (draft, now) => {
    const of = (kind: SubjectKind, id: string) => earlier.get(`${draft.id} ${kind}/${id}`) ?? now(kind, id)
    // What came in the same breath is known already.
    const mixOf = (id: string) =>
      (now('mix', id) as Partial<MixSet> | null) ?? mixes.find((m) => m.id === id) ?? null
    const schools = (of('site', site) as Partial<SiteSet> | null)?.schools ?? {}
    return {
      station: (id) => of('station', id) as StationState | null,
      run: (id) => now('run', id) as RunState | null,
      procedure: (id, version) =>
        findProcedure(id, version) ??
        (of('procedure', id) as OwnProcedure | null)?.versions.find((v) => v.version === version) ??
        null,
      product: (id) => of('product', id) as Partial<ProductSet> | null,
      instrument: (id) => of('instrument', id) as ReturnType<ReadingKnown['instrument']>,
      plate: (id) => (of('station', id) as StationState | null)?.plate ?? null,
      bath: (id) => now('bath', id) as BathState | null,
      mix: mixOf,
      mixesIn: (id) => ((of('station', id) as StationState | null)?.holds?.mixes ?? []).map(mixOf),
      useOfStep: (run, step) => useOfStep(now('run', run) as RunState | null, step),
      strengthOfStep: (run, step) => strengthOfStep(now('run', run) as RunState | null, step),
      rules: rulesInForce(rules.filter(isRule), instant(at.get(draft.id) ?? 0)),
      schools,
      washLabel: washLabel(products, schools),
    }
  }
}
