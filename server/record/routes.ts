import { batchBody, slug } from '@tadka/contract/record'
import { clockOffsetOf } from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../app/services.ts'
import { guardDraft } from '../people/guard.ts'
import { appendBatch } from './append.ts'
import * as queries from './queries.ts'
import { verifyRecords } from './verify/verify.ts'

const site = z.object({ site: slug })
const twoDaysMs = 172_800_000

export const recordRoutes =
  ({ pool, guard, hub, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.post('/api/sites/:site/records', { schema: { params: site, body: batchBody } }, async (request) => {
      const tablet = await guard.tablet(request, request.params.site)
      const { sentAt, offset, drafts } = request.body
      const receivedAt = now()
      const outcomes = await queue.run(request.params.site, () =>
        appendBatch(pool, {
          site: request.params.site,
          drafts,
          clockOffset: clockOffsetOf(receivedAt, sentAt, offset ?? null),
          receivedAt,
          allow: (draft, at) => guardDraft(tablet, draft, at),
          memory: queue.memory,
        }),
      )
      return { serverTime: receivedAt, outcomes }
    })

    app.get('/api/sites/:site/state', { schema: { params: site } }, async (request) => {
      await guard.actor(request, request.params.site, 'read')
      const at = now()
      return { serverTime: at, ...(await queries.snapshot(pool, request.params.site, at - twoDaysMs)) }
    })

    app.get(
      '/api/sites/:site/subjects/:kind/:id',
      { schema: { params: site.extend({ kind: slug, id: slug }) } },
      async (request) => {
        const { site: where, kind, id } = request.params
        await guard.actor(request, where, 'read')
        const found = await queries.stateOf(pool, where, kind, id)
        if (!found) throw new Refusal('not_found')
        return found
      },
    )

    app.get(
      '/api/sites/:site/events',
      {
        schema: { params: site, querystring: z.object({ after: z.coerce.number().int().min(0).default(0) }) },
      },
      async (request, reply) => {
        const { tablet } = await guard.actor(request, request.params.site, 'read')
        const last = Number(request.headers['last-event-id'])
        const after = Number.isSafeInteger(last) && last > 0 ? last : request.query.after
        hub.subscribe(request.params.site, tablet.session.id, after, () => {
          reply.hijack()
          return reply.raw.writeHead(200, {
            'content-type': 'text/event-stream',
            'cache-control': 'no-store',
            'x-accel-buffering': 'no',
          })
        })
      },
    )

    app.post('/api/sites/:site/verify', { schema: { params: site } }, async (request) => {
      await guard.actor(request, request.params.site, 'verify-chain')
      return verifyRecords(pool, request.params.site)
    })
  }
