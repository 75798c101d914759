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
  /** Minutes between two areas that `walks` leaves out; absent: they are next to each other. */
  readonly walkElse?: number | undefined
  /** The area in which a shared place stands; one left out is wherever the machine is. */
  readonly placeAreas?: Readonly<Record<string, string>> | undefined
  /** Minutes of washing hands and changing gloves after dirty work, before what must stay clean; absent: none. */
  readonly washing?: number | undefined
  /** Worked minutes that a run handed over takes more: what is done is shown; absent: none. */
  readonly handing?: number | undefined
  /** Nobody is to be the only one of these people in the building. */
  readonly neverAlone?: boolean | undefined
  /** Who holds keys, by id: one of them stays to the end. Absent: nobody need. */
  readonly keys?: readonly string[] | undefined
  /** The minute by which the manager wants everybody gone; absent: nobody said. */
  readonly closedBy?: number | undefined
  /** What the second level of the objective is made of; absent: as `weightsFor('home-soonest')`. */
  readonly weights?: PriceWeights | undefined
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
  /** Minutes of work by hand that this person did in the last seven days; absent: not counted. */
  readonly earlier?: number | undefined
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
  /** Who worked at it last, where it has begun: somebody else takes it over. */
  readonly begunBy?: string | undefined
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
  /** One task of one person: segments of the same task stay in the same hands. Absent: a task by itself. */
  readonly task?: string | undefined
  /** People who must do it together; absent: one. */
  readonly hands?: 1 | 2 | undefined
  /** What it touches first, and last: something dirty, or what must stay clean. Absent: neither. */
  readonly first?: 'dirty' | 'food' | undefined
  readonly last?: 'dirty' | 'food' | undefined
  /** Somebody else may go on after it: a clean point. */
  readonly handover?: boolean | undefined
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
  /** Who helps, where it needs two. */
  readonly helper?: string | undefined
  readonly start: number
  readonly end: number
}

/** In order: what comes first decides. */
export interface Objective {
  /** Weighted minutes late, of runs, breaks and people past their hours; what is unplaced counts as `unplacedMinutes`. */
  readonly late: number
  /** The sum of `terms` by the problem's weights, minutes. */
  readonly price: number
  /** The minute at which the last person leaves. */
  readonly last: number
  readonly terms: PriceTerms
}

/** What a plan is priced by, each before its weight. */
export interface PriceTerms {
  /** Minutes from start to departure of each. */
  readonly paid: number
  /** The minute of the last departure. */
  readonly last: number
  /** Minutes by which runs end past their aim. */
  readonly wish: number
  /** Runs that go into other hands where the procedure marks no clean point, times. */
  readonly handovers: number
  /** Minutes of walking between areas. */
  readonly walks: number
  /** Work in another area than the work before, times: a walk to the sink within one's own run is none. */
  readonly areas: number
  /** Stays of under `shortStay` minutes away from where one is, times. */
  readonly short: number
  /** Minutes from a run's first to its last task in which none runs; a wait counts its least length. */
  readonly gaps: number
  /** Half the sum over people of what they work more or less than their share, minutes. */
  readonly unfair: number
  /** Tasks otherwise than in the plan before: other hands, another neighbour, or moved by more than `movedMinutes`. */
  readonly changes: number
}
export type PriceWeights = PriceTerms

export interface Unplaced {
  readonly run: string
  /** Proved: nobody may do it, its machine is never down for long enough, there is no time left. Or pinned so; or not found. */
  readonly why: 'no-person' | 'no-window' | 'no-room' | 'pin' | 'not-found'
  /** In how many tries it was not found. */
  readonly tries?: number | undefined
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
  /** What it must break, each with its minutes. */
  readonly told: readonly Told[]
  /** When each person may leave. */
  readonly leaves: Readonly<Record<string, number>>
  readonly objective: Objective
}

/** What a plan breaks because it must: said, never hidden. Minutes of the plan. */
export type Told =
  | { readonly kind: 'break-missing'; readonly person: string; readonly id: string }
  | { readonly kind: 'break-late'; readonly person: string; readonly id: string; readonly minutes: number }
  /** The only one of tonight's people in the building. */
  | { readonly kind: 'alone'; readonly person: string; readonly from: number; readonly to: number }
  /** Nobody who is there holds keys. */
  | { readonly kind: 'no-keys'; readonly from: number; readonly to: number }
  /** Begun already, and its machine is down while it must be up. */
  | { readonly kind: 'machine-down'; readonly run: string; readonly from: number; readonly to: number }

/** What an unplaced duty or break counts as, in minutes late. */
export const unplacedMinutes = 600
/** What a minute past a person's hours weighs beside a minute late; and one alone, or without keys in the building. */
export const [overtimeWeight, aloneWeight] = [2, 2]
/** A stay of fewer minutes away from where one is. */
export const shortStay = 5
/** Minutes by which a task may move before it counts as changed. */
export const movedMinutes = 10
