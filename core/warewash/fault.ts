import { directionOf, type Trend } from './drift.ts'
import type { DoseState } from './detergent.ts'
import type { Mark } from './dish.ts'
import type { RejectSign } from './records.ts'

/** What a pattern of cycles points at. */
export type Fault =
  | 'low-tank'
  | 'cold-feed'
  | 'booster-behind'
  | 'scaled-booster'
  | 'element-out'
  | 'clogged-arm'
  | 'low-pressure'
  | 'detergent-empty'
  | 'sanitizer-weak'
  | 'sanitizer-strong'
  | 'probe-stuck'
  | 'stream-gaps'
  | 'ware-soiled'
  | 'rinse-aid-low'
  | 'suds-left'

/** Who may do something about it. */
export type Fixer = 'crew' | 'manager' | 'licensed-trade'

export interface Likely {
  readonly fault: Fault
  /** What is looked at first, in order. Keys of sentences. */
  readonly look: readonly string[]
  readonly who: Fixer
}

/** What the diagnosis reads of a cycle. */
export type Seen = Pick<
  Mark,
  'washLow' | 'rinseLow' | 'rinseHigh' | 'pressureLow' | 'pressureHigh' | 'missing' | 'stuck'
>

export interface Pattern {
  /** The last cycles, oldest first. */
  readonly cycles: readonly Seen[]
  /** Racks in the last hour beside the plate's; null where the plate does not say. */
  readonly rate: { readonly racks: number; readonly rated: number | null }
  readonly limits: {
    readonly wash: number
    readonly rinse: number
    readonly pressureLow: number
    readonly pressureHigh: number
  }
  /** Rinse by day. */
  readonly rinseTrend: Trend | null
  readonly detergent: DoseState
  /** How the sanitizer lay at the rack when it was last tested; null where it was in, or was not. */
  readonly sanitizer: 'weak' | 'strong' | null
  /** Pieces sent back at inspection of late, by what for. */
  readonly rejects: Readonly<Partial<Record<RejectSign, number>>>
}

/** So many pieces of one kind of late are no accident. Common practice, no source. */
const rejectsTold = 3
const ofRejects = { soil: 'ware-soiled', suds: 'suds-left', spots: 'rinse-aid-low' } as const

const who: Record<Fault, Fixer> = {
  'low-tank': 'crew',
  'cold-feed': 'manager',
  'booster-behind': 'crew',
  'scaled-booster': 'crew',
  'element-out': 'licensed-trade',
  'clogged-arm': 'crew',
  'low-pressure': 'manager',
  'detergent-empty': 'crew',
  'sanitizer-weak': 'crew',
  'sanitizer-strong': 'manager',
  'probe-stuck': 'manager',
  'stream-gaps': 'manager',
  'ware-soiled': 'crew',
  'rinse-aid-low': 'crew',
  'suds-left': 'crew',
}

const look: Record<Fault, readonly string[]> = {
  'low-tank': ['overflow-tube', 'drain-ajar', 'fill-level'],
  'cold-feed': ['feed-tap', 'house-water'],
  'booster-behind': ['slow-down', 'booster-lamp'],
  'scaled-booster': ['delime', 'water-softener'],
  'element-out': ['booster-lamp', 'breaker-once'],
  'clogged-arm': ['rinse-nozzles', 'strainers-in-place'],
  'low-pressure': ['supply-valve', 'regulator'],
  'detergent-empty': ['detergent-drum', 'pick-up-tube'],
  'sanitizer-weak': ['sanitizer-drum', 'pick-up-tube', 'prime-feed'],
  'sanitizer-strong': ['dosing-setting', 'rinse-nozzles'],
  'probe-stuck': ['probe-plug', 'hand-thermometer'],
  'stream-gaps': ['gateway-power', 'wifi'],
  'ware-soiled': ['rack-loading', 'wash-nozzles', 'strainers-in-place', 'detergent-drum'],
  'rinse-aid-low': ['rinse-aid-drum', 'rinse-nozzles', 'water-softener'],
  'suds-left': ['pre-soak-rinsed', 'dosing-setting', 'rinse-nozzles'],
}

const middleOf = (values: readonly (number | null)[]): number | null => {
  const read = values.filter((v) => v !== null).sort((a, b) => a - b)
  return read[read.length >> 1] ?? null
}

/** °C from four racks to the next four: no scale grows so fast. */
const sudden = 5

/** °C more within a rinse than in the first racks of those looked at. */
const steeper = 3

/** How far the manifold falls within a rinse, °C: the middle of some cycles. */
const spreadOf = (cycles: readonly Seen[]): number =>
  middleOf(
    cycles.map((c) => (c.rinseHigh === null || c.rinseLow === null ? null : c.rinseHigh - c.rinseLow)),
  ) ?? 0

/** The greatest fall between the middle of four racks and that of the four after. */
function greatestFall(rinses: readonly (number | null)[]): number {
  let most = 0
  for (let i = 4; i + 4 <= rinses.length; i++) {
    const [before, then] = [middleOf(rinses.slice(i - 4, i)), middleOf(rinses.slice(i, i + 4))]
    if (before !== null && then !== null) most = Math.max(most, before - then)
  }
  return most
}

/**
 * The likely causes of what the last cycles show, the likeliest first; empty where nothing is odd. A likely cause is where to look
 * first and no finding: manual and licensed trades decide. Common practice, no source: what each pattern points at.
 */
export function likelyFaults(p: Pattern): Likely[] {
  const found: Fault[] = []
  if (p.sanitizer) found.push(`sanitizer-${p.sanitizer}`)
  const last = p.cycles.slice(-4)
  if (last.length > 0) found.push(...fromCycles(p, last))
  for (const [sign, fault] of Object.entries(ofRejects))
    if ((p.rejects[sign as RejectSign] ?? 0) >= rejectsTold) found.push(fault)
  return found.map((fault) => ({ fault, look: look[fault], who: who[fault] }))
}

function fromCycles(p: Pattern, last: readonly Seen[]): Fault[] {
  const found: Fault[] = []
  const wash = last.map((c) => c.washLow)
  const rinse = middleOf(last.map((c) => c.rinseLow))
  const low = middleOf(last.map((c) => c.pressureLow))
  const high = middleOf(last.map((c) => c.pressureHigh))
  if (last.some((c) => c.stuck)) found.push('probe-stuck')
  if (last.filter((c) => c.missing > 5).length > 1) found.push('stream-gaps')
  // Low water shuts the tank's heater off: a cold tank is often a low tank.
  const washNow = wash.at(-1) ?? null
  if (washNow !== null && washNow < p.limits.wash) found.push('low-tank')
  if (rinse !== null && rinse < p.limits.rinse + 1) {
    const hurried = p.rate.rated !== null && p.rate.racks > p.rate.rated
    const sinksByDays = p.rinseTrend !== null && directionOf(p.rinseTrend) === 'falls'
    if (hurried) found.push('booster-behind')
    // Cold feed water shows within the rinse: it begins well and falls steeply.
    if (spreadOf(last) - spreadOf(p.cycles.slice(0, 4)) > steeper) found.push('cold-feed')
    else if (greatestFall(p.cycles.map((c) => c.rinseLow)) > sudden) found.push('element-out')
    else if (sinksByDays) found.push('scaled-booster')
    else if (!hurried) found.push('cold-feed')
  }
  // A blocked arm holds the water back: the pressure before it rises; a shut valve lets it fall.
  if (high !== null && high > p.limits.pressureHigh) found.push('clogged-arm')
  if (low !== null && low < p.limits.pressureLow) found.push('low-pressure')
  if (p.detergent === 'empty') found.push('detergent-empty')
  return found
}
