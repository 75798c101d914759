import { costAnswer, costMonth } from '@tadka/contract/cost'
import { slug } from '@tadka/contract/stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { costsOfMonth } from './costs.ts'

const site = z.object({ site: slug })

/** What cleaning costs, month by month, for those who plan. */
export const costRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/sites/:site/costs',
      { schema: { params: site, querystring: costMonth, response: { 200: costAnswer } } },
      async (request) => {
        const where = request.params.site
        await guard.actor(request, where, 'plan-shift')
        return { stations: [...(await costsOfMonth(pool, where, request.query.month, now()))] }
      },
    )
  }
