import { Readable } from 'node:stream'
import { importQuery } from '@tadka/contract/logger'
import { slug, words } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { stateOf } from '../stream/queries.ts'
import { bringIn, readFile } from './bring-in.ts'
import * as queries from './queries.ts'
import { drawingOf } from './rows.ts'

const site = z.object({ site: slug })
const file = site.extend({ file: slug })
const imports = { max: 30, timeWindow: '1 minute' }
const stretches = 600

/** What temperature loggers recorded: files brought in, drawn, taken back. */
export const loggerRoutes =
  (services: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const { pool, guard } = services
    const files = bringIn(services)
    // Read as it comes: a million rows are not held as text.
    app.addContentTypeParser('text/csv', (_request, body, done) => done(null, body))

    app.post(
      '/api/sites/:site/loggers',
      {
        config: { rateLimit: imports },
        schema: {
          params: site,
          querystring: importQuery,
        },
      },
      async (request) => {
        const { site: where } = request.params
        const actor = await guard.actor(request, where, 'bring-in')
        const { station, name, mapping } = request.query
        if (!(request.body instanceof Readable)) throw new Refusal('body_malformed', { needs: 'text/csv' })
        if (!(await stateOf(pool, where, 'station', station))) throw new Refusal('not_found')
        const read = await readFile(request.body, mapping)
        return files.keep({ site: where, station, name, mapping, by: actor.id }, read)
      },
    )

    app.get('/api/sites/:site/loggers', { schema: { params: site } }, async (request) => {
      await guard.actor(request, request.params.site, 'read')
      return { files: await queries.filesOf(pool, request.params.site) }
    })

    app.get(
      '/api/sites/:site/loggers/:file/rows',
      {
        schema: {
          params: file,
          querystring: z.object({ from: z.coerce.number().int(), to: z.coerce.number().int() }),
        },
      },
      async (request) => {
        const { site: where, file: id } = request.params
        await guard.actor(request, where, 'read')
        const found = await queries.fileOf(pool, where, id)
        if (!found) throw new Refusal('not_found')
        const { from, to } = request.query
        const parts = await queries.partsBetween(pool, where, id, from, to)
        const measures = found.mapping.columns.map((c) => c.measures)
        return drawingOf(parts, measures, from, to, stretches)
      },
    )

    app.post(
      '/api/sites/:site/loggers/:file/withdraw',
      { schema: { params: file, body: z.strictObject({ reason: words(300).min(1) }) } },
      async (request) => {
        const { site: where, file: id } = request.params
        const actor = await guard.actor(request, where, 'bring-in')
        await files.withdraw(where, id, actor.id, request.body.reason)
        return { withdrawn: true }
      },
    )
  }
