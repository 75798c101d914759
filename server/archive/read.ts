import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { createInterface } from 'node:readline'
import { pipeline } from 'node:stream'
import { createGunzip } from 'node:zlib'
import {
  archiveEnd,
  archiveHead,
  archivePhoto,
  archiveRecord,
  checkDraft,
  type ArchiveHead,
} from '@tadka/contract/record'
import { Refusal } from '@tadka/core/refusal'
import { canonicalText, noRecordBefore, type AnyRecord } from '@tadka/core/stream'
import { draftOf, sha256 } from '../stream/append.ts'

/** Why an archive is not taken, and at which of its lines. */
export class BadArchive extends Error {
  readonly line: number
  constructor(line: number, why: string) {
    super(`line ${line}: ${why}`)
    this.line = line
  }
}

export interface ArchivedRecord {
  readonly record: AnyRecord
  readonly text: string
  readonly hash: string
}
export interface ArchivedPhoto {
  readonly sha256: string
  readonly receivedAt: number
  readonly bytes: Buffer
}
export type ArchiveLine =
  { readonly head: ArchiveHead } | { readonly record: ArchivedRecord } | { readonly photo: ArchivedPhoto }

/**
 * Reads an archive line by line, and follows its chain as it goes: whatever it hands out is as it was written. Throws `BadArchive` with
 * the line at the first that is not: no JSON, a record that was altered, left out, added or moved, a photo that is not what its name was
 * taken over, an end that is missing.
 */
export async function* readArchive(file: string): AsyncGenerator<ArchiveLine> {
  let number = 0
  let [seq, hash, photos] = [0, noRecordBefore, 0]
  let head: ArchiveHead | null = null
  let isOver = false
  for await (const text of linesOf(file)) {
    number++
    if (isOver) throw new BadArchive(number, 'it goes on after its end')
    const line = parsed(text, number)
    if (!head) {
      const found = archiveHead.safeParse(line)
      if (!found.success) throw new BadArchive(number, 'no archive of Tadka begins so')
      head = found.data
      yield { head }
    } else if ('record' in line) {
      const found = archiveRecord.safeParse(line)
      if (!found.success) throw new BadArchive(number, 'no record')
      const record = found.data.record as unknown as AnyRecord
      const asWritten = textIn(text, found.data.hash)
      const written = asWritten ?? canonicalText(found.data.record)
      if (record.seq !== seq + 1) throw new BadArchive(number, `record ${seq + 1} is missing`)
      if (record.site !== head.site) throw new BadArchive(number, `record ${record.seq} is of another site`)
      if (record.prev !== hash)
        throw new BadArchive(number, `record ${record.seq} does not follow on the one before it`)
      if (asWritten === null && sha256(written) !== found.data.hash)
        throw new BadArchive(number, `record ${record.seq} was altered`)
      if (!isSound(record))
        throw new BadArchive(number, `record ${record.seq} holds what no record of its kind does`)
      ;[seq, hash] = [record.seq, found.data.hash]
      yield { record: { record, text: written, hash } }
    } else if ('photo' in line) {
      const found = archivePhoto.safeParse(line)
      if (!found.success) throw new BadArchive(number, 'no photo')
      const bytes = Buffer.from(found.data.bytes, 'base64')
      if (createHash('sha256').update(bytes).digest('hex') !== found.data.photo)
        throw new BadArchive(number, `photo ${found.data.photo} was altered`)
      photos++
      yield { photo: { sha256: found.data.photo, receivedAt: found.data.receivedAt, bytes } }
    } else if (archiveEnd.safeParse(line).success) isOver = true
    else throw new BadArchive(number, 'neither a record nor a photo')
  }
  if (!head) throw new BadArchive(1, 'it is empty')
  if (!isOver) throw new BadArchive(number, 'its end is missing')
  if (seq !== head.head.seq || hash !== head.head.hash || seq !== head.records)
    throw new BadArchive(number, `its last record should be ${head.head.seq}`)
  if (photos !== head.photos) throw new BadArchive(number, `it should hold ${head.photos} photos`)
}

/** Whether it is of a kind that there is, and holds what such a record holds: whoever makes a file anew can make its hashes fit. */
function isSound(record: AnyRecord): boolean {
  try {
    checkDraft(draftOf(record))
    return true
  } catch (error) {
    if (error instanceof Refusal) return false
    throw error
  }
}

/** A record's text as it stands in its line, where that is what its hash was taken over; null where the line was laid out otherwise. */
function textIn(line: string, hash: string): string | null {
  const [begin, end] = ['{"record":', `,"hash":"${hash}"}`]
  if (!line.startsWith(begin) || !line.endsWith(end)) return null
  const text = line.slice(begin.length, -end.length)
  return sha256(text) === hash ? text : null
}

/** The lines of a compressed file. Throws `BadArchive` where it is none, or was cut off. */
async function* linesOf(file: string): AsyncGenerator<string> {
  let number = 0
  let fault: Error | null = null
  const unzipped = createGunzip()
  pipeline(createReadStream(file), unzipped, (error) => {
    if (error) {
      fault = error
      unzipped.destroy()
    }
  })
  try {
    for await (const line of createInterface({ input: unzipped, crlfDelay: Infinity })) {
      number++
      yield line
    }
  } catch (error) {
    fault ??= error as Error
  } finally {
    // Where nobody reads on, the file is let go.
    unzipped.destroy()
  }
  if (fault) throw new BadArchive(number + 1, `it cannot be unpacked further (${(fault as Error).message})`)
}

function parsed(text: string, number: number): object {
  try {
    const line: unknown = JSON.parse(text)
    if (typeof line === 'object' && line !== null) return line
  } catch {
    // Told below.
  }
  throw new BadArchive(number, 'no JSON')
}
