import { stripReading, type StripPick } from '../rules/index.ts'
import { instant, interval } from '../quantity/index.ts'
import { judge } from './judge.ts'
import type { RecordAmended } from './payloads.ts'
import type { ReadingTaken } from './reading.ts'
import type { AnyRecord } from './record.ts'
import { subjectsOf } from './subjects.ts'
import type { StripSet } from './take-reading.ts'

/**
 * A reading as it should have been: another block of the same strip, or another number on the same thermometer,
 * judged anew with everything else as it was. The strip's date was checked when it was read.
 */
export function amendReading(
  taken: ReadingTaken,
  right: { readonly strip: StripSet; readonly pick: StripPick } | { readonly value: number },
): ReadingTaken {
  if (taken.what === 'sanitizer' && 'pick' in right) {
    const strength = stripReading({ ...right.strip, bestBefore: undefined }, right.pick, instant(0))
    const reading = { ...taken.reading, strength }
    const picks = { ...taken.picks, strength: right.pick }
    return { ...taken, reading, picks, judgement: judge({ what: 'sanitizer', reading }, taken.local) }
  }
  if (taken.what === 'cold-product' && 'value' in right) {
    const { unit, interval: was, value: old } = taken.reading
    const moved = interval((was.lo ?? old) - old + right.value, (was.hi ?? old) - old + right.value)
    const reading = { unit, value: right.value, interval: moved }
    return { ...taken, reading, judgement: judge({ what: 'cold-product', reading }, taken.local) }
  }
  return taken
}

/** The payload that puts `instead` in the place of a mistaken record's, and names every state that it changes. */
export function amendmentOf(target: AnyRecord, instead: unknown, reason: string): RecordAmended {
  const becomes = { ...target, payload: instead } as AnyRecord
  const all = [...subjectsOf(target), ...subjectsOf(becomes)]
  const subjects = all.filter((s, i) => all.findIndex((o) => o.kind === s.kind && o.id === s.id) === i)
  return { target: target.id, targetType: target.type, subjects, instead, reason }
}
