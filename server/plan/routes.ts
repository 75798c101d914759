import { fork } from 'node:child_process'
import { timingSafeEqual } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { planProblem } from '@tadka/contract/plan'
import { slug } from '@tadka/contract/stream'
import type { Bound, Plan, PlanProblem } from '@tadka/core/plan'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { newToken, tokenHash } from '../people/secrets.ts'
import { findPerson } from '../people/queries.ts'
import { FeedSources } from './feed-source.ts'
import { personFeed } from './feed.ts'
import { learnedBySite } from './learned.ts'
import { calendarKey, setCalendarKey } from './queries.ts'

const site = z.object({ site: slug })
/** A problem that takes longer is refused. */
const longestMs = 60_000
const askedAtMost = { max: 20, timeWindow: '1 minute' }

/** Planning for who has no tablet at hand: calendars that people subscribe to, and problems sent as JSON. */
export const planRoutes =
  ({ pool, guard, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const sources = new FeedSources(pool)
    app.post(
      '/api/plan',
      {
        config: { rateLimit: askedAtMost },
        preValidation: (request) => guard.anybody(request),
        schema: {
          body: z.strictObject({
            problem: planProblem,
            seed: z.number().int().min(0).max(1e9).default(1),
            iterations: z.number().int().min(0).max(5000).default(1000),
          }),
        },
      },
      ({ body }) => planned(body),
    )

    app.get('/api/sites/:site/learned', { schema: { params: site } }, async (request) => {
      await guard.actor(request, request.params.site, 'read')
      return learnedBySite(pool, request.params.site, now())
    })

    app.post('/api/sites/:site/calendar', { schema: { params: site } }, async (request) => {
      const actor = await guard.actor(request, request.params.site, 'read')
      const key = newToken()
      await setCalendarKey(pool, actor.site, actor.id, tokenHash(key), now())
      return { path: `/api/calendar/${actor.site}/${actor.id}/${key}.ics` }
    })

    app.get(
      '/api/calendar/:site/:person/:key.ics',
      {
        config: { rateLimit: askedAtMost },
        schema: { params: site.extend({ person: slug, key: z.string().min(20).max(100) }) },
      },
      async (request, reply) => {
        const { site: where, person, key } = request.params
        const kept = await calendarKey(pool, where, person)
        const named = kept && isSame(kept, tokenHash(key)) ? await findPerson(pool, where, person) : null
        if (!named) throw new Refusal('not_found')
        const source = await sources.of(where, now())
        if (!source) throw new Refusal('not_found')
        const { crews, ...rest } = source
        const whose = { id: person, name: named.name }
        const text = personFeed({ ...rest, person: whose, crew: crews.get(person) ?? null }, now())
        return reply
          .header('content-type', 'text/calendar; charset=utf-8')
          .header('cache-control', 'no-store')
          .send(text)
      },
    )
  }

const isSame = (a: string, b: string) =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b))

function planned(asked: {
  problem: PlanProblem
  seed: number
  iterations: number
}): Promise<{ plan: Plan; bound: Bound }> {
  return new Promise((resolve, reject) => {
    const child = fork(fileURLToPath(new URL('./plan-process.ts', import.meta.url)), {
      execArgv: ['--import', 'tsx'],
      timeout: longestMs,
    })
    child.once('message', (answer) => resolve(answer as { plan: Plan; bound: Bound }))
    child.once('error', reject)
    child.once('exit', () => reject(new Refusal('plan_unfinished')))
    child.send(asked)
  })
}
