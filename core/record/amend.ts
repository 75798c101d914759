import { stripReading, titrationReading, type JudgedTemperature, type StripPick } from '../rules/index.ts'
import { instant, interval, type Interval } from '../quantity/index.ts'
import { judge } from '../reading/judge.ts'
import type { AnyDraft, AnyRecord, RecordAmended } from '../stream/record.ts'
import type { ReadingTaken } from '../reading/reading.ts'
import { subjectsOf } from './subjects.ts'
import type { StripSet } from '../reading/take-reading.ts'

/**
 * A reading as it should have been: another block of the same strip, or another number on the same thermometer,
 * judged anew with everything else as it was. The strip's date was checked when it was read.
 */
export function amendReading(
  taken: ReadingTaken,
  right:
    | { readonly strip: StripSet; readonly pick: StripPick }
    | { readonly drops: number; readonly perDrop: number }
    | { readonly value: number }
    | { readonly numbers: Readonly<Record<string, number>> },
): ReadingTaken {
  if ('numbers' in right) return amendNumbers(taken, right.numbers)
  if (taken.what === 'sanitizer' && 'drops' in right) {
    const reading = { ...taken.reading, strength: titrationReading(right.drops, right.perDrop) }
    const picks = { ...taken.picks, strength: { drops: right.drops } }
    return { ...taken, reading, picks, judgement: judge({ what: 'sanitizer', reading }, taken.local) }
  }
  if (taken.what === 'sanitizer' && 'pick' in right) {
    const strength = stripReading({ ...right.strip, bestBefore: undefined }, right.pick, instant(0))
    const reading = { ...taken.reading, strength }
    const picks = { ...taken.picks, strength: right.pick }
    return { ...taken, reading, picks, judgement: judge({ what: 'sanitizer', reading }, taken.local) }
  }
  if (taken.what === 'cold-product' && 'value' in right) {
    const { interval: was, value: old, ...rest } = taken.reading
    const moved = interval((was.lo ?? old) - old + right.value, (was.hi ?? old) - old + right.value)
    const reading = { ...rest, value: right.value, interval: moved }
    return { ...taken, reading, judgement: judge({ what: 'cold-product', reading }, taken.local) }
  }
  return taken
}

/** A temperature moved to another number, as wide as it was. */
const movedTo = (t: JudgedTemperature, value: number): JudgedTemperature => ({
  unit: t.unit,
  reading: moved(t.reading, value),
})
const moved = (was: Interval, value: number): Interval => {
  const half = ((was.hi ?? value) - (was.lo ?? value)) / 2
  return interval(value - half, value + half)
}

/** The numbers of a reading of heat by field, as they were typed; null for a reading that has none. */
export function numbersOf(taken: ReadingTaken): Record<string, number> | null {
  // What is open at an end was no number.
  const middle = ({ lo, hi }: Interval) => (lo === null || hi === null ? null : (lo + hi) / 2)
  const put = (name: string, i: Interval) => {
    const value = middle(i)
    if (value !== null) numbers[name] = value
  }
  const numbers: Record<string, number> = {}
  if (taken.what === 'sanitizer' || taken.what === 'cold-product') return null
  for (const [name, value] of Object.entries(taken.reading) as [string, unknown][]) {
    if (name === 'label' || name === 'plate') continue
    if (typeof value === 'number') numbers[name] = value
    else if (isInterval(value)) put(name, value)
    else if (isTemperature(value)) put(name, value.reading)
  }
  return numbers
}

const isInterval = (value: unknown): value is Interval =>
  typeof value === 'object' && value !== null && 'lo' in value && 'hi' in value
const isTemperature = (value: unknown): value is JudgedTemperature =>
  typeof value === 'object' && value !== null && 'reading' in value

/** Numbers typed anew in a reading of heat; a field that was not read then stays unread. */
function amendNumbers(taken: ReadingTaken, numbers: Readonly<Record<string, number>>): ReadingTaken {
  const old = numbersOf(taken)
  if (!old) return taken
  const reading: Record<string, unknown> = { ...taken.reading }
  for (const [name, value] of Object.entries(numbers)) {
    const was = reading[name]
    if (!(name in old)) continue
    if (typeof was === 'number') reading[name] = value
    else if (isInterval(was)) reading[name] = moved(was, value)
    else if (isTemperature(was)) reading[name] = movedTo(was, value)
  }
  const amended = { ...taken, reading } as ReadingTaken
  return { ...amended, judgement: judge(amended, taken.local) } as ReadingTaken
}

/** The payload that puts `instead` in the place of a mistaken record's, and names every state that it changes. */
export function amendmentOf(target: AnyRecord, instead: unknown, reason: string): RecordAmended {
  // What is taken back concerns nothing any more.
  const becomes = instead === null ? [] : subjectsOf({ ...target, payload: instead } as AnyRecord)
  const all = [...subjectsOf(target), ...becomes]
  const subjects = all.filter((s, i) => all.findIndex((o) => o.kind === s.kind && o.id === s.id) === i)
  return { target: target.id, targetType: target.type, subjects, instead, reason }
}

/** The payload that takes back what was done by a tap: the record stays in the log, and counts for nothing. */
export function takenBack(target: AnyDraft, reason: string): RecordAmended {
  return { target: target.id, targetType: target.type, subjects: subjectsOf(target), instead: null, reason }
}
