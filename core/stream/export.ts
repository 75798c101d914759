import { canonicalText } from './canonical.ts'
import {
  isFault,
  noRecordBefore,
  verifyChain,
  type ChainFault,
  type ChainHead,
  type Sha256,
} from './chain.ts'

/** A site's records in a file: the whole log from its first, or the stretch in which a pack's days lie. */
export interface ExportFile {
  readonly format: 'tadka-log' | 'tadka-pack'
  readonly site: string
  readonly records: readonly Readonly<Record<string, unknown>>[]
  /** Where the chain ended when it was made; only in a pack. */
  readonly head?: ChainHead
}

/** What a file of records says of itself. */
export interface ExportReport {
  /** Records that follow on, from the first of the file. */
  readonly records: number
  /** Places in the chain; null where the file has no record. */
  readonly first: number | null
  readonly last: ChainHead | null
  readonly fault: ChainFault | { readonly why: 'head'; readonly seq: number } | null
  /** Of the heads given, those that lie in the file and that it does not go through. */
  readonly missed: readonly ChainHead[]
  /** How many of the heads given lie in the file. */
  readonly held: number
}

/**
 * Follows the records of a file without any database: each as it was written, each after the one before. Whoever makes a file anew from
 * the first record on can make it whole: then only heads that were kept elsewhere tell. @param heads where the chain ended once.
 */
export function verifyExport(
  file: ExportFile,
  sha256: Sha256,
  heads: readonly ChainHead[] = [],
): ExportReport {
  const links = file.records.map(({ hash, ...record }) => ({
    seq: Number(record['seq']),
    text: canonicalText(record),
    hash: String(hash),
  }))
  const [first, last] = [links[0], links.at(-1)]
  if (!first || !last) return { records: 0, first: null, last: null, fault: null, missed: [], held: 0 }
  const begin =
    file.format === 'tadka-log'
      ? { seq: 0, hash: noRecordBefore }
      : { seq: first.seq - 1, hash: String(file.records[0]?.['prev']) }
  const result = verifyChain(links, sha256, begin)
  const hashes = new Map(links.map((l) => [l.seq, l.hash]))
  const inside = heads.filter((h) => hashes.has(h.seq))
  const missed = inside.filter((h) => hashes.get(h.seq) !== h.hash)
  const told = { first: first.seq, missed, held: inside.length }
  if (isFault(result)) return { ...told, records: result.seq - begin.seq - 1, last: null, fault: result }
  const { head } = file
  const isEnd = head === undefined || head.seq > result.seq || head.hash === result.hash
  const fault = isEnd ? null : ({ why: 'head', seq: head.seq } as const)
  return { ...told, records: links.length, last: result, fault }
}
