import { reviewBody } from '@tadka/contract/people'
import { slug } from '@tadka/contract/stream'
import { dateAfter, dayOf } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import { may } from '@tadka/core/rights'
import { exceptionsOf, workTypes } from '@tadka/core/sheet'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { peopleOf } from '../people/queries.ts'
import { daysWithRecords, shiftOf, siteKnown } from '../record/day.ts'
import type { Services } from '../services/services.ts'
import { headOf } from '../stream/heads.ts'
import { appendSigned } from '../stream/signed.ts'
import { sheetOfDay } from './sheets.ts'

const site = z.object({ site: slug })

/** Days looked through by somebody else than who signed them: which wait for it, and the review, signed with a PIN. */
export const reviewRoutes =
  ({ pool, guard, pins, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/api/sites/:site/reviews', { schema: { params: site } }, async (request) => {
      const where = request.params.site
      await guard.actor(request, where, 'review-day')
      const { today, days } = await daysWithRecords(pool, where, now(), workTypes)
      const past = days.filter((day) => day < today)
      return {
        days: await Promise.all(
          past.map(async (day) => {
            const { signatures, reviews } = await shiftOf(pool, where, day)
            const last = reviews.at(-1)
            return {
              day,
              signedBy: signatures.at(-1)?.by ?? null,
              reviewed: last ? { at: last.at, by: last.by } : null,
              // By the end of the day after it: common practice, no source.
              isLate: !last && day < dateAfter(today, -1),
            }
          }),
        ),
      }
    })

    app.post('/api/sites/:site/review', { schema: { params: site, body: reviewBody } }, async (request) => {
      const where = request.params.site
      const { person, pin, note } = request.body
      const actor = await guard.actor(request, where, 'review-day')
      if (actor.id !== person) throw new Refusal('not_allowed', { needs: 'their own PIN' })
      await pins.own(actor.tablet, person, pin, 'review-day')
      const at = now()
      const known = await siteKnown(pool, where)
      const today = dayOf(known.site, instant(at))
      const days = [...new Set(request.body.days)].toSorted()
      const open = days.find((day) => day >= today)
      if (open) throw new Refusal('day_not_over', { day: open })
      const sheets = await Promise.all(days.map((day) => sheetOfDay(pool, where, day, at, known)))
      const others = (await peopleOf(pool, where)).some((p) => p.id !== person && may(p.role, 'review-day'))
      const own = sheets.find((s) => s.signed.at(-1)?.by === person)
      if (own && others) throw new Refusal('review_own', { day: own.day })
      const head = await headOf(pool, where)
      const payloads = sheets.map((sheet) => ({
        ...{ day: sheet.day, upTo: head.seq, head: head.hash, note: note.trim() },
        exceptions: exceptionsOf(sheet).count,
      }))
      const outcomes = await appendSigned(
        { pool, queue },
        where,
        at,
        payloads.map((payload) => ({
          type: 'shift.reviewed@1',
          subject: { kind: 'shift', id: payload.day },
          by: person,
          payload,
        })),
      )
      return { outcomes }
    })
  }
