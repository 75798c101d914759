import { slug, words } from '@tadka/contract/stream'
import { asJudged } from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import { type AnyRecord } from '@tadka/core/stream'
import { Readable } from 'node:stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { begun } from '../work/work.ts'
import type { ExportAsked } from './export-job.ts'
import type { Actor } from '../people/guard.ts'
import { inspectionOf } from '../people/inspections.ts'
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
  types: words(800).optional(),
  /** Types left out where all others are asked for. */
  without: words(400).optional(),
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

const exportJob = new URL('./export-job.ts', import.meta.url)
/** The whole log over a slow line; what takes longer is broken off. */
const exportMs = 10 * 60_000
const exportsAtMost = { max: 20, timeWindow: '1 minute' }

export const logRoutes =
  ({ pool, guard, work, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    /** A link shows its own period, whatever is asked. Throws `link_ended`. */
    async function periodOf({ id, site }: Actor, asked: Filter) {
      const own = await inspectionOf(pool, site, id, now())
      if (!own) throw new Refusal('link_ended')
      return {
        from: Math.max(asked.from ?? 0, own.from),
        to: Math.min(asked.to ?? own.endsAt, own.endsAt),
      }
    }

    app.get('/api/sites/:site/log', { schema: { params: site, querystring: filter } }, async (request) => {
      const actor = await guard.actor(request, request.params.site, 'inspect')
      const links = await queries.logPage(pool, request.params.site, {
        ...asFilter(request.query),
        ...(actor.role === 'inspector' ? await periodOf(actor, request.query) : {}),
      })
      const records = links.map((l) => ({ ...asJudged(JSON.parse(l.text) as AnyRecord), hash: l.hash }))
      // What a reading that was not in led to stands beside it.
      const failed = records.filter(
        (r) => r.type === 'reading.taken@1' && r.payload.judgement.overall !== 'in',
      )
      const ids = failed.map((r) => r.id)
      // What a step is called stands in its run.
      const runs = new Set(
        records.flatMap((r) =>
          'run' in r.payload && typeof r.payload.run === 'string' ? r.payload.run : [],
        ),
      )
      const { site: where } = request.params
      return {
        records,
        cases: await queries.statesOf(pool, where, 'case', ids),
        runs: await queries.statesOf(pool, where, 'run', [...runs]),
      }
    })

    for (const [as, type] of [
      ['json', 'application/json; charset=utf-8'],
      ['csv', 'text/csv; charset=utf-8'],
    ] as const)
      app.get(
        `/api/sites/:site/log.${as}`,
        { config: { rateLimit: exportsAtMost }, schema: { params: site } },
        async (request, reply) => {
          const { site: where } = request.params
          await guard.actor(request, where, 'export-log')
          const pieces = await begun(
            work.pieces<ExportAsked, string>(exportJob, { site: where, as }, exportMs),
          )
          return reply
            .header('content-type', type)
            .header('content-disposition', `attachment; filename="${where}-log.${as}"`)
            .send(Readable.from(pieces))
        },
      )
  }
