import {
  inspectBody,
  inspectionList,
  newInspectionBody,
  newInspectionView,
  ownInspection,
  sessionView,
} from '@tadka/contract/people'
import { slug } from '@tadka/contract/stream'
import { freeSlug } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { enterSession } from './enter.ts'
import { tabletOf } from './guard.ts'
import * as inspections from './inspections.ts'
import { stateOf } from '../stream/queries.ts'
import { everyoneOf, findPerson } from './queries.ts'
import { changeRights, personChange } from './rights.ts'
import { newToken, tokenHash } from './secrets.ts'
import { Waits } from './waits.ts'

const site = z.object({ site: slug })
const one = site.extend({ person: slug })
const dayMs = 86_400_000
const hourMs = 3_600_000

/** Links for inspectors: made and ended by a lead, each change a record; and what opens one. */
export const inspectionRoutes = (services: Services): FastifyPluginAsyncZod => {
  const { pool, guard, hub, queue, now } = services
  return async (app) => {
    const waits = new Waits(5)

    app.get(
      '/api/sites/:site/inspections',
      { schema: { params: site, response: { 200: inspectionList } } },
      async (request) => {
        const where = request.params.site
        await guard.actor(request, where, 'invite-inspector')
        return { links: await inspections.inspectionsOf(pool, where, now()) }
      },
    )

    app.post(
      '/api/sites/:site/inspections',
      { schema: { params: site, body: newInspectionBody, response: { 200: newInspectionView } } },
      async (request) => {
        const where = request.params.site
        const actor = await guard.actor(request, where, 'invite-inspector')
        const { name, days, hours, station = null } = request.body
        if (station !== null && !(await stateOf(pool, where, 'station', station)))
          throw new Refusal('not_found')
        const at = now()
        const taken = (await everyoneOf(pool, where)).map((p) => p.id)
        const person = freeSlug(`inspector ${name}`, taken, 'inspector')
        const token = newToken()
        const endsAt = at + hours * hourMs
        await changeRights({ pool, queue }, where, actor.id, at, [
          personChange(person, { name, role: 'inspector', login: null, left: false }),
        ])
        await inspections.keepInspection(pool, {
          site: where,
          person,
          tokenHash: tokenHash(token),
          by: actor.id,
          station,
          from: at - days * dayMs,
          endsAt,
        })
        // After the #: it reaches no log of any server.
        return { id: person, path: `/inspect#${token}`, endsAt }
      },
    )

    app.post(
      '/api/sites/:site/inspections/:person/end',
      { schema: { params: one, response: { 200: z.object({ id: slug }) } } },
      async (request) => {
        const { site: where, person } = request.params
        const actor = await guard.actor(request, where, 'invite-inspector')
        const found = await findPerson(pool, where, person)
        if (!found || !(await inspections.endInspection(pool, where, person, now())))
          throw new Refusal('not_found')
        const ended = { name: found.name, role: 'inspector', login: null, left: true } as const
        await changeRights({ pool, queue }, where, actor.id, now(), [personChange(person, ended)])
        await hub.endGone()
        return { id: person }
      },
    )

    app.post(
      '/api/inspect',
      { schema: { body: inspectBody, response: { 200: sessionView } } },
      async (request, reply) => {
        const present = await tabletOf(pool, request)
        const isTaken = present?.people.some((p) => p.signed_out_at === null && p.role !== 'inspector')
        if (isTaken) throw new Refusal('somebody_here')
        waits.take(request.ip, now())
        const found = await inspections.openInspection(pool, tokenHash(request.body.token), now())
        if (!found) throw new Refusal('link_ended')
        waits.clear(request.ip)
        return enterSession(services, request, reply, found, request.body.device, { until: found.ends_at })
      },
    )

    app.get(
      '/api/sites/:site/inspection',
      { schema: { params: site, response: { 200: ownInspection } } },
      async (request) => {
        const where = request.params.site
        const actor = await guard.actor(request, where, 'inspect')
        if (actor.role !== 'inspector') throw new Refusal('not_found')
        return inspections.linkOf(pool, where, actor.id, now())
      },
    )
  }
}
