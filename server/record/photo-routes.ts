import { createHash } from 'node:crypto'
import { slug } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { inSite } from '../db/transaction.ts'
import { photoBytes } from './photo-queries.ts'

const params = z.object({ site: slug, sha256: z.string().regex(/^[0-9a-f]{64}$/) })
/** Tablets shrink before they send. */
const largest = 1024 * 1024
const jpeg = Buffer.from([0xff, 0xd8, 0xff])

/** Photos by their hash: kept once, answered for ever the same. */
export const photoRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.addContentTypeParser(
      'image/jpeg',
      { parseAs: 'buffer', bodyLimit: largest },
      (_request, body, done) => done(null, body),
    )

    app.put(
      '/api/sites/:site/photos/:sha256',
      { schema: { params }, bodyLimit: largest },
      async (request) => {
        const { site, sha256 } = request.params
        await guard.actor(request, site, 'record')
        const { body } = request
        const sound =
          Buffer.isBuffer(body) &&
          body.subarray(0, 3).equals(jpeg) &&
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
        .header('content-type', 'image/jpeg')
        .header('cache-control', 'private, max-age=31536000, immutable')
        .send(bytes)
    })
  }
