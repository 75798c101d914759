import { createHash } from 'node:crypto'
import { sha256, slug } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { inSite } from '../db/transaction.ts'
import { photoBytes } from './photo-queries.ts'

const params = z.object({ site: slug, sha256 })
interface Kind {
  readonly type: string
  /** What its bytes begin with. */
  readonly begins: Buffer
  readonly largest: number
}
const mega = 1024 * 1024
/** Photos are shrunk by the tablet before they are sent; a maker's data sheet is as long as it is. */
const photo: Kind = {
  type: 'image/jpeg',
  begins: Buffer.from([0xff, 0xd8, 0xff]),
  largest: mega,
}
const sheet: Kind = {
  type: 'application/pdf',
  begins: Buffer.from('%PDF-'),
  largest: 8 * mega,
}
const kinds = [photo, sheet]
const isOf = (kind: Kind, bytes: Buffer) => bytes.subarray(0, kind.begins.length).equals(kind.begins)

/** Photos and data sheets by their hash: kept once, answered for ever the same. */
export const photoRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    for (const { type, largest } of kinds)
      app.addContentTypeParser(type, { parseAs: 'buffer', bodyLimit: largest }, (_request, body, done) =>
        done(null, body),
      )

    app.put(
      '/api/sites/:site/photos/:sha256',
      { schema: { params }, bodyLimit: sheet.largest },
      async (request) => {
        const { site, sha256 } = request.params
        const kind = kinds.find((k) => k.type === request.headers['content-type']) ?? photo
        // Whoever acts when it is sent: what names it, a record, asks for its own right.
        await guard.actor(request, site, 'record')
        const { body } = request
        if (Buffer.isBuffer(body) && body.length > kind.largest) throw new Refusal('body_too_large')
        const sound =
          Buffer.isBuffer(body) &&
          isOf(kind, body) &&
          createHash('sha256').update(body).digest('hex') === sha256
        if (!sound) throw new Refusal('photo_unsound')
        await inSite(pool, site, (client) =>
          client.query(
            'insert into photo (site_id, sha256, bytes, received_at) values ($1, $2, $3, $4) on conflict do nothing',
            [site, sha256, body, now()],
          ),
        )
        return { kept: true }
      },
    )

    app.get('/api/sites/:site/photos/:sha256', { schema: { params } }, async (request, reply) => {
      const { site, sha256 } = request.params
      await guard.actor(request, site, 'inspect')
      const bytes = await photoBytes(pool, site, sha256)
      if (!bytes) throw new Refusal('not_found')
      return reply
        .header('content-type', isOf(sheet, bytes) ? sheet.type : photo.type)
        .header('cache-control', 'private, max-age=31536000, immutable')
        .send(bytes)
    })
  }
