import type { TemperatureReading } from '../quantity/index.ts'
import { subject, type RulesOf } from '../stream/rules.ts'
import type { IncidentKind } from './kinds.ts'

/** Something went wrong of a sudden, and what it touches is out of service from then on. */
export interface IncidentOpened {
  readonly kind: IncidentKind
  /** The one station that it is about; null where it is about no single one. */
  readonly station: string | null
  /** Where, in words; empty where nobody said. */
  readonly place: string
  /** Stations that are out of service by it. */
  readonly stations: readonly string[]
  /** What each of them is worked through before it comes back; null where it waits for water, power or a word first. */
  readonly cleans: Readonly<Record<string, readonly string[]>> | null
}

/** Everybody is out and counted: only then anything else is done. */
export interface EverybodyCounted {
  readonly out: readonly string[]
  /** Were not at work. */
  readonly notHere: readonly string[]
  /** Guests, suppliers, anybody else, in words. */
  readonly others: string
}

/** When the water was last known to be good, ms UTC; null: nobody knows. */
export interface KnownGood {
  readonly at: number | null
}

/** The product that splashed, or whose label says how long its contact is. */
export interface IncidentProduct {
  readonly product: string
}

/** Something of the list was done. */
export interface IncidentDone {
  readonly task: string
  /** The station that it was done at, where it was at one. */
  readonly station: string | null
  /** Food that the log does not follow, by its name. */
  readonly food?: string
  /** What was read, and since when it was warm, ms UTC; null: nobody knows; absent: it was cold throughout. */
  readonly read?: TemperatureReading
  readonly warmSince?: number | null
  /** In doubt, and not thrown out: why, in `note`. */
  readonly kept?: true
  /** Cold food that was thrown out; absent, it may have been used up in time. */
  readonly thrownOut?: true
  readonly note: string
  readonly photo: string | null
}

/** Back, lifted, cleared: what was stopped may be made ready again. */
export interface IncidentOver {
  /** When, ms UTC. */
  readonly at: number
  readonly cleans: Readonly<Record<string, readonly string[]>>
}

/** Whether work stopped under 8-404.11: an interruption that was not an extended one did not stop it. */
export interface ExtentTold {
  readonly stopped: boolean
  readonly reason: string
}

/** What work may begin again by: the authority's word, or its written plan that was on file. */
export interface IncidentApproved {
  readonly way: 'authority' | 'plan'
  /** Who of the authority approved; who was told, where it is the plan. */
  readonly who: string
  readonly at: number
  readonly photo: string | null
  /** The plan's conditions that are met. */
  readonly conditions: readonly string[]
}

/** Stations come back; the last of them, or none at all, ends it. Made by the server, which looked its list through. */
export interface IncidentReopened {
  readonly stations: readonly string[]
  readonly ends: boolean
}

/** It was none: all stations are as they were. */
export interface FalseAlarm {
  readonly stations: readonly string[]
  readonly reason: string
}

interface IncidentPayloads {
  'incident.opened@1': IncidentOpened
  'incident.counted@1': EverybodyCounted
  'incident.known-good@1': KnownGood
  'incident.product@1': IncidentProduct
  'incident.done@1': IncidentDone
  'incident.over@1': IncidentOver
  'incident.extent@1': ExtentTold
  'incident.approved@1': IncidentApproved
  'incident.reopened@1': IncidentReopened
  'incident.false-alarm@1': FalseAlarm
}

declare module '../stream/record.ts' {
  interface Payloads extends IncidentPayloads {}
}

const stationsIn = (ids: readonly string[]) => ids.flatMap((id) => subject('station', id))

export const incidentRecords: RulesOf<keyof IncidentPayloads> = {
  'incident.opened@1': { needs: 'record', concerns: ({ stations }) => stationsIn(stations) },
  'incident.counted@1': { needs: 'record' },
  'incident.known-good@1': { needs: 'record' },
  'incident.product@1': { needs: 'record' },
  'incident.done@1': { needs: 'record', tap: true },
  'incident.over@1': { needs: 'close-case', concerns: ({ cleans }) => stationsIn(Object.keys(cleans)) },
  'incident.extent@1': { needs: 'close-case' },
  'incident.approved@1': { needs: 'close-case' },
  'incident.reopened@1': {
    ...{ needs: 'close-case', madeBy: 'signature' },
    concerns: ({ stations }) => stationsIn(stations),
  },
  'incident.false-alarm@1': { needs: 'close-case', concerns: ({ stations }) => stationsIn(stations) },
}
