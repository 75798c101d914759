import type { ColdKept } from '../cold/index.ts'
import type { Counted, StationSet } from '../house/station.ts'
import type { Verdict } from '../rules/index.ts'
import type { Facets } from './facets.ts'
import type { Compartment } from './language.ts'
import type { LaneGroups } from './lanes.ts'
import type { MixChange } from './mix-change.ts'
import type { RunState, Short } from './run-state.ts'
import type { Closure } from './station-closed.ts'

export interface LastRun {
  readonly run: string
  readonly finishedAt: number
  readonly by: string
  /** The counters as they stood then. */
  readonly counts?: Readonly<Partial<Record<Counted, number>>>
  /** Entered later, not seen on the tablet. */
  readonly entered?: boolean
}

/** What a step or a wait found before it changed the station: what taking it back restores. */
export interface Before {
  readonly facets: Partial<Facets>
  readonly sanitizedAt: number | null
  readonly lanes: LaneGroups
}

/** Not in service: since when, why, and what was done about it. */
export interface OutOfService {
  readonly since: number
  readonly by: string
  readonly why: 'technician' | 'part-missing' | 'reported'
  readonly run: string | null
  readonly step: string | null
  /** The choice of the inspection, the part, or the reason in words. */
  readonly what: string
}

/** "Keep an eye on it", as an inspection said it. */
export interface Watched {
  readonly at: number
  readonly by: string
  readonly choice: string
}

/** What a run put into a machine, by ids. */
export interface Holds {
  readonly mixes: readonly string[]
  readonly reruns: readonly string[]
  /** The run's step that said so; taken back, it is as it was before. */
  readonly step: string
  readonly before: Pick<Holds, 'mixes' | 'reruns'> | null
}

export interface Filled {
  readonly at: number
  readonly step: string
  readonly before: number | null
}

/** A number that a run read off the machine. */
export interface ReadOff {
  readonly at: number
  readonly step: string
  readonly value: number
  readonly verdict: Verdict | null
}

/** A station: what it is, what state it is in, what runs on it, and when each procedure was last done. */
export interface StationState {
  readonly id: string
  readonly plate: StationSet | null
  readonly facets: Facets
  /** When it was last sanitized, milliseconds UTC. */
  readonly sanitizedAt: number | null
  readonly currentRun: { readonly run: string; readonly procedure: string; readonly startedAt: number } | null
  /** The runs on it that have not ended, by id, as far as the station's state depends on them. */
  readonly runs: Readonly<Record<string, RunState>>
  readonly lanes: Readonly<Record<string, LaneGroups>>
  /** By run and step key, for the runs on it. */
  readonly before: Readonly<Record<string, Readonly<Record<string, Before>>>>
  readonly lastRuns: Readonly<Record<string, LastRun>>
  /** Runs that ended with a contact time too short, by procedure, until it is done as it must. */
  readonly notSanitized: Readonly<
    Record<string, Short & { readonly run: string; readonly at: number; readonly by: string }>
  >
  readonly outOfService: OutOfService | null
  /** When it was not in service and is again, the newest last, ms UTC; absent where it never was. */
  readonly downs?: readonly { readonly from: number; readonly to: number }[]
  /** What went wrong at the site and touches it; absent where nothing does. */
  readonly closures?: readonly Closure[]
  /** The mixes that were put in last, and the kept containers among them; absent where nobody said. */
  readonly holds?: Holds
  /** Numbers read off it by what was read, the newest last: a burr's zero, a flow number. */
  readonly readOff?: Readonly<Record<string, readonly ReadOff[]>>
  /** When each compartment of a sink was last filled, and by which step of a run; what it was before that. */
  readonly compartments?: Readonly<Partial<Record<Compartment, Filled>>>
  /** The next mix has other allergens: it is cleaned fully first. */
  readonly mixChange?: MixChange
  /** The machine's own numbers as a run counted them, by their names on the plate; the plate goes before. */
  readonly counted?: Readonly<Record<string, number>>
  /** When every part was last counted in, milliseconds UTC; null where it never was. */
  readonly countedAt: number | null
  /** What inspections said to keep an eye on, by procedure and step, the newest last, since it was fine. */
  readonly watched: Readonly<Record<string, readonly Watched[]>>
  /** Duties of days gone by that were closed with a reason, by procedure and day. */
  readonly closed: Readonly<
    Record<string, { readonly reason: string; readonly by: string; readonly at: number }>
  >
  /** What inspections found and nobody has dealt with yet. */
  readonly followUps: readonly FollowUp[]
  /** Counters as last read. */
  readonly counts: Readonly<Partial<Record<Counted, { readonly total: number; readonly at: number }>>>
  /** Signs seen and not yet dealt with by the procedure that answers them. */
  readonly signs: readonly { readonly sign: string; readonly at: number; readonly by: string }[]
  /** The wash water of a sink as last read, °C: from and to, and the verdict; null where it was never read. */
  readonly washWater: {
    readonly at: number
    readonly celsius: { readonly lo: number | null; readonly hi: number | null } | null
    readonly verdict: Verdict
  } | null
  /** How it was last read, whatever was read; absent where it never was. */
  readonly lastRead?: { readonly record: string; readonly at: number; readonly verdict: Verdict }
  /** Where food is kept cold: how it was last read; absent where it never was. */
  readonly cold?: ColdKept
  /** Since when it is laid up; null while it is in service. */
  readonly laidUp: { readonly since: number; readonly reason: string } | null
}

/** Something that an inspection asks for: a seal replaced, a bearing regreased, a technician called. */
export interface FollowUp {
  readonly run: string
  readonly step: string
  readonly choice: string
  readonly outcome: 'regrease' | 'replace' | 'technician'
  readonly at: number
  readonly by: string
}

/** The name under which a closed duty of a day is kept. */
export const closedKey = (procedure: string, day: string): string => `${procedure} ${day}`
