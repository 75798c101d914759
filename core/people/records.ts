import type { Role } from '../rights/index.ts'
import type { RulesOf } from '../stream/rules.ts'

/** Who works at a site, and as what. */
export interface PersonSet {
  readonly name: string
  readonly role: Role
  /** What a manager signs in with from anywhere; null where they sign in by PIN alone. */
  readonly login: string | null
  /** They work here no more; what they did stays theirs. */
  readonly left: boolean
}

/** A PIN or password was set: that it was, never what it is. */
export interface SecretSet {
  readonly what: 'pin' | 'password'
  /** Somebody else chose it: it is changed when it is first used. */
  readonly toChange: boolean
  /** SHA-256 of what is kept of it, which is a salted hash itself: one that was put there by hand does not agree. */
  readonly mark: string
}

/** A browser became a tablet of the site, got another name, or is one no more. */
export interface TabletSet {
  readonly tablet: string
  readonly name: string
  readonly removed: boolean
}

interface PeoplePayloads {
  'person.set@1': PersonSet
  'person.secret@1': SecretSet
  'tablet.set@1': TabletSet
}

declare module '../stream/record.ts' {
  interface Payloads extends PeoplePayloads {}
}

export const peopleRecords: RulesOf<keyof PeoplePayloads> = {
  'person.set@1': { needs: 'set-up-house', madeBy: 'rights' },
  'person.secret@1': { needs: 'set-up-house', madeBy: 'rights' },
  'tablet.set@1': { needs: 'set-up-house', madeBy: 'rights' },
}
