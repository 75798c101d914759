import { subject, type RulesOf } from '../stream/rules.ts'

export const faultKinds = [
  'leak',
  'noise',
  'not-cold',
  'not-hot',
  'no-water',
  'electric',
  'message',
  'worn',
  'other',
] as const
export type FaultKind = (typeof faultKinds)[number]

/** Whether it may be worked with: as ever, with care, or not at all. */
export const faultWorks = ['yes', 'care', 'no'] as const
export type FaultWorks = (typeof faultWorks)[number]

/** Something is wrong with a machine. Where it may not be worked with, the machine is out of service from then on. */
export interface FaultSeen {
  readonly station: string
  readonly kind: FaultKind
  readonly works: FaultWorks
  readonly said: string
  readonly photo: string | null
}

/** Somebody was called about it. */
export interface FaultCalled {
  /** In whose history it stands; absent in records of before calls had one. */
  readonly station?: string
  readonly company: string
  readonly phone: string
  /** Who spoke there, and what they said. */
  readonly answer: string
  /** Their visit, where they come; null: they do not. */
  readonly visit: string | null
}

export interface FaultPart {
  readonly name: string
  /** The spare of the site that it was; null: they brought it. */
  readonly spare: string | null
  readonly count: number
  /** Of all of them, in the site's own money; null where nobody has said. */
  readonly price: number | null
}

/** It was mended. That gives no machine back to service. */
export interface FaultMended {
  readonly station: string
  readonly who: string
  readonly did: string
  readonly parts: readonly FaultPart[]
  /** For work and way, in the site's own money; null where nobody has said. */
  readonly labour: number | null
  /** Paid by warranty. */
  readonly warranty: boolean
}

/** It was none, or is none any more. */
export interface FaultDropped {
  readonly reason: string
}

interface FaultPayloads {
  'fault.seen@1': FaultSeen
  'fault.called@1': FaultCalled
  'fault.mended@1': FaultMended
  'fault.dropped@1': FaultDropped
}

declare module '../stream/record.ts' {
  interface Payloads extends FaultPayloads {}
}

/** It stands in the machine's own history. */
const ofStation = ({ station }: { readonly station: string }) => subject('station', station)

export const faultRecords: RulesOf<keyof FaultPayloads> = {
  'fault.seen@1': { needs: 'record', typed: true, tap: true, concerns: ofStation },
  'fault.called@1': {
    ...{ needs: 'record', typed: true, tap: true },
    concerns: ({ station }) => (station === undefined ? [] : subject('station', station)),
  },
  'fault.mended@1': { needs: 'record', typed: true, tap: true, concerns: ofStation },
  'fault.dropped@1': { needs: 'close-case', tap: true },
}
