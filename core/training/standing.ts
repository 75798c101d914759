import { dayOf } from '../calendar/index.ts'
import type { CrewState, SiteSet } from '../house/index.ts'
import {
  baseOf,
  findProcedure,
  isOwn,
  isWaterBack,
  ownId,
  procedureOn,
  servesFamily,
  type OwnProcedure,
  type Procedure,
} from '../procedure/index.ts'
import { instant } from '../quantity/index.ts'
import { changedInWhatMatters } from './matters.ts'
import { lastDay, passes, usualTraining, type TrainingRule } from './rule.ts'
import { untrained, type ProcedureTraining, type TrainingState } from './fold.ts'
import type { SignOffEnd } from './records.ts'

/** Why a sign-off holds no more. */
export type Lapse =
  | { readonly why: 'time'; readonly on: string }
  | { readonly why: 'changed' }
  | { readonly why: SignOffEnd; readonly at: number; readonly by: string; readonly note: string }

/** Who said that somebody may work alone. */
export interface SignOff {
  /** Milliseconds UTC. */
  readonly at: number
  readonly by: string
  /** ISO date of the last day; null where it does not lapse by time. */
  readonly until: string | null
  /** A manager said so, without the site having seen it. */
  readonly stated: boolean
}

/** How somebody stands with one procedure. */
export interface Standing {
  /** By the library's id. */
  readonly procedure: string
  readonly training: ProcedureTraining
  /** Of the newest check that was passed, milliseconds UTC. */
  readonly passedAt: number | null
  readonly signed: SignOff | null
  readonly lapse: Lapse | null
  /** Alone; with somebody signed off by; or not at all. */
  readonly may: 'alone' | 'with-somebody' | 'no'
}

/** What a person's standing is worked out from. */
export interface TrainingOf {
  readonly crew: CrewState
  readonly training: TrainingState | null
  readonly rule: TrainingRule
  /** The trading day, ISO date. */
  readonly day: string
  /** The trading day of an instant. */
  readonly dayOf: (at: number) => string
  readonly own: (id: string) => OwnProcedure | null
}

/** What a person's standing at a site is worked out from. @param at milliseconds UTC; the trading day is that of this instant. */
export function trainingOf(
  site: Pick<SiteSet, 'hours' | 'closedDays' | 'timeZone' | 'training'>,
  at: number,
  crew: CrewState,
  training: TrainingState | null,
  own: TrainingOf['own'],
): TrainingOf {
  const dayAt = (then: number) => dayOf(site, instant(then))
  return { crew, training, rule: site.training ?? usualTraining, day: dayAt(at), dayOf: dayAt, own }
}

/** The name of a list that a procedure falls under: its own, its family's, or a kind's of its family ("dish-machine.conveyor-dual"). */
const named = (list: readonly string[] | undefined, procedure: Procedure): string | null =>
  list?.find((n) => n === procedure.id || n === baseOf(procedure.id) || servesFamily(procedure, n)) ?? null

/** How somebody stands with a procedure as it is worked to on that day. */
export function standingOf(of: TrainingOf, procedure: Procedure): Standing {
  const { crew } = of
  const id = baseOf(procedure.id)
  const training = of.training?.of[id] ?? untrained
  const signed = signOffOf(of, procedure, training)
  const lapse = signed && lapseOf(of, procedure, training, signed)
  const learns = 'learning' in crew && named(crew.learning, procedure) !== null
  const { checks } = training
  return {
    procedure: id,
    training,
    passedAt: checks.findLast((c) => passes(c.right, c.asked, c.passPercent))?.at ?? null,
    signed,
    lapse,
    may: isWaterBack(procedure) || (signed && !lapse) ? 'alone' : learns || signed ? 'with-somebody' : 'no',
  }
}

/** The later of what a lead signed and what a manager stated. */
function signOffOf(of: TrainingOf, procedure: Procedure, { signed }: ProcedureTraining): SignOff | null {
  const { crew, rule } = of
  const list = 'signedOff' in crew ? crew.signedOff : []
  const name = named(list, procedure)
  const told = name === null ? null : (crew.stated?.[name] ?? { at: 0, by: '' })
  if (signed && (!told || signed.at >= told.at))
    return { at: signed.at, by: signed.by, until: signed.until, stated: false }
  if (!told) return null
  // What was entered before anybody kept when is as old as nobody knows: it lapses by nothing but what came after.
  const until = rule.months === null || told.at === 0 ? null : lastDay(of.dayOf(told.at), rule.months)
  return { ...told, until, stated: true }
}

function lapseOf(
  of: TrainingOf,
  procedure: Procedure,
  { signed: kept, ended }: ProcedureTraining,
  signed: SignOff,
): Lapse | null {
  if (ended && ended.at >= signed.at) return ended
  if (signed.until !== null && signed.until < of.day) return { why: 'time', on: signed.until }
  const then =
    kept && !signed.stated
      ? versionOf(kept.version, of.own)
      : signed.at > 0
        ? procedureOn(procedure.id, of.dayOf(signed.at), of.own)
        : null
  return then && changedInWhatMatters(then, procedure) ? { why: 'changed' } : null
}

const versionOf = (
  { id, version }: { readonly id: string; readonly version: number },
  own: TrainingOf['own'],
): Procedure | null =>
  (isOwn(id) ? own(ownId(id))?.versions.find((v) => v.version === version) : findProcedure(id, version)) ??
  null
