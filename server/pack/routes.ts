import { packBody } from '@tadka/contract/record'
import { slug } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import { Readable } from 'node:stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { v7 } from 'uuid'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { asLines } from '../work/lines.ts'
import { begun } from '../work/work.ts'
import type { PackJob, PackLine } from './pack-job.ts'
import { packFile, packKinds, type PackKind } from './queries.ts'

const site = z.object({ site: slug })
const onePack = site.extend({ pack: z.uuid(), as: z.enum(packKinds) })
const packJob = new URL('./pack-job.ts', import.meta.url)
/** Years on paper are minutes of work. */
const packMs = 20 * 60_000
/** How long a pack lies ready. */
const readyMs = 30 * 60_000
const packsAtMost = { max: 10, timeWindow: '1 minute' }
const mediaTypes: Readonly<Record<PackKind, string>> = {
  pdf: 'application/pdf',
  zip: 'application/zip',
  json: 'application/json; charset=utf-8',
}

/** The inspector's pack: made piece by piece while whoever asked sees how far it is, then fetched. */
export const packRoutes =
  ({ pool, guard, work, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.post(
      '/api/sites/:site/packs',
      // Each line is sent when it is there.
      { compress: false, config: { rateLimit: packsAtMost }, schema: { params: site, body: packBody } },
      async (request, reply) => {
        const where = request.params.site
        const actor = await guard.actor(request, where, 'export-log')
        const at = now()
        const asked: PackJob = {
          ...request.body,
          site: where,
          id: v7(),
          at,
          by: actor.id,
          endsAt: at + readyMs,
        }
        const lines = await begun(work.pieces<PackJob, PackLine>(packJob, asked, packMs))
        return reply.header('content-type', 'application/x-ndjson').send(Readable.from(asLines(lines)))
      },
    )

    app.get('/api/sites/:site/packs/:pack/:as', { schema: { params: onePack } }, async (request, reply) => {
      const { site: where, pack, as: kind } = request.params
      await guard.actor(request, where, 'export-log')
      const found = await packFile(pool, where, pack, kind, now())
      if (!found) throw new Refusal('not_found')
      return reply
        .header('content-type', mediaTypes[kind])
        .header('cache-control', 'private, no-store')
        .header(
          'content-disposition',
          `${kind === 'pdf' ? 'inline' : 'attachment'}; filename="${found.name}"`,
        )
        .send(found.bytes)
    })
  }
