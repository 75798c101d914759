import type { ChainFault, SubjectKind } from '@tadka/core/stream'

/** What does not agree with the records, or the records with themselves. */
export type VerifyFault =
  /** The chain is broken there. */
  | { readonly what: 'chain'; readonly seq: number; readonly why: ChainFault['why'] }
  /** The head names another last record than there is. */
  | { readonly what: 'head'; readonly seq: number }
  /** A record that lies after the head. */
  | { readonly what: 'after-head'; readonly seq: number }
  /** The chain does not go through a head that is remembered elsewhere: it was cut off before it, or written anew. */
  | { readonly what: 'head-elsewhere'; readonly seq: number }
  /** A column that lists are made from says something else than the text that the hash is taken over. */
  | { readonly what: 'column'; readonly seq: number; readonly column: string }
  /** A record is not filed under what it concerns, or under what it does not. */
  | {
      readonly what: 'index'
      readonly seq: number
      readonly why: 'missing' | 'extra'
      readonly kind: SubjectKind
      readonly id: string
    }
  /** A state is not what its records make of it. */
  | { readonly what: 'state'; readonly kind: SubjectKind; readonly id: string }
  /** A photo's bytes are not those that were kept. */
  | { readonly what: 'photo'; readonly sha256: string }
  /** Somebody has another name, role, login, PIN or password than the records gave them. */
  | { readonly what: 'person'; readonly id: string }
  /** A signature names a record by a hash that it has not. */
  | { readonly what: 'signature'; readonly seq: number }

/** So many are told; where there are more, the first ones say enough. */
export const mostFaults = 50
