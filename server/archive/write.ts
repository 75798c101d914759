import { createWriteStream } from 'node:fs'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { constants, createGzip } from 'node:zlib'
import type { ArchiveHead } from '@tadka/contract/record'
import type { Client, Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'
import { headIn } from '../stream/heads.ts'

/** So many rows at once: neither many round trips nor much memory. */
const [recordsAtOnce, photosAtOnce] = [5000, 20]

/** What a query gives page by page; the database reads the next while one is worked on. */
async function* pages<Row>(
  next: (last: Row | null) => Promise<readonly Row[]>,
): AsyncGenerator<readonly Row[]> {
  let coming = next(null)
  for (;;) {
    const rows = await coming
    const last = rows.at(-1)
    if (!last) return
    coming = next(last)
    // It is waited for in the next turn: until then it is no fault that nobody saw.
    coming.catch(() => {})
    yield rows
  }
}

interface RecordRow {
  readonly seq: number
  readonly text: string
  readonly hash: string
}
interface PhotoRow {
  readonly sha256: string
  readonly receivedAt: number
  readonly bytes: string
}

async function* recordLines(db: Client, site: string, head: ArchiveHead): AsyncGenerator<string> {
  yield `${JSON.stringify(head)}\n`
  const records = pages<RecordRow>(async (last) => {
    const sql = 'select seq, text, hash from record where site_id = $1 and seq > $2 order by seq limit $3'
    return (await db.query<RecordRow>(sql, [site, last?.seq ?? 0, recordsAtOnce])).rows
  })
  // As it was written, byte for byte.
  for await (const rows of records)
    yield rows.map(({ text, hash }) => `{"record":${text},"hash":"${hash}"}\n`).join('')
}

async function* photoLines(db: Client, site: string): AsyncGenerator<string> {
  const photos = pages<PhotoRow>(async (last) => {
    const sql = `
      select sha256, received_at as "receivedAt", translate(encode(bytes, 'base64'), E'\n', '') as bytes from photo
      where site_id = $1 and sha256 > $2 order by sha256 limit $3`
    return (await db.query<PhotoRow>(sql, [site, last?.sha256 ?? '', photosAtOnce])).rows
  })
  for await (const rows of photos)
    for (const { sha256: photo, receivedAt, bytes } of rows)
      yield `{"photo":"${photo}","receivedAt":${receivedAt},"bytes":"${bytes}"}\n`
  yield '{"end":true}\n'
}

/** Writes a site's records and photos to a file, compressed: one line of JSON each, of one moment. @returns its first line. */
export const writeArchive = (pool: Pool, site: string, file: string): Promise<ArchiveHead> =>
  inSite(
    pool,
    site,
    async (db) => {
      const sql = `
        select s.name,
          (select count(*)::int from record r where r.site_id = s.id) as records,
          (select count(*)::int from photo p where p.site_id = s.id) as photos
        from site s where s.id = $1`
      const [row] = (await db.query<Pick<ArchiveHead, 'name' | 'records' | 'photos'>>(sql, [site])).rows
      if (!row) throw new RangeError(`there is no site ${site}`)
      const head: ArchiveHead = {
        format: 'tadka-archive',
        version: 1,
        site,
        ...row,
        head: await headIn(db, site),
      }
      // Photos are compressed already: what their letters take more is got back without looking for what comes again.
      const strategy = constants.Z_HUFFMAN_ONLY
      await pipeline(
        Readable.from(recordLines(db, site, head)),
        createGzip({ level: 1 }),
        createWriteStream(file, { flags: 'wx' }),
      )
      await pipeline(
        Readable.from(photoLines(db, site)),
        createGzip({ level: 1, strategy }),
        createWriteStream(file, { flags: 'a' }),
      )
      return head
    },
    'begin isolation level repeatable read read only',
  )
