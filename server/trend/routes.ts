import { trendBody } from '@tadka/contract/trend'
import { slug } from '@tadka/contract/stream'
import { Readable } from 'node:stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { asLines } from '../work/lines.ts'
import { begun } from '../work/work.ts'
import type { TrendAsked, TrendLine } from './trend-job.ts'

const site = z.object({ site: slug })
const trendJob = new URL('./trend-job.ts', import.meta.url)
const trendMs = 5 * 60_000
const trendsAtMost = { max: 20, timeWindow: '1 minute' }

/** What a month or a season tells: read day by day, while whoever asked sees how far it is. */
export const trendRoutes =
  ({ guard, work, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.post(
      '/api/sites/:site/trends',
      // Each line is sent when it is there.
      { compress: false, config: { rateLimit: trendsAtMost }, schema: { params: site, body: trendBody } },
      async (request, reply) => {
        const where = request.params.site
        await guard.actor(request, where, 'read')
        const asked: TrendAsked = { site: where, days: request.body.days, at: now() }
        const lines = await begun(work.pieces<TrendAsked, TrendLine>(trendJob, asked, trendMs))
        return reply.header('content-type', 'application/x-ndjson').send(Readable.from(asLines(lines)))
      },
    )
  }
