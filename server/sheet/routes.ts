import { slug } from '@tadka/contract/stream'
import { boundsOfDay, dayOf } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { keepLook, linkOf } from '../people/inspections.ts'
import { siteOf } from '../record/day.ts'
import type { Services } from '../services/services.ts'
import { sheetOfDay } from './sheets.ts'

const oneDay = z.object({ site: slug, day: z.iso.date() })

/** Days as a person would keep them: one sheet for each trading day. */
export const sheetRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/api/sites/:site/sheets/:day', { schema: { params: oneDay } }, async (request) => {
      const { site, day } = request.params
      const actor = await guard.actor(request, site, 'inspect')
      const set = await siteOf(pool, site)
      if (day > dayOf(set, instant(now()))) throw new Refusal('day_not_begun', { day })
      if (actor.role === 'inspector') {
        // A link shows its own period: the days that lie in it wholly.
        const own = await linkOf(pool, site, actor.id, now())
        if (own.station !== null) throw new Refusal('not_allowed', { needs: 'a link to the whole log' })
        if (boundsOfDay(set, day).from < own.from)
          throw new Refusal('not_allowed', { needs: 'a longer link' })
        await keepLook(pool, site, actor.id, day, now())
      }
      return sheetOfDay(pool, site, day, now())
    })
  }
