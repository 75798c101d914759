import type { RulesOf } from '../stream/rules.ts'

export const visitKinds = ['pest', 'technician', 'other'] as const
export type VisitKind = (typeof visitKinds)[number]

/** Somebody from outside comes. Set again: put off. */
export interface VisitSet {
  readonly kind: VisitKind
  readonly company: string
  /** ISO date. */
  readonly day: string
  /** The machine that it is for; null: none. */
  readonly station: string | null
  readonly note: string
  /** The fault that it is for; absent: none. */
  readonly fault?: string
  readonly ended?: true
}

/** They were here. */
export interface VisitDone {
  /** Who came, and by which licence; empty where nobody asked for one. */
  readonly who: string
  readonly licence: string
  readonly found: string
  readonly did: string
  /** What was put out or sprayed, and where. */
  readonly products: readonly { readonly name: string; readonly where: string }[]
  /** Their report, by the hash of its photo. */
  readonly report: string | null
}

interface VisitPayloads {
  'visit.set@1': VisitSet
  'visit.done@1': VisitDone
}

declare module '../stream/record.ts' {
  interface Payloads extends VisitPayloads {}
}

export const visitRecords: RulesOf<keyof VisitPayloads> = {
  // Whoever calls a technician at night writes down when they come.
  'visit.set@1': { needs: 'record', tap: true },
  'visit.done@1': { needs: 'record', typed: true, tap: true },
}
