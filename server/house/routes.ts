import { foundBody, sessionView } from '@tadka/contract/people'
import { freeSlug, type SiteSet } from '@tadka/core/house'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import type { Services } from '../services/services.ts'
import { enrolBrowser, enterSession } from '../people/enter.ts'
import { Waits } from '../people/waits.ts'
import { foundSite } from './found.ts'

/** The first start: a site out of nothing, with the code that the console tells. */
export const houseRoutes =
  (services: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const waits = new Waits(5)
    app.post(
      '/api/found',
      {
        schema: {
          body: foundBody,
          response: { 200: sessionView },
        },
      },
      async (request, reply) => {
        const { code, site: set, manager, device, tablet } = request.body
        waits.take(request.ip, services.now())
        const site = freeSlug(set.name, [], 'site')
        const id = freeSlug(manager.name, [], 'manager')
        const at = services.now()
        await foundSite(services, {
          id: site,
          set: set as SiteSet,
          manager: { ...manager, id },
          code,
          device,
          at,
        })
        waits.clear(request.ip)
        const enrolled = await enrolBrowser(services, reply, site, { device, name: tablet }, id)
        const on = { site_id: site, id: enrolled.tablet.id }
        return enterSession(services, request, reply, { id, site_id: site }, device, on)
      },
    )
  }
