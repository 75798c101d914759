import { siteFileBody, siteFileDone } from '@tadka/contract/house'
import { foundBody, sessionView } from '@tadka/contract/people'
import { slug } from '@tadka/contract/stream'
import { freeSlug, type SiteSet } from '@tadka/core/house'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { enrolBrowser, enterSession } from '../people/enter.ts'
import { Waits } from '../people/waits.ts'
import { foundSite } from './found.ts'
import { putIn } from './put-in.ts'
import { fileOf, takeFile } from './site-file.ts'

const filesAtMost = { max: 30, timeWindow: '1 minute' }

/** The first start: a site out of nothing, with the code that the console tells; and its set-up as a file. */
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
        return enterSession(services, request, reply, { id, site_id: site }, device, { on })
      },
    )

    const site = z.object({ site: slug })
    app.get('/api/sites/:site/set-up', { schema: { params: site } }, async (request, reply) => {
      const where = request.params.site
      await services.guard.actor(request, where, 'set-up-house')
      return reply
        .header('content-disposition', `attachment; filename="${where}-set-up.json"`)
        .send(await fileOf(services.pool, where))
    })

    app.post(
      '/api/sites/:site/set-up',
      {
        config: { rateLimit: filesAtMost },
        schema: { params: site, body: siteFileBody, response: { 200: siteFileDone } },
      },
      async (request) => {
        const where = request.params.site
        const actor = await services.guard.actor(request, where, 'set-up-house')
        const { changes, newcomers, ...done } = await takeFile(
          services.pool,
          where,
          request.body.file,
          services.now(),
        )
        if (request.body.try) return { ...done, pins: [] }
        await putIn(services, where, actor.id, changes, newcomers)
        return { ...done, pins: [...newcomers] }
      },
    )
  }
