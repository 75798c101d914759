import type { Role } from '../rights/index.ts'
import type { RefusalCode } from '../refusal/index.ts'
import { type AnyRecord, correctedAt } from '../stream/record.ts'
import { rulesOf } from './types.ts'

export const takeBackMinutes = 10

/** Of a step, what a person typed; the rest is what the step was. */
const typedFacts = [
  'litres',
  'kept',
  'temperature',
  'unit',
  'celsius',
  'note',
  'pouredMl',
  'amount',
  'volumeMl',
]

export const mayBeAmended = (target: Pick<AnyRecord, 'type' | 'by' | 'device'>): boolean =>
  rulesOf(target.type)?.typed === true && target.by !== target.device
export const mayBeTakenBack = (target: Pick<AnyRecord, 'type' | 'by' | 'device'>): boolean =>
  rulesOf(target.type)?.tap === true && target.by !== target.device

/** Who amends, when, and whether the day of the target has been signed. */
export interface Amending {
  readonly by: string
  readonly role: Role
  /** Milliseconds UTC by the server's clock. */
  readonly at: number
  readonly signed: boolean
}

/**
 * Why an entry may not be amended, or null where it may. Crew their own until the day is signed, a lead anybody's until then,
 * after that the manager; never what a clock or a device measured, nor signatures and amendments. One function decides, for
 * the tablet that offers it and the server that takes it.
 */
export function amendFault(target: AnyRecord, instead: unknown, who: Amending): RefusalCode | null {
  const back = instead === null
  if (back ? !mayBeTakenBack(target) : !mayBeAmended(target)) return 'not_amendable'
  if (!back && !sameButTyped(target, instead)) return 'not_amendable'
  if (back && who.at > correctedAt(target) + takeBackMinutes * 60_000) return 'too_late_to_take_back'
  if (who.signed && who.role !== 'manager') return 'day_is_signed'
  if (who.role === 'crew' && target.by !== who.by) return 'amend_not_yours'
  return null
}

/** A step stays the step it was, and a count what was counted: only what was typed may differ. */
function sameButTyped(target: AnyRecord, instead: unknown): boolean {
  if (target.type !== 'run.step.done@1' && target.type !== 'run.step.done@2') return true
  const was = target.payload
  const becomes = instead as typeof was
  const rest = (facts: Readonly<Record<string, unknown>>) =>
    JSON.stringify(
      Object.entries(facts)
        .filter(([k]) => !typedFacts.includes(k))
        .toSorted(([a], [b]) => (a < b ? -1 : 1)),
    )
  const plain = ({ facts: _, ...p }: typeof was) => JSON.stringify(Object.entries(p).toSorted())
  return plain(was) === plain(becomes) && rest(was.facts) === rest(becomes.facts)
}
