import type { HuddleHeld } from './huddle.ts'
import { subject, type RulesOf } from '../stream/rules.ts'

/** Somebody stood by while a learner did a run, and says so with their own PIN. Made by the server, who asked whether they may. */
export interface RunWatched {
  readonly run: string
  readonly station: string
  /** What was done, by the id of the library's procedure. */
  readonly procedure: string
  readonly learner: string
}

/** Somebody who is signed off did a run while a learner looked on. */
export interface RunShown {
  readonly run: string
  readonly station: string
  readonly procedure: string
  readonly learner: string
}

/** Questions on a procedure, asked and marked by the server. */
export interface CheckTaken {
  readonly procedure: string
  /** Questions put, and how many were answered right. */
  readonly asked: number
  readonly right: number
  /** The share that passed then, percent. */
  readonly passPercent: number
}

/** A procedure as it stood when somebody was signed off for it. */
export interface SignedFor {
  readonly id: string
  readonly version: number
}

/** Somebody may do these by themselves: told by a lead with their own PIN. */
export interface SignedOff {
  readonly procedures: readonly SignedFor[]
  /** ISO date of the last day that it holds; null where the site lets none lapse by time. */
  readonly until: string | null
}

export const signOffEnds = ['verification', 'withdrawn'] as const
export type SignOffEnd = (typeof signOffEnds)[number]

/** A lead found the finished work wanting, or takes a sign-off back. */
export interface SignOffEnded {
  readonly procedure: string
  readonly why: SignOffEnd
  readonly note: string
}

export const paperKinds = ['food-handler', 'food-manager', 'other'] as const
export type PaperKind = (typeof paperKinds)[number]

/** A certificate that somebody holds. */
export interface PaperSet {
  /** Its own id: entered again under it, the later stands. */
  readonly paper: string
  readonly kind: PaperKind
  /** What it is called, where its kind does not say. */
  readonly name: string
  readonly number: string
  /** ISO dates; null where it does not end, or nobody has entered it. */
  readonly issued: string | null
  readonly until: string | null
  /** Its photo, by the hash of its bytes. */
  readonly photo: string | null
  /** Entered by mistake, or no longer held. */
  readonly removed: boolean
}

interface TrainingPayloads {
  'run.watched@1': RunWatched
  'run.shown@1': RunShown
  'training.checked@1': CheckTaken
  'training.signed@1': SignedOff
  'training.ended@1': SignOffEnded
  'training.paper@1': PaperSet
  'huddle.held@1': HuddleHeld
}

declare module '../stream/record.ts' {
  interface Payloads extends TrainingPayloads {}
}

const ofLearner = ({ learner }: { readonly learner: string }) => subject('training', learner)

export const trainingRecords: RulesOf<keyof TrainingPayloads> = {
  'run.watched@1': { needs: 'record', madeBy: 'signature', concerns: ofLearner },
  'run.shown@1': { needs: 'record', tap: true, concerns: ofLearner },
  'training.checked@1': { needs: 'record', madeBy: 'rights' },
  'training.signed@1': { needs: 'sign-off', madeBy: 'signature' },
  'training.ended@1': { needs: 'sign-off' },
  'training.paper@1': { needs: 'set-up-house' },
  'huddle.held@1': { needs: 'sign-shift', tap: true },
}
