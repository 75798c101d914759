/** Computes SHA-256 over UTF-8 text and returns 64 hexadecimal digits; passed in, for core has no such function of its own. */
export type Sha256 = (text: string) => string

export const noRecordBefore = '0'.repeat(64)

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

/** How a record's canonical text ends: what comes after its payload, in the order of RFC 8785. */
const tail =
  /,"prev":"([0-9a-f]{64})","receivedAt":\d+,"seq":(\d+),"site":"[^"\\]*","subject":\{"id":"[^"\\]*","kind":"[^"\\]*"\},"type":"[^"\\]*"\}$/
/** No tail is longer. */
const tailMost = 600

/**
 * The place that a record's text gives itself. Read from its end, as parsing the whole of it would take longer than the hash; a
 * text of another shape is parsed. Null where that cannot be done.
 */
export function placeIn(text: string): { readonly prev: unknown; readonly seq: unknown } | null {
  const found = tail.exec(text.slice(-tailMost))
  if (found) return { prev: found[1], seq: Number(found[2]) }
  try {
    const { prev, seq } = JSON.parse(text) as { prev?: unknown; seq?: unknown }
    return { prev, seq }
  } catch {
    return null
  }
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
    const fields = placeIn(link.text)
    if (!fields) return { seq: link.seq, why: 'unreadable' }
    if (fields.prev !== hash) return { seq: link.seq, why: 'prev' }
    if (fields.seq !== link.seq) return { seq: link.seq, why: 'seq' }
    seq = link.seq
    hash = link.hash
  }
  return { seq, hash }
}

export const isFault = (result: ChainHead | ChainFault): result is ChainFault => 'why' in result
