import { slug } from '@tadka/contract/stream'
import { asJudged } from '@tadka/core/record'
import { type AnyRecord } from '@tadka/core/stream'
import { stringify } from 'csv-stringify/sync'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { csvColumns, csvRow } from './csv.ts'
import * as queries from '../stream/queries.ts'

const site = z.object({ site: slug })
const whole = z.coerce.number().int().min(0)
const filter = z.object({
  before: whole.optional(),
  from: whole.optional(),
  to: whole.optional(),
  limit: z.coerce.number().int().min(1).max(200).default(60),
  kind: slug.optional(),
  subject: slug.optional(),
  types: z.string().max(800).optional(),
  /** Types left out where all others are asked for. */
  without: z.string().max(400).optional(),
})

type Filter = z.infer<typeof filter>

const asFilter = (q: Filter): queries.LogFilter => ({
  before: q.before ?? null,
  limit: q.limit,
  from: q.from ?? null,
  to: q.to ?? null,
  kind: q.kind ?? null,
  subject: q.subject ?? null,
  types: q.types ? q.types.split(',') : null,
  without: q.without ? q.without.split(',') : null,
})

/** How many records are read at a time while an export runs. */
const exportPage = 1000

export const logRoutes =
  ({ pool, guard }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/api/sites/:site/log', { schema: { params: site, querystring: filter } }, async (request) => {
      await guard.actor(request, request.params.site, 'read')
      const links = await queries.logPage(pool, request.params.site, asFilter(request.query))
      const records = links.map((l) => ({ ...asJudged(JSON.parse(l.text) as AnyRecord), hash: l.hash }))
      // What a reading that was not in led to stands beside it.
      const failed = records.filter(
        (r) => r.type === 'reading.taken@1' && r.payload.judgement.overall !== 'in',
      )
      const ids = failed.map((r) => r.id)
      return { records, cases: await queries.casesOf(pool, request.params.site, ids) }
    })

    app.get('/api/sites/:site/log.json', { schema: { params: site } }, async (request, reply) => {
      await guard.actor(request, request.params.site, 'export-log')
      const records: unknown[] = []
      for await (const l of allLinks(request.params.site))
        records.push({ ...(JSON.parse(l.text) as object), hash: l.hash })
      reply.header('content-disposition', `attachment; filename="${request.params.site}-log.json"`)
      return { format: 'tadka-log', version: 1, site: request.params.site, records }
    })

    app.get('/api/sites/:site/log.csv', { schema: { params: site } }, async (request, reply) => {
      await guard.actor(request, request.params.site, 'export-log')
      const rows: string[][] = []
      for await (const l of allLinks(request.params.site))
        rows.push(csvRow(asJudged(JSON.parse(l.text) as AnyRecord), l.hash))
      reply.header('content-type', 'text/csv; charset=utf-8')
      reply.header('content-disposition', `attachment; filename="${request.params.site}-log.csv"`)
      return stringify(rows, { header: true, columns: [...csvColumns] })
    })

    async function* allLinks(where: string) {
      for (let after = 0; ;) {
        const links = await queries.linksOf(pool, where, after, exportPage)
        yield* links
        const last = links.at(-1)
        if (!last || links.length < exportPage) return
        after = last.seq
      }
    }
  }
