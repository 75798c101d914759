import canonicalize from 'canonicalize'
import { Refusal } from '../refusal/index.ts'
import type { AnyDraft, ChainFields } from './record.ts'

/** Computes SHA-256 over UTF-8 text and returns 64 hexadecimal digits; passed in, for core has no such function of its own. */
export type Sha256 = (text: string) => string

export const noRecordBefore = '0'.repeat(64)

/** JSON in the canonical form of RFC 8785. Throws `text_unstorable` for a lone surrogate or a NUL character. */
export function canonicalText(value: unknown): string {
  let text: string | undefined
  try {
    text = canonicalize(value)
  } catch {
    throw new Refusal('text_unstorable')
  }
  if (text === undefined || text.includes('\\u0000') || /\\ud[89a-f]/i.test(text))
    throw new Refusal('text_unstorable')
  return text
}

/** The text that a record's hash is taken over: the draft plus the server's fields. */
export const recordText = (draft: AnyDraft, fields: ChainFields): string =>
  canonicalText({ ...draft, ...fields })

export interface ChainLink {
  readonly seq: number
  readonly text: string
  readonly hash: string
}

export type ChainFault = {
  readonly seq: number
  readonly why: 'gap' | 'hash' | 'prev' | 'seq' | 'unreadable'
}

export interface ChainHead {
  readonly seq: number
  readonly hash: string
}

/**
 * Checks a stretch of a chain in `seq` order that follows `head`.
 * Returns the new head, or the first fault: a missing line, an altered text, a broken link.
 */
export function verifyChain(
  links: Iterable<ChainLink>,
  sha256: Sha256,
  head: ChainHead,
): ChainHead | ChainFault {
  let { seq, hash } = head
  for (const link of links) {
    if (link.seq !== seq + 1) return { seq: seq + 1, why: 'gap' }
    if (sha256(link.text) !== link.hash) return { seq: link.seq, why: 'hash' }
    let fields: { prev?: unknown; seq?: unknown }
    try {
      fields = JSON.parse(link.text) as typeof fields
    } catch {
      return { seq: link.seq, why: 'unreadable' }
    }
    if (fields.prev !== hash) return { seq: link.seq, why: 'prev' }
    if (fields.seq !== link.seq) return { seq: link.seq, why: 'seq' }
    seq = link.seq
    hash = link.hash
  }
  return { seq, hash }
}

export const isFault = (result: ChainHead | ChainFault): result is ChainFault => 'why' in result
