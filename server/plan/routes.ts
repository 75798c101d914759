import { timingSafeEqual } from 'node:crypto'
import { planProblem } from '@tadka/contract/plan'
import { slug, words } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import { may } from '@tadka/core/rights'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { newToken, tokenHash } from '../people/secrets.ts'
import { findPerson } from '../people/queries.ts'
import type { CalendarAsked } from './calendar-job.ts'
import { learnedBySite } from './learned.ts'
import type { PlanAsked, Planned } from './plan-job.ts'
import { calendarKey, setCalendarKey } from './queries.ts'

const site = z.object({ site: slug })
const planJob = new URL('./plan-job.ts', import.meta.url)
const calendarJob = new URL('./calendar-job.ts', import.meta.url)
/** A problem that takes longer is refused; a calendar that does, has come to grief. */
const [longestMs, calendarMs] = [60_000, 20_000]
const askedAtMost = { max: 20, timeWindow: '1 minute' }

/** Planning for who has no tablet at hand: calendars that people subscribe to, and problems sent as JSON. */
export const planRoutes =
  ({ pool, guard, now, work }: Services): FastifyPluginAsyncZod =>
  async (app) => {
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
      async ({ body }) => {
        try {
          return await work.answer<PlanAsked, Planned>(planJob, body, longestMs)
        } catch (error) {
          throw error instanceof Refusal && error.code === 'work_too_long'
            ? new Refusal('plan_unfinished')
            : error
        }
      },
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
        schema: { params: site.extend({ person: slug, key: words(100).min(20) }) },
      },
      async (request, reply) => {
        const { site: where, person, key } = request.params
        const kept = await calendarKey(pool, where, person)
        const named = kept && isSame(kept, tokenHash(key)) ? await findPerson(pool, where, person) : null
        if (!named) throw new Refusal('not_found')
        const visits = may(named.role, 'close-case')
        const asked = { site: where, person: { id: person, name: named.name }, visits, now: now() }
        const text = await work.answer<CalendarAsked, string | null>(calendarJob, asked, calendarMs)
        if (text === null) throw new Refusal('not_found')
        return reply
          .header('content-type', 'text/calendar; charset=utf-8')
          .header('cache-control', 'no-store')
          .send(text)
      },
    )
  }

const isSame = (a: string, b: string) =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b))
