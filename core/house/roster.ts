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

/** How somebody new begins: cleans alone, with somebody by, or nothing yet. */
export const beginsAs = ['everything', 'learning', 'nothing'] as const

/** What somebody new may do: all that stands at a site, alone or with somebody by, and every counter. @param families of its machines. */
export const newCrew = (
  begins: (typeof beginsAs)[number],
  families: readonly string[],
  counters: readonly string[],
): CrewSet => ({
  signedOff: begins === 'everything' ? families : [],
  learning: begins === 'learning' ? families : [],
  serves: counters,
  home: null,
})

/** What a person is signed off for, by procedure or by family of machines, and where they serve. */
export interface CrewSet {
  readonly signedOff: readonly string[]
  readonly learning: readonly string[]
  /** Counters by id. */
  readonly serves: readonly string[]
  readonly home: string | null
  /** Holds keys: may be the last to leave. */
  readonly keys?: boolean | undefined
}
