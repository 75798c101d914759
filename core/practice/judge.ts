import type { Payloads, AnyDraft } from '../stream/index.ts'
import { harms } from './throw.ts'
import { waitEndsAt, type Position, type RunState, type StationState, type Step } from '../procedure/index.ts'
import { celsius, toFahrenheit } from '../quantity/index.ts'
import type { JudgedTemperature } from '../rules/index.ts'
import { closeLookOf, dippedIn, servesFor, type Gauges } from './drawn.ts'
import { openFault, type FalseAlarmKind, type FaultKind, type FaultState, type Practice } from './fault.ts'
import {
  disturbedAt,
  disturbing,
  isContact,
  isLeftOn,
  lowLevel,
  positionAt,
  reservoirLevel,
  sceneOf,
  switchedBy,
  type Thing,
  type Touchable,
} from './scene.ts'

/** A run under practice, as it stands before what is judged. @param at milliseconds of the practice's clock. */
export interface PracticeNow {
  readonly run: RunState
  readonly station: StationState
  readonly at: number
}

const changed = (p: Practice, fault: FaultState, to: Partial<FaultState>): Practice => ({
  ...p,
  faults: p.faults.map((f) => (f === fault ? { ...f, ...to } : f)),
})
const caught = (p: Practice, fault: FaultState, at: number, soon = true): Practice =>
  changed(p, fault, { caught: { at, soon: soon && !fault.missed } })
const missed = (p: Practice, fault: FaultState | null | undefined): Practice =>
  fault ? changed(p, fault, { missed: true }) : p
const alarmed = (p: Practice, kind: FalseAlarmKind, step: string): Practice => ({
  ...p,
  falseAlarms: [...p.falseAlarms, { kind, step }],
})

/**
 * A thing that was touched to put it right: what was wrong is caught, what was right is a false alarm. To switch what the step asks to be
 * switched is to do it, and among several products for one use another is no wrong one: neither counts.
 */
export function judgeTouch(p: Practice, thing: Touchable, position: Position, now: PracticeNow): Practice {
  const fault = wrongThing(p, thing, position, now)
  if (fault) return caught(p, fault, now.at, isSoon(fault, now))
  if (switchedBy(position, thing)) {
    const { key } = position
    const others = p.switched.filter((k) => k !== key)
    return { ...p, switched: others.length < p.switched.length ? others : [...others, key] }
  }
  const isOneOfSeveral =
    thing === 'bottle' &&
    position.kind === 'step' &&
    position.step.kind === 'mix' &&
    servesFor(p.known, position.step.use).length > 1
  return isOneOfSeveral ? p : alarmed(p, 'touched', position.key)
}

function wrongThing(p: Practice, thing: Touchable, position: Position, { run, at }: PracticeNow) {
  switch (thing) {
    case 'bottle':
      return openFault(p, 'wrong-bottle', position.key)
    case 'power':
      return isLeftOn(p, run, 'power-left-on')
    case 'feeds':
      return isLeftOn(p, run, 'feeds-left-on')
    case 'machine':
      return disturbing(p, run, 'beater-stopped', at)
  }
}

/** Of a wait: before half of what was left of it had passed. Of what was left on: before anything else was done. */
function isSoon(fault: FaultState, { run, at }: Pick<PracticeNow, 'run' | 'at'>): boolean {
  const since = disturbedAt(run, fault)
  const ends = waitEndsAt(run, fault.at)
  if (since !== null && ends !== null) return at - since <= (ends - since) / 2
  const done = run.done[fault.at]
  return done === undefined || Object.values(run.done).every((d) => d.at <= done.at)
}

/** What a record of the run says of what was to be seen. @param now before it is taken in. */
export function judgeRecord(p: Practice, draft: AnyDraft, now: PracticeNow): Practice {
  switch (draft.type) {
    case 'run.step.done@2':
      return stepDone(p, draft.payload, now)
    case 'run.part.missing@1':
      return partMissing(p, draft.payload, now)
    case 'run.visit.made@1':
      return visited(p, draft.payload.step, now)
    case 'reading.taken@1':
      return readingTaken(p, draft.payload, now)
    case 'case.action@1':
      return { ...p, mended: [...p.mended, ...p.faults.flatMap((f) => (wasRead(f, now.run) ? f.at : []))] }
    default:
      return p
  }
}
const wasRead = (f: FaultState, run: RunState) =>
  (f.kind === 'strip-between' || f.kind === 'rinse-low') && (run.readings[f.at] ?? []).length > 0

/** Hands that reach in, or acid that goes in, with what was left on. */
function harmed(p: Practice, step: Step, { run }: PracticeNow): Practice {
  return (['power-left-on', 'feeds-left-on'] as const).reduce(
    (q, kind) => (harms[kind](step) ? missed(q, isLeftOn(q, run, kind)) : q),
    p,
  )
}

function stepDone(
  p: Practice,
  { step: key, facts }: Payloads['run.step.done@2'],
  now: PracticeNow,
): Practice {
  const position = positionAt(p, now.run, key)
  if (!position) return p
  if (position.kind === 'sign') return signed(p, position, facts['shown'] === true, now)
  const { step } = position
  const after = harmed(p, step, now)
  const open = (kind: FaultKind) => openFault(after, kind, key)
  switch (step.kind) {
    case 'mix':
      return missed(after, open('wrong-bottle'))
    case 'parts':
      return missed(after, open('part-missing'))
    case 'inspect':
      return inspected(after, step, facts['choice'], key, now)
    case 'read':
      return isNear(facts['read'], shownNumber(after, position, now)) ? after : alarmed(after, 'misread', key)
    case 'wait':
    case 'tend':
      return waitedOut(after, step, position, now)
    default:
      return after
  }
}

function signed(p: Practice, position: Position, shown: boolean, now: PracticeNow): Practice {
  const [pan] = sceneOf(p, now.run, now.station, position, now.at)
  if (pan?.is !== 'pan') return p
  const fault = openFault(p, 'water-cloudy', position.key)
  if (fault) return shown ? missed(p, fault) : caught(p, fault, now.at)
  return shown ? p : alarmed(p, 'water-clear', position.key)
}

function inspected(
  p: Practice,
  step: Step & { readonly kind: 'inspect' },
  choice: unknown,
  key: string,
  { at }: PracticeNow,
): Practice {
  const fault = openFault(p, 'part-worn', key)
  const outcome = step.choices.find((c) => c.id === choice)?.outcome
  // An eye kept on what is nicked leaves it in the food.
  if (fault)
    return outcome === 'replace' || outcome === 'technician' ? caught(p, fault, at) : missed(p, fault)
  // Where nothing is drawn there was nothing to see.
  return outcome === 'fine' || outcome === undefined || closeLookOf(step) === null
    ? p
    : alarmed(p, 'part-sound', key)
}

function waitedOut(p: Practice, step: Step, position: Position, { run, at }: PracticeNow): Practice {
  const { key } = position
  const early = at < (waitEndsAt(run, key) ?? 0)
  const cut = openFault(p, 'contact-cut', key)
  if (cut && disturbing(p, run, 'contact-cut', at))
    return early ? caught(p, cut, at, isSoon(cut, { run, at })) : missed(p, cut)
  if (early && isContact(step)) return alarmed(p, 'ended-early', key)
  const [stopped, dry] = [openFault(p, 'beater-stopped', key), openFault(p, 'reservoir-dry', key)]
  // What had not shown yet when it was ended is not missed: the run never came to it.
  const shows = (f: FaultState) => !early || at >= (disturbedAt(run, f) ?? Infinity) || f.missed
  const low = !early || reservoirLevel(p, run, position, at) <= lowLevel
  return missed(stopped && shows(stopped) ? missed(p, stopped) : p, low ? dry : null)
}

function partMissing(
  p: Practice,
  { step, part }: Payloads['run.part.missing@1'],
  { at }: PracticeNow,
): Practice {
  const fault = openFault(p, 'part-missing', step)
  return fault?.of === part ? caught(p, fault, at) : alarmed(p, 'part-there', step)
}

/** A visit in time fills what runs dry; one that comes after has missed it. */
function visited(p: Practice, key: string, now: PracticeNow): Practice {
  const [fault, position] = [openFault(p, 'reservoir-dry', key), positionAt(p, now.run, key)]
  if (!fault || !position) return p
  const level = reservoirLevel(p, now.run, position, now.at)
  if (level <= 0) return missed(p, fault)
  return level <= lowLevel ? caught(p, fault, now.at, level >= lowLevel / 2) : p
}

function readingTaken(p: Practice, reading: Payloads['reading.taken@1'], now: PracticeNow): Practice {
  const position = reading.step === null ? null : positionAt(p, now.run, reading.step)
  const things = sceneOf(p, now.run, now.station, position, now.at)
  const drawn = things.find((t) => t.is === 'strip' || t.is === 'gauges')
  if (!position || !drawn) return p
  const right = isAsDrawn(drawn, reading)
  const fault = openFault(p, drawn.is === 'strip' ? 'strip-between' : 'rinse-low', position.key)
  if (!fault) return right ? p : alarmed(p, 'misread', position.key)
  const read = right ? caught(p, fault, now.at) : missed(p, fault)
  // What stands mixed elsewhere is mixed anew there: the next strip shows that.
  const elsewhere = reading.what === 'sanitizer' && !dippedIn(p.known, now.run, reading.use ?? '')?.isMixed
  return right && elsewhere ? { ...read, mended: [...read.mended, position.key] } : read
}

/** How far off a gauge may be read, in its own unit. */
const near = { '°C': 1, '°F': 2 } as const
function isAsDrawn(
  drawn: Thing & { readonly is: 'strip' | 'gauges' },
  r: Payloads['reading.taken@1'],
): boolean {
  if (drawn.is === 'strip')
    return r.what === 'sanitizer' && JSON.stringify(r.picks.strength) === JSON.stringify(drawn.strip.shows)
  const { shows } = drawn
  const same = (read: JudgedTemperature | null, shown: number | undefined) => {
    if (read === null || shown === undefined) return true
    const value = read.unit === '°F' ? toFahrenheit(celsius(shown)) : shown
    const { lo, hi } = read.reading
    return (lo ?? value) - near[read.unit] <= value && value <= (hi ?? value) + near[read.unit]
  }
  switch (r.what) {
    case 'dish-machine':
      return same(r.reading.wash, shows.wash) && same(r.reading.rinse, shows.rinse) && rinseIsRead(r, shows)
    case 'cold-product':
      return same({ unit: r.reading.unit, reading: r.reading.interval }, shows.product)
    case 'hot-water':
    case 'wash-water':
      return same(r.reading.temperature, shows.temperature)
    default:
      return true
  }
}
const rinseIsRead = (r: Payloads['reading.taken@1'] & { readonly what: 'dish-machine' }, shows: Gauges) =>
  shows.rinse === undefined || r.reading.rinse !== null

function shownNumber(p: Practice, position: Position, now: PracticeNow): number | null {
  const shown = sceneOf(p, now.run, now.station, position, now.at).find((t) => t.is === 'display')
  return shown?.value ?? null
}
const isNear = (read: unknown, shown: number | null): boolean =>
  shown === null || (typeof read === 'number' && Math.abs(read - shown) <= Math.max(0.6, shown * 0.02))
