import canonicalize from 'canonicalize'
import { Refusal } from '../refusal/index.ts'
import type { AnyDraft, ChainFields } from './record.ts'

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
