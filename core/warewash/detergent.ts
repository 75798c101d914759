import { Refusal } from '../refusal/index.ts'

/** A wash tank: what it holds, and what each rack's rinse brings in and spills. mL. */
export interface WashTank {
  readonly volume: number
  readonly rinseWater: number
}

/**
 * What a rack leaves of the detergent, as a fraction: the rinse displaces its own volume before it mixes. The safer of the two
 * ways it can go; the other is `mixedFirst`. Throws `volume_is_zero`.
 */
export function leftByARack({ volume, rinseWater }: WashTank): number {
  if (volume <= 0) throw new Refusal('volume_is_zero', { field: 'tank' })
  return Math.max(0, 1 - rinseWater / volume)
}

/** The same where the rinse mixes in before as much is spilled: V / (V + v). */
export const mixedFirst = ({ volume, rinseWater }: WashTank): number => volume / (volume + rinseWater)

/** The fraction left after so many racks. */
export const leftAfter = (tank: WashTank, racks: number): number => leftByARack(tank) ** racks

/** How many racks until the fraction left is below `fraction`; 0 where it is at once, null where it never is. */
export function racksUntilBelow(tank: WashTank, fraction: number): number | null {
  const each = leftByARack(tank)
  if (fraction > 1) return 0
  if (each >= 1 || fraction <= 0) return null
  if (each === 0) return 1
  return Math.floor(Math.log(fraction) / Math.log(each) + 1e-9) + 1
}

/** A label's dose in the tank: what is aimed at and no less than, g/L. */
export interface DoseBand {
  readonly lo: number
  readonly hi: number
  readonly target: number
}

export interface HandDosePlan {
  /** Grams for a fresh tank. */
  readonly atFill: number
  /** Then so many grams every `everyRacks` racks: it brings the tank from its lowest back to the target. */
  readonly grams: number
  readonly everyRacks: number
  /** g/L just before a dose. */
  readonly lowest: number
}

/** More racks than any machine washes in a day: a tank is changed sooner, and so far nothing is looked for. */
const racksAtMost = 5000

/**
 * Detergent by hand: grams at fill, and grams every few racks, as seldom as the label's band lets it, so that the tank stays in the
 * band however long the day is. Null where no dose that can be measured would keep it there.
 * @param tool the least that can be measured well, g: doses are whole multiples of it.
 */
export function handDosePlan(tank: WashTank, band: DoseBand, tool = 1): HandDosePlan | null {
  const litres = tank.volume / 1000
  const atFill = litres * band.target
  const below = racksUntilBelow(tank, band.lo / band.target)
  // Nothing is lost: once is enough.
  if (below === null) return { atFill, grams: 0, everyRacks: 0, lowest: band.target }
  for (let everyRacks = Math.min(below - 1, racksAtMost); everyRacks >= 1; everyRacks--) {
    const left = leftAfter(tank, everyRacks)
    const lost = (band.target * (1 - left) * litres) / tool
    for (const doses of [Math.round(lost), Math.ceil(lost)]) {
      const grams = doses * tool
      // Where the tank settles, just after a dose and just before the next.
      const high = grams / (litres * (1 - left))
      const lowest = Math.min(band.target, high) * left
      if (lowest >= band.lo && high <= band.hi) return { atFill, grams, everyRacks, lowest }
    }
  }
  return null
}

/** The feed keeps up while conductivity stays above this share of its set point. Common practice, no source. */
export const keptShare = 0.85

/** Whether automatic dosing keeps up, from conductivity. */
export type DoseState = 'kept' | 'sinking' | 'empty' | 'cannot-tell'

/**
 * The detergent feed by the tank's conductivity over the last racks, mS/cm: kept while it stays near its set point; empty where it
 * falls as clear water would make it fall. Null values are not read. @param racks the conductivity after each rack, oldest first.
 */
export function doseState(tank: WashTank, setPoint: number, racks: readonly (number | null)[]): DoseState {
  const read = racks.filter((r) => r !== null)
  if (setPoint <= 0 || read.length < 3) return 'cannot-tell'
  const recent = read.slice(-6)
  const last = recent.at(-1) as number
  if (last >= setPoint * keptShare) return 'kept'
  const [first] = recent as [number]
  const each = (last / first) ** (1 / (recent.length - 1))
  const clear = leftByARack(tank)
  return each <= (1 + clear) / 2 ? 'empty' : 'sinking'
}

/** What a product's meter counted over a stretch, mL, and the racks in it. */
export interface Fed {
  readonly product: string
  readonly at: number
  readonly millilitres: number
  readonly racks: number
}

/** Racks of the last stretches that are held against what is usual, and that the usual rests on. */
const meteredRacks = { now: 6, usual: 12 } as const

/**
 * The detergent feed by its meter: what it gave each of the last racks beside what it gives as usual. Empty where nothing flowed over six
 * racks. @param fed oldest first. Common practice, no source: half of the usual is too little.
 */
export function meteredState(fed: readonly Fed[]): DoseState {
  let from = fed.length
  let racks = 0
  while (from > 0 && racks < meteredRacks.now) racks += fed[--from]?.racks ?? 0
  if (racks < meteredRacks.now) return 'cannot-tell'
  const each = (part: readonly Fed[]) =>
    part.reduce((sum, f) => sum + f.millilitres, 0) / part.reduce((sum, f) => sum + f.racks, 0)
  const last = each(fed.slice(from))
  if (last === 0) return 'empty'
  const before = fed.slice(0, from)
  if (before.reduce((sum, f) => sum + f.racks, 0) < meteredRacks.usual) return 'kept'
  return last < each(before) / 2 ? 'sinking' : 'kept'
}

/** What conductivity and meter tell together: the worse of both, where both can tell. */
export function fedState(byConductivity: DoseState, byMeter: DoseState): DoseState {
  const order = ['cannot-tell', 'kept', 'sinking', 'empty'] as const
  return order[Math.max(order.indexOf(byConductivity), order.indexOf(byMeter))] ?? 'cannot-tell'
}
