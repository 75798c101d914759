import type { BathMixed } from '../bath/index.ts'
import type { InstrumentChecked } from '../house/index.ts'
import type { Short } from '../procedure/index.ts'
import type { ReadingTaken } from '../reading/index.ts'
import type { Verdict } from '../rules/index.ts'
import type { PaperSet } from '../training/index.ts'
import type { Happened } from './happened.ts'

/** Another record that puts one right; both are shown. */
export interface Amendment {
  readonly at: number
  readonly by: string
  readonly reason: string
  /** The payload as it should have been. */
  readonly instead: unknown
}

/** One record on a sheet: when it was, by whom, and where it stands in the chain. */
interface Line {
  readonly record: string
  readonly seq: number
  /** Milliseconds UTC, by the server's clock. */
  readonly at: number
  readonly by: string
  readonly amended?: Amendment
}

/** A reading, what was read as it was judged. */
export interface ReadingLine extends Line {
  readonly reading: ReadingTaken
  /** Of what it was amended to, where it was; null where it was taken back. */
  readonly verdict: Verdict | null
  /** Photos taken at the same step, by the hash of their bytes. */
  readonly photos: readonly string[]
}

/** What of a run is not as it should be. */
export type RunException =
  | { readonly what: 'entered' }
  | { readonly what: 'late' }
  | { readonly what: 'unfinished' }
  | { readonly what: 'abandoned'; readonly reason: string }
  | { readonly what: 'stopped'; readonly step: string; readonly why: 'technician' | 'part-missing' }
  | { readonly what: 'begun-as-it-was'; readonly by: string; readonly reason: string }
  | ({
      readonly what: 'not-sanitized'
      readonly step: string
      readonly by: string
      readonly reason: string
    } & Short)
  | { readonly what: 'failed-first'; readonly checks: number }
  /** Begun by somebody who was not signed off for it, and nobody said that they were by. */
  | { readonly what: 'learner-alone'; readonly by: string }

/** One cleaning: from, to, who, and what its checks say all in all; null where it has none. */
export interface RunLine {
  readonly run: string
  readonly station: string
  readonly procedure: string
  readonly from: number
  readonly to: number | null
  /** Whoever did a step of it, in the order in which they came. */
  readonly by: readonly string[]
  readonly verdict: Verdict | null
  readonly readings: readonly ReadingLine[]
  readonly exceptions: readonly RunException[]
}

/** A solution that was mixed, with its strips. */
export interface BathLine extends Line {
  readonly mixed: BathMixed
  readonly readings: readonly ReadingLine[]
}

/** The racks of one dish machine: how each was judged, °C. */
export interface CycleSheet {
  readonly counts: Readonly<Record<Verdict | 'cut-short', number>>
  readonly points: readonly {
    readonly at: number
    readonly wash: number | null
    readonly rinse: number | null
    readonly verdict: Verdict
  }[]
}

/** What else happened at a station, by the type of its record. */
export interface NoteLine extends Line {
  readonly type:
    'station.stopped@1' | 'station.returned@1' | 'duty.closed@1' | 'dish.set-aside@1' | 'dish.returned@1'
  readonly payload: unknown
}

/** One thing of a day that is no cleaning and no reading: what went wrong, a pest, a fault, a sample, a round, a delivery. */
export type HappenedLine = Line &
  Happened & {
    /** Of what stands, by the hash of their bytes. */
    readonly photos: readonly string[]
  }

/** Who was the person in charge from a time on, with the certificate that they held that day; null where none was in date. */
export interface ChargeLine {
  readonly at: number
  readonly by: string
  readonly paper: Pick<PaperSet, 'kind' | 'name' | 'number' | 'until'> | null
}

/** An instrument held against what is known. */
export interface CheckLine extends Line {
  readonly checked: InstrumentChecked
}
