import { slug } from '@tadka/contract/stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { lossesOf } from './losses.ts'

/** What the site's own baths taught. */
export const bathRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/sites/:site/baths/losses',
      {
        schema: {
          params: z.object({ site: slug }),
        },
      },
      async (request) => {
        const { site } = request.params
        await guard.actor(request, site, 'read')
        return { losses: await lossesOf(pool, site, now()) }
      },
    )
  }
