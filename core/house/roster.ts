import type { LocalTime } from './site.ts'

/** Who works on one trading day, from when to when. */
export interface RosterSet {
  /** ISO date of the trading day. */
  readonly day: string
  readonly shifts: readonly RosterShift[]
}

export interface RosterShift {
  readonly person: string
  readonly from: LocalTime
  readonly to: LocalTime
  /** A break of so many minutes, begun between these. */
  readonly breaks: readonly {
    readonly minutes: number
    readonly earliest: LocalTime
    readonly latest: LocalTime
  }[]
  /** Reported sick, or not come. */
  readonly away?: boolean
}

/** What a person is signed off for, by procedure or by family of machines, and where they serve. */
export interface CrewSet {
  readonly signedOff: readonly string[]
  readonly learning: readonly string[]
  /** Counters by id. */
  readonly serves: readonly string[]
  readonly home: string | null
}
