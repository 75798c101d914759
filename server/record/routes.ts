import { batchBody, slug } from '@tadka/contract/stream'
import { headBody } from '@tadka/contract/record'
import { Refusal } from '@tadka/core/refusal'
import { Readable } from 'node:stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { asLines } from '../work/lines.ts'
import { begun } from '../work/work.ts'
import { inSite } from '../db/transaction.ts'
import { linkOf } from '../people/inspections.ts'
import { staysByPass } from '../people/draft-access.ts'
import { headsMissed } from '../stream/heads.ts'
import * as queries from '../stream/queries.ts'
import { receiveBatch } from './receive.ts'
import type { VerifyLine } from './verify-job.ts'

const site = z.object({ site: slug })
const twoDaysMs = 172_800_000
/** What names what stands in the log; how things are right now is the site's own. */
const forInspectors: ReadonlySet<string> = new Set([
  'site',
  'station',
  'crew',
  'product',
  'instrument',
  'procedure',
])
const verifyJob = new URL('./verify-job.ts', import.meta.url)
/** Years of records are checked in minutes. */
const verifyMs = 30 * 60_000
const verifiesAtMost = { max: 10, timeWindow: '1 minute' }

export const recordRoutes =
  ({ pool, guard, passes: signer, hub, queue, now, count, work }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.post('/api/sites/:site/records', { schema: { params: site, body: batchBody } }, async (request) => {
      const { site: where } = request.params
      const passes = request.body.provenance?.flatMap((p) => p.pass ?? []) ?? []
      const stays = await staysByPass(pool, signer, where, passes)
      const tablet = await guard.tablet(request, where).catch((error: unknown) => {
        // The session is over, or another site's: what carries a pass of this site is taken by it.
        if (stays.size > 0 && error instanceof Refusal) return null
        throw error
      })
      const receivedAt = now()
      const outcomes = await receiveBatch({ pool, queue }, where, request.body, { tablet, stays }, receivedAt)
      count(outcomes)
      return { serverTime: receivedAt, outcomes }
    })

    app.get('/api/sites/:site/state', { schema: { params: site } }, async (request) => {
      const { role, id } = await guard.actor(request, request.params.site, 'inspect')
      const at = now()
      const own = role === 'inspector' ? await linkOf(pool, request.params.site, id, at) : null
      const shown = await queries.snapshot(pool, request.params.site, at - twoDaysMs)
      const isShown = ({ kind, id: which }: (typeof shown.states)[number]) =>
        own === null ||
        (forInspectors.has(kind) && (kind !== 'station' || own.station === null || which === own.station))
      const states = shown.states.filter(isShown)
      return { serverTime: at, ...shown, states }
    })

    app.post(
      '/api/sites/:site/head',
      {
        schema: {
          params: site,
          body: headBody,
          response: { 200: z.object({ holds: z.boolean() }) },
        },
      },
      async (request) => {
        const { site: where } = request.params
        await guard.actor(request, where, 'read')
        const missed = await inSite(pool, where, (db) => headsMissed(db, where, [request.body]))
        if (missed.length > 0)
          request.log.warn({ site: where, ...request.body }, 'a tablet remembers another chain')
        return { holds: missed.length === 0 }
      },
    )

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

    app.post(
      '/api/sites/:site/verify',
      // Each line is sent when it is there.
      { compress: false, config: { rateLimit: verifiesAtMost }, schema: { params: site } },
      async (request, reply) => {
        const { site: where } = request.params
        await guard.actor(request, where, 'verify-chain')
        const lines = await begun(work.pieces<string, VerifyLine>(verifyJob, where, verifyMs))
        return reply.header('content-type', 'application/x-ndjson').send(Readable.from(asLines(lines)))
      },
    )
  }
