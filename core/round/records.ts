import type { StaffRole } from '../rights/index.ts'
import { subject, type RulesOf } from '../stream/rules.ts'
import type { UsualPoint } from './usual.ts'

/** What is looked at: something usual, something in the site's own words, or a station that is read. */
export type PointAsk =
  | { readonly kind: 'usual'; readonly what: UsualPoint }
  | { readonly kind: 'own'; readonly say: string }
  | { readonly kind: 'read'; readonly station: string }

export interface RoundPoint {
  readonly id: string
  /** Where, as stations name their areas. */
  readonly area: string
  readonly ask: PointAsk
}

/** By when in the trading day it is walked. */
export const roundTimes = ['opening', 'closing', 'day'] as const
export type RoundTime = (typeof roundTimes)[number]

/** A round as the site made it. Set again: changed. */
export interface RoundSet {
  readonly name: string
  /** Whose it is: they and those above them walk it. */
  readonly who: StaffRole
  /** ISO weekdays of trading days. */
  readonly days: readonly number[]
  readonly when: RoundTime
  /** In the order they are come to. */
  readonly points: readonly RoundPoint[]
  /** It is walked no more. */
  readonly ended?: true
}

/** Somebody sets out. */
export interface WalkBegun {
  readonly walk: string
}

/** One point was looked at. Told again, the later counts. */
export interface WalkLooked {
  readonly walk: string
  readonly point: string
  readonly area: string
  /** What was asked, as it was then. */
  readonly ask: PointAsk
  readonly fine: boolean
  /** What is wrong; empty where it is fine. */
  readonly said: string
  readonly photo: string | null
  /** The record of the reading that it is judged by, where the point is one; null for all others. */
  readonly reading: string | null
}

/** The round is over. */
export interface WalkEnded {
  readonly walk: string
  /** Why points were left out; null where none was. */
  readonly left: string | null
}

interface RoundPayloads {
  'round.set@1': RoundSet
  'walk.begun@1': WalkBegun
  'walk.looked@1': WalkLooked
  'walk.ended@1': WalkEnded
}

declare module '../stream/record.ts' {
  interface Payloads extends RoundPayloads {}
}

export const roundRecords: RulesOf<keyof RoundPayloads> = {
  'round.set@1': { needs: 'set-up-house', tap: true },
  'walk.begun@1': { needs: 'record', tap: true },
  'walk.looked@1': { needs: 'record', typed: true, tap: true },
  'walk.ended@1': { needs: 'record', tap: true },
}

/** The station that a look needs to be judged by, beside its round. */
export const stationLookedAt = ({ ask }: WalkLooked) =>
  subject('station', ask.kind === 'read' ? ask.station : null)
