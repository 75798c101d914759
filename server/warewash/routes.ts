import { slug } from '@tadka/contract/stream'
import { deliveryBody } from '@tadka/contract/warewash'
import type { SiteSet } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { deliveries, knownDevice } from '../device/known.ts'
import { stateOf } from '../stream/queries.ts'
import * as queries from './queries.ts'
import { dishWatch } from './watch.ts'

const site = z.object({ site: slug })
const station = site.extend({ station: slug })
const longestMonthMs = 400 * 86_400_000

/** The dish room: what gateways deliver, and what a tablet asks of it. */
export const warewashRoutes =
  (services: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const { pool, guard } = services
    const watch = dishWatch(services)

    app.post(
      '/api/devices/samples',
      {
        config: { rateLimit: deliveries(pool) },
        schema: {
          body: deliveryBody,
        },
      },
      async (request) => {
        const { site: where, device } = await knownDevice(pool, request)
        if (device.kind !== 'dish-probe') throw new Refusal('device_unknown')
        return watch.take(where, device, request.body)
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
