import {
  defaultFreshHours,
  findProcedure,
  type InForce,
  type OwnProcedure,
  type Procedure,
  type RunState,
  type StationState,
} from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import {
  asJudged,
  flagsOf,
  foodFlags,
  roundFlags,
  inForceFor,
  judgeAnew,
  readingIn,
  upcast,
  type Flag,
  type ReadingKnown,
} from '@tadka/core/record'
import { type AnyDraft, type AnyRecord, type SubjectRef } from '@tadka/core/stream'
import type { CrewSet, CrewState, RosterSet, SiteSet } from '@tadka/core/house'
import { contradictionOf, type PlanSet } from '@tadka/core/plan'
import { knowsOf, standingOf, trainingOf, type TrainingState } from '@tadka/core/training'
import { Refusal } from '@tadka/core/refusal'
import type { RoundState } from '@tadka/core/round'
import type { KnownThen } from './as-of.ts'
import type { Folding } from './folding.ts'

interface Judged {
  readonly draft: AnyDraft
  readonly subjects: readonly SubjectRef[]
  /** Corrected observed time, milliseconds UTC. */
  readonly at: number
  readonly seenAt: number
  readonly amended?: { readonly target: AnyRecord }
}

/** What the site's records said when it was made, and what is odd about it by them. Throws where they know nothing of it. */
export function judgeDraft(
  { draft, subjects, at, seenAt, amended }: Judged,
  clock: { readonly receivedAt: number; readonly clockOffset: number },
  folding: Folding,
  then: KnownThen,
): { readonly flags: readonly string[]; readonly inForce?: InForce } {
  const idOf = (kind: SubjectRef['kind']) => subjects.find((s) => s.kind === kind)?.id
  const site = folding.stateOf('site', draft.site) as Partial<SiteSet> | null
  const freshHours = site?.freshHours ?? defaultFreshHours
  if (draft.type === 'plan.set@1') refuseBroken(draft.payload, site, folding)
  const known = then(draft, (kind, id) => folding.stateOf(kind, id))
  const anew = readingJudged(draft, known, seenAt)
  const held = inForceFor(draft, { ...known, freshHours })
  const inForce = anew && anew.flags.length > 0 ? { ...held, judged: anew.judged } : held
  const made = { ...draft, ...clock, seq: 0, prev: '', flags: [], ...(inForce ? { inForce } : {}) }
  const run = folding.stateOf('run', idOf('run')) as RunState | null
  const station = folding.stateOf('station', idOf('station')) as StationState | null
  const mayAlone = mayAloneNow(draft, inForce?.document, at, site, folding)
  const odd = flagsOf(upcast(made as AnyRecord), { run, station, at, freshHours, mayAlone })
  const milkAt7 = site?.milkAt7 === true
  const food = foodFlags(draft, { instrument: known.instrument, milkAt7 }, instant(seenAt))
  const rounds = roundFlags(draft, {
    round: folding.stateOf('round', idOf('round')) as RoundState | null,
    crew: folding.stateOf('crew', draft.by) as CrewState | null,
    station: (id) => folding.stateOf('station', id) as StationState | null,
  })
  const flags = [
    ...odd,
    ...food,
    ...rounds,
    ...(anew?.flags ?? []),
    ...(amended ? passFlags(amended.target, anew) : []),
  ]
  return { flags, ...(inForce ? { inForce } : {}) }
}

/** Whether who begins a run may do it alone; null where nobody has said what they may do, or it begins none. */
function mayAloneNow(
  draft: AnyDraft,
  document: Procedure | undefined,
  at: number,
  site: Partial<SiteSet> | null,
  folding: Folding,
): boolean | null {
  if (draft.type !== 'run.started@2' || !site?.hours || !site.timeZone) return null
  const crew = folding.stateOf('crew', draft.by) as CrewState | null
  if (!crew || !('signedOff' in crew)) return null
  const { id, version } = draft.payload.procedure
  const procedure = document ?? findProcedure(id, version)
  if (!procedure) return null
  const training = folding.stateOf('training', draft.by) as TrainingState | null
  const own = (name: string) => folding.stateOf('procedure', name) as OwnProcedure | null
  return standingOf(trainingOf(site as SiteSet, at, crew, training, own), procedure).may === 'alone'
}

/** A plan that the site's own records contradict is not put in force. Throws `plan_broken`. */
function refuseBroken(set: PlanSet, site: Partial<SiteSet> | null, folding: Folding): void {
  const of = <S>(kind: SubjectRef['kind'], id: string) => folding.stateOf(kind, id) as S | null
  const wrong = contradictionOf(set, {
    site,
    roster: of<Partial<RosterSet>>('roster', set.day),
    crew: (id) => knowsOf(of<Partial<CrewSet>>('crew', id), of<TrainingState>('training', id)),
    station: (id) => of<StationState>('station', id),
  })
  if (wrong) throw new Refusal('plan_broken', { ...wrong })
}

/** A reading that had failed and is a pass by its amendment stands out, whoever put it right. */
function passFlags(target: AnyRecord, anew: ReturnType<typeof readingJudged>): readonly Flag[] {
  if (target.type !== 'reading.taken@1' || anew?.judged.judgement.overall !== 'in') return []
  return asJudged(target).payload.judgement.overall === 'in' ? [] : ['amended-to-pass']
}

/** What the site's own records make of the reading that a draft brings; null where it brings none. */
function readingJudged(draft: AnyDraft, known: ReadingKnown, at: number) {
  const reading = readingIn(draft)
  if (!reading) return null
  const { read, judgement, local, flags } = judgeAnew(reading, known, instant(at))
  return { flags, judged: { reading: read.reading, judgement, local } }
}
