import type { Interval, Millilitres } from '../quantity/index.ts'
import type { Measure } from './measures.ts'

export interface Bath {
  /** Null where nobody knows how much is in it. */
  readonly volume: Millilitres | null
  /** What the vessel holds; null where nobody knows. */
  readonly capacity: Millilitres | null
  /** What it reads, mg/L; no upper end where the reading is open above. */
  readonly reading: Interval
  /** Why correcting would be unsafe, if it would. */
  readonly spoiled?: 'soiled' | 'old' | 'cold' | 'detergent' | undefined
}

export type Move = 'none' | 'strengthen' | 'weaken' | 'drain-refill' | 'remix'

/** Why it is mixed anew, where it is. */
export type Anew =
  | 'spoiled'
  | 'no-room'
  | 'reading-too-wide'
  | 'tool-too-coarse'
  | 'no-tool'
  | 'volume-unknown'
  | 'strength-unknown'

export interface Correction {
  readonly move: Move
  /** What to add now, or for drain-refill to drain and put back as water. Zero for none and remix. */
  readonly amount: number
  /** `share`: a part of the bath, where nobody knows how much is in it. */
  readonly unit: Measure['unit'] | 'share'
  /** What it is measured with; null where that is no tool of the site's. */
  readonly tool: string | null
  /** What the bath will then read, mg/L. Null for remix. */
  readonly after: Interval | null
  /** Whether that lies in the band whatever the bath reads now, within the reading; where not, it is a first part, then a test. */
  readonly safe: boolean
  readonly why: 'already-in' | 'fits' | 'first-part' | Anew
}

/** mg/L, both ends known. */
export interface Band {
  readonly lo: number
  readonly hi: number
}

export const anew = (why: Anew): Correction => ({
  move: 'remix',
  amount: 0,
  unit: 'mL',
  tool: null,
  after: null,
  safe: false,
  why,
})
