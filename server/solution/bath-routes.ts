import { slug } from '@tadka/contract/record'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../app/services.ts'
import { lossesOf } from './losses.ts'

/** How far back baths are learned from, and how long what was learned is told again. */
const learnedMs = 120 * 86_400_000
const keptMs = 30 * 60_000

/** What the site's own baths taught. */
export const bathRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const kept = new Map<string, { at: number; losses: Promise<Record<string, readonly number[]>> }>()
    app.get(
      '/api/sites/:site/baths/losses',
      {
        schema: {
          tags: ['records'],
          summary: 'The fraction lost an hour by earlier baths, by product',
          params: z.object({ site: slug }),
        },
      },
      async (request) => {
        const { site } = request.params
        await guard.actor(request, site, 'read')
        const before = kept.get(site)
        if (before && Math.abs(now() - before.at) < keptMs) return { losses: await before.losses }
        const losses = lossesOf(pool, site, now() - learnedMs)
        kept.set(site, { at: now(), losses })
        losses.catch(() => kept.delete(site))
        return { losses: await losses }
      },
    )
  }
