import { codeView, enrolBody, newTabletBody, tabletList, tabletNameBody } from '@tadka/contract/people'
import { slug } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { makeCode } from './codes.ts'
import { enrolBrowser } from './enter.ts'
import { enrolledTablet, tabletOf } from './guard.ts'
import { changeRights, tabletChange } from './rights.ts'
import { tokenHash } from './secrets.ts'
import * as tablets from './tablets.ts'
import { Waits } from './waits.ts'

const site = z.object({ site: slug })
const oneTablet = site.extend({ tablet: slug })
const enrolled = z.object({ site: slug, tablet: z.object({ id: slug, name: z.string() }) })

/** The tablets of a site: which there are, how one becomes one, and how it ends. */
export const tabletRoutes = (services: Services): FastifyPluginAsyncZod => {
  const { pool, guard, hub, queue, now } = services
  return async (app) => {
    const waits = new Waits(5)

    app.get(
      '/api/sites/:site/tablets',
      { schema: { params: site, response: { 200: tabletList } } },
      async (request) => {
        const where = request.params.site
        await guard.actor(request, where, 'set-up-house')
        const on = await enrolledTablet(pool, request)
        return {
          own: on?.site_id === where ? on.id : null,
          tablets: await tablets.tabletsOf(pool, where),
        }
      },
    )

    app.post(
      '/api/sites/:site/tablets',
      {
        schema: {
          params: site,
          body: newTabletBody,
          response: { 200: enrolled },
        },
      },
      async (request, reply) => {
        const { site: where } = request.params
        const actor = await guard.actor(request, where, 'set-up-house')
        const answer = await enrolBrowser(services, reply, where, request.body, actor.id)
        await tablets.putOnTablet(pool, actor.tablet.session.id, answer.tablet.id)
        return answer
      },
    )

    app.post(
      '/api/sites/:site/tablets/codes',
      {
        schema: {
          params: site,
          response: { 200: codeView },
        },
      },
      async (request) => {
        const { site: where } = request.params
        const actor = await guard.actor(request, where, 'set-up-house')
        return makeCode(pool, where, actor.id, now())
      },
    )

    app.post(
      '/api/tablets/enrol',
      {
        schema: {
          body: enrolBody,
          response: { 200: enrolled },
        },
      },
      async (request, reply) => {
        const { code, ...tablet } = request.body
        waits.take(request.ip, now())
        const used = await tablets.useCode(pool, tokenHash(code), now())
        if (!used) throw new Refusal('wrong_code')
        waits.clear(request.ip)
        const present = await tabletOf(pool, request)
        const answer = await enrolBrowser(services, reply, used.site, tablet, used.by)
        if (present?.session.site_id === used.site)
          await tablets.putOnTablet(pool, present.session.id, answer.tablet.id)
        return answer
      },
    )

    app.post(
      '/api/sites/:site/tablets/:tablet/name',
      { schema: { params: oneTablet, body: tabletNameBody } },
      async (request) => {
        const { site: where, tablet } = request.params
        const { name } = request.body
        const actor = await guard.actor(request, where, 'set-up-house')
        if (!(await tablets.renameTablet(pool, where, tablet, name))) throw new Refusal('not_found')
        await changeRights({ pool, queue }, where, actor.id, now(), [
          tabletChange(where, { tablet, name, removed: false }),
        ])
        return { id: tablet, name }
      },
    )

    app.post(
      '/api/sites/:site/tablets/:tablet/revoke',
      { schema: { params: oneTablet } },
      async (request) => {
        const { site: where, tablet } = request.params
        const actor = await guard.actor(request, where, 'set-up-house')
        const name = await tablets.revokeTablet(pool, where, tablet, now())
        if (name === null) throw new Refusal('not_found')
        await changeRights({ pool, queue }, where, actor.id, now(), [
          tabletChange(where, { tablet, name, removed: true }),
        ])
        await hub.endGone()
        return { revoked: tablet }
      },
    )
  }
}
