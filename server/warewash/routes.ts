import { timingSafeEqual } from 'node:crypto'
import { slug, words } from '@tadka/contract/record'
import { deliveryBody } from '@tadka/contract/warewash'
import type { SiteSet } from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyRequest } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../app/services.ts'
import { newToken, tokenHash } from '../people/secrets.ts'
import { stateOf } from '../record/queries.ts'
import * as queries from './queries.ts'
import { dishWatch } from './watch.ts'

const site = z.object({ site: slug })
const station = site.extend({ station: slug })
/** A gateway delivers every few seconds, and catches up after an outage. */
const deliveries = {
  max: 600,
  timeWindow: '1 minute',
  keyGenerator: (r: FastifyRequest) => deviceIn(r)?.id ?? r.ip,
}
const longestMonthMs = 400 * 86_400_000

/** The dish room: what gateways deliver, and what a tablet asks of it. */
export const warewashRoutes =
  (services: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const { pool, guard, now } = services
    const watch = dishWatch(services)

    app.post(
      '/api/devices/samples',
      {
        config: { rateLimit: deliveries },
        schema: {
          tags: ['devices'],
          summary: 'Takes what a probe streamed; authorization: Device SITE/DEVICE/TOKEN',
          body: deliveryBody,
        },
      },
      async (request) => {
        const named = deviceIn(request)
        const device = named && (await queries.findDevice(pool, named.site, named.id))
        const known = device && device.ended_at === null && isSame(device.token_hash, tokenHash(named.token))
        if (!known) throw new Refusal('device_unknown')
        return watch.take(named.site, device, request.body)
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
          tags: ['devices'],
          summary: 'Lets a device stream; its token is told once',
          params: site,
          body: z.strictObject({ id: slug.max(24), name: words(80).min(1), station: slug }),
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

    app.get('/api/sites/:site/dish/:station/now', { schema: { params: station } }, async (request) => {
      await guard.actor(request, request.params.site, 'read')
      return watch.nowOf(request.params.site, request.params.station)
    })

    app.get(
      '/api/sites/:site/dish/trace/:cycle',
      { schema: { params: site.extend({ cycle: slug }) } },
      async (request) => {
        await guard.actor(request, request.params.site, 'read')
        const trace = await watch.traceOf(request.params.site, request.params.cycle)
        if (!trace) throw new Refusal('not_found')
        return trace
      },
    )

    app.get(
      '/api/sites/:site/dish/:station/days',
      {
        schema: {
          params: station,
          querystring: z.object({ from: z.coerce.number().int(), to: z.coerce.number().int() }),
        },
      },
      async (request) => {
        const { site: where, station: of } = request.params
        await guard.actor(request, where, 'read')
        const { from, to } = request.query
        const set = (await stateOf(pool, where, 'site', where))?.state as Partial<SiteSet> | undefined
        const since = Math.max(from, to - longestMonthMs)
        return { days: await queries.cycleDays(pool, where, of, since, to, set?.timeZone ?? 'UTC') }
      },
    )
  }

/** `Device SITE/DEVICE/TOKEN`. */
function deviceIn(request: FastifyRequest): { site: string; id: string; token: string } | null {
  const found = /^Device ([a-z0-9.-]+)\/([a-z0-9.-]+)\/([\w-]{20,})$/.exec(
    request.headers.authorization ?? '',
  )
  const [, site, id, token] = found ?? []
  return site && id && token ? { site, id, token } : null
}

const isSame = (a: string, b: string) =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b))
