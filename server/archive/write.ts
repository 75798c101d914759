import { createWriteStream } from 'node:fs'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import type { ArchiveHead } from '@tadka/contract/record'
import type { Client, Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'
import { headIn } from '../stream/heads.ts'

/** So many rows at once: neither many round trips nor much memory. */
const [recordsAtOnce, photosAtOnce] = [5000, 20]

async function* lines(db: Client, site: string, head: ArchiveHead): AsyncGenerator<string> {
  yield `${JSON.stringify(head)}\n`
  for (let after = 0; ;) {
    const sql = 'select seq, text, hash from record where site_id = $1 and seq > $2 order by seq limit $3'
    const { rows } = await db.query<{ seq: number; text: string; hash: string }>(sql, [
      site,
      after,
      recordsAtOnce,
    ])
    const last = rows.at(-1)
    if (!last) break
    // As it was written, byte for byte.
    yield rows.map(({ text, hash }) => `{"record":${text},"hash":"${hash}"}\n`).join('')
    after = last.seq
  }
  for (let after = ''; ;) {
    const sql = `
      select sha256, received_at as "receivedAt", bytes from photo
      where site_id = $1 and sha256 > $2 order by sha256 limit $3`
    const { rows } = await db.query<{ sha256: string; receivedAt: number; bytes: Buffer }>(sql, [
      site,
      after,
      photosAtOnce,
    ])
    const last = rows.at(-1)
    if (!last) break
    for (const { sha256: photo, receivedAt, bytes } of rows)
      yield `${JSON.stringify({ photo, receivedAt, bytes: bytes.toString('base64') })}\n`
    after = last.sha256
  }
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
      await pipeline(
        Readable.from(lines(db, site, head)),
        createGzip({ level: 1 }),
        createWriteStream(file, { flags: 'wx' }),
      )
      return head
    },
    'begin isolation level repeatable read read only',
  )
