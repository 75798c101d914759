import { eventsBody, newDevice } from '@tadka/contract/device'
import { slug } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { newToken, tokenHash } from '../people/secrets.ts'
import { takeEvents } from './events.ts'
import { deliveries, knownDevice } from './known.ts'
import * as queries from './queries.ts'

const site = z.object({ site: slug })
/** A reading is offered for so long. */
const offeredMs = 5 * 60_000

/** The devices of a site, and what those that do not stream deliver. */
export const deviceRoutes =
  (services: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const { pool, guard, now } = services

    app.post(
      '/api/devices/events',
      {
        config: { rateLimit: deliveries(pool) },
        schema: {
          body: eventsBody,
        },
      },
      async (request) => {
        const { site: where, device } = await knownDevice(pool, request)
        return takeEvents(services, where, device, request.body)
      },
    )

    app.get('/api/sites/:site/devices', { schema: { params: site } }, async (request) => {
      await guard.actor(request, request.params.site, 'read')
      return { devices: await queries.devicesOf(pool, request.params.site) }
    })

    app.post(
      '/api/sites/:site/devices',
      {
        schema: {
          params: site,
          body: newDevice,
        },
      },
      async (request) => {
        const { site: where } = request.params
        await guard.actor(request, where, 'set-up-house')
        const { id } = request.body
        if (await queries.findDevice(pool, where, id)) throw new Refusal('device_exists', { id })
        const token = newToken()
        await queries.addDevice(pool, where, request.body, tokenHash(token), now())
        return { id, authorization: `Device ${where}/${id}/${token}` }
      },
    )

    app.post(
      '/api/sites/:site/devices/:device/end',
      { schema: { params: site.extend({ device: slug }) } },
      async (request) => {
        const { site: where, device } = request.params
        await guard.actor(request, where, 'set-up-house')
        if (!(await queries.endDevice(pool, where, device, now()))) throw new Refusal('not_found')
        return { ended: true }
      },
    )

    app.get('/api/sites/:site/thermometers', { schema: { params: site } }, async (request) => {
      await guard.actor(request, request.params.site, 'read')
      return { readings: await queries.readingsSince(pool, request.params.site, now() - offeredMs) }
    })
  }
