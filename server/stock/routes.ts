import { stockAnswer } from '@tadka/contract/stock'
import { slug } from '@tadka/contract/stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { stockOf } from './stock.ts'
import { shoppingTable } from './shopping.ts'

const site = z.object({ site: slug })

/** What is used up: how it stands, worked out from the log and from what was counted. */
export const stockRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/sites/:site/stock',
      { schema: { params: site, response: { 200: stockAnswer } } },
      async (request) => {
        const where = request.params.site
        await guard.actor(request, where, 'read')
        const { today, kept } = await stockOf(pool, where, now())
        return { today, items: kept.map(({ told }) => told) }
      },
    )

    app.get('/api/sites/:site/stock/shopping.csv', { schema: { params: site } }, async (request, reply) => {
      const where = request.params.site
      await guard.actor(request, where, 'read')
      const { today, units, kept } = await stockOf(pool, where, now())
      return reply
        .header('content-type', 'text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="shopping-${today}.csv"`)
        .send(shoppingTable(kept, today, units))
    })
  }
