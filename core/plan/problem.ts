/**
 * A shift to be planned, and its plan. Times are whole minutes from `start`; `[from, to)` holds its beginning and not its
 * end. The JSON form is documented in docs/formats.md.
 */
export interface PlanProblem {
  readonly format: 'tadka-plan-problem@1'
  /** Milliseconds UTC of minute 0. */
  readonly start: number
  /** Nothing is placed past this minute. */
  readonly horizon: number
  readonly people: readonly PlanPerson[]
  readonly counters: readonly PlanCounter[]
  readonly stations: readonly PlanStation[]
  /** Of these stations at most so many may be down at once: the last ice source. */
  readonly keepUp: readonly { readonly stations: readonly string[]; readonly mostDown: number }[]
  /** How many there are of each shared place or thing: sinks, pails. One left out is plenty. */
  readonly places: Readonly<Record<string, number>>
  /** Minutes to walk between two areas, both ways alike; those left out are next to each other. */
  readonly walks?:
    readonly { readonly between: readonly [string, string]; readonly minutes: number }[] | undefined
  readonly runs: readonly PlanRun[]
  /** Runs that end before another begins: the dish machine last. */
  readonly orders: readonly { readonly before: string; readonly after: string }[]
  /** Held by somebody's decision: the run by this person, or begun at this minute. */
  readonly pins: readonly Pin[]
}

export interface Pin {
  readonly run: string
  readonly person: string | null
  readonly start: number | null
}

export interface PlanPerson {
  readonly id: string
  readonly name: string
  /** Hours: from, to. Past `to` a person is paid over and leaves late; past `most` nobody works. */
  readonly from: number
  readonly to: number
  readonly most: number
  /** Counters that this person can serve, by id. */
  readonly serves: readonly string[]
  readonly breaks: readonly PlanBreak[]
  /** The place where this person works when nothing else is on. */
  readonly home: string | null
}

export interface PlanBreak {
  readonly id: string
  readonly minutes: number
  readonly earliest: number
  readonly latest: number
}

export interface PlanCounter {
  readonly id: string
  readonly name: string
  /** How many must stay at it, over time. */
  readonly need: readonly { readonly from: number; readonly to: number; readonly people: number }[]
}

export interface PlanStation {
  readonly id: string
  readonly name: string
  readonly place: string
  /** When it must be up: no run on it then. */
  readonly up: readonly Span[]
}

export interface Span {
  readonly from: number
  readonly to: number
}

export interface PlanRun {
  readonly id: string
  readonly station: string
  readonly procedure: string
  readonly title: string
  /** Not begun before; aimed at; and past `latest` it is late. The run's end counts. */
  readonly earliest: number
  readonly target: number
  readonly latest: number
  /** What a minute late weighs. */
  readonly weight: number
  /**
   * Who may do it alone, and who may while one of those is by: in their hours, on no break, and at no work in another place.
   */
  readonly signedOff: readonly string[]
  readonly learning: readonly string[]
  readonly segments: readonly PlanSegment[]
  readonly links: readonly PlanLink[]
  /** Freshness: it ends no earlier than this, or what it made sanitary is stale before its first use. */
  readonly endsFrom: number
}

export interface PlanSegment {
  readonly id: string
  readonly title: string
  readonly kind: 'hands-on' | 'wait'
  /** Of work, or the least of a wait; a wait holds its places on until what comes after it has begun. */
  readonly minutes: number
  /** Of work, by person, for those who are known to take other minutes. */
  readonly minutesBy?: Readonly<Record<string, number>> | undefined
  /** The most of a wait, or null where it may last. */
  readonly most: number | null
  readonly places: readonly string[]
  /** Begun already, or so near that it stays: by whom, and when. */
  readonly fixed?: { readonly person: string | null; readonly start: number } | undefined
}

/** Minutes that a segment takes in somebody's hands; null is nobody's. */
export const segmentMinutes = ({ minutes, minutesBy }: PlanSegment, person: string | null): number =>
  person === null ? minutes : (minutesBy?.[person] ?? minutes)

/** `to` begins at least `least` and at most `most` minutes after `from` ends. */
export interface PlanLink {
  readonly from: string
  readonly to: string
  readonly least: number
  readonly most: number | null
}

export interface Placed {
  readonly run: string
  readonly segment: string
  /** Null for a wait. */
  readonly person: string | null
  /** Who is by, where the person is still learning. */
  readonly by?: string | undefined
  readonly start: number
  readonly end: number
}

/** In order: what comes first decides. */
export interface Objective {
  /** Weighted minutes late, of runs, breaks and people past their hours; an unplaced duty counts as `unplacedMinutes`. */
  readonly late: number
  /** The minute at which the last person leaves. */
  readonly last: number
  /** The sum of all departures. */
  readonly departures: number
  /** Idle, handovers, unfairness, walking, changes: weighted by `softWeights`. */
  readonly soft: number
}

export interface Unplaced {
  readonly run: string
  readonly why: 'no-person' | 'no-window' | 'no-room' | 'pin'
}

export interface Plan {
  readonly format: 'tadka-plan@1'
  readonly placed: readonly Placed[]
  readonly breaks: readonly {
    readonly person: string
    readonly id: string
    readonly start: number
    readonly end: number
  }[]
  readonly unplaced: readonly Unplaced[]
  /** When each person may leave. */
  readonly leaves: Readonly<Record<string, number>>
  readonly objective: Objective
}

/** What an unplaced duty counts as, in minutes late. */
export const unplacedMinutes = 600
/** What a minute past a person's hours weighs beside a minute late. */
export const overtimeWeight = 2
/** What the third level of the objective is made of. */
export const softWeights = {
  /** A minute of standing by between two pieces of one's work. */
  idle: 1,
  /** Another person goes on with a run. */
  handover: 6,
  /** A minute between the one who cleans most and the one who cleans least. */
  unfair: 0.5,
  /** Going to another place. */
  walk: 2,
  /** A piece moved or given to somebody else, against the plan before. */
  change: 3,
  /** A run that ends past its target, a minute. */
  pastTarget: 0.05,
} as const
