import { slug } from '@tadka/contract/stream'
import { signBody } from '@tadka/contract/people'
import { dayOf } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { headOf } from '../stream/heads.ts'
import { daysWithRecords, leftOfDay, shiftOf, siteOf } from './day.ts'
import { appendSigned } from '../stream/signed.ts'

const site = z.object({ site: slug })
const oneDay = site.extend({ day: z.iso.date() })

/** Trading days: which have records, who signed them, what of them is left; and the signature. */
export const dayRoutes =
  ({ pool, guard, pins, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/api/sites/:site/days', { schema: { params: site } }, async (request) => {
      const where = request.params.site
      await guard.actor(request, where, 'read')
      const { today, days } = await daysWithRecords(pool, where, now())
      return {
        today,
        days: await Promise.all(
          days.map(async (day) => {
            const last = (await shiftOf(pool, where, day)).signatures.at(-1)
            return { day, signed: last ? { at: last.at, by: last.by, reason: last.reason } : null }
          }),
        ),
      }
    })

    app.get('/api/sites/:site/days/:day', { schema: { params: oneDay } }, async (request) => {
      const { site: where, day } = request.params
      await guard.actor(request, where, 'read')
      return {
        day,
        signed: (await shiftOf(pool, where, day)).signatures,
        left: await leftOfDay(pool, where, day, now()),
      }
    })

    app.post('/api/sites/:site/sign', { schema: { params: site, body: signBody } }, async (request) => {
      const where = request.params.site
      const { person, pin, day, reason } = request.body
      const actor = await guard.actor(request, where, 'sign-shift')
      if (actor.id !== person) throw new Refusal('not_allowed', { needs: 'their own PIN' })
      await pins.own(actor.tablet, person, pin, 'sign-shift')
      if (day > dayOf(await siteOf(pool, where), instant(now()))) throw new Refusal('day_not_begun', { day })
      const left = (await leftOfDay(pool, where, day, now())).filter((l) => l.what !== 'amended')
      if (left.length > 0 && reason.trim().length < 3) throw new Refusal('day_not_clean', { left })
      const at = now()
      const openCases = left.flatMap((l) => (l.what === 'case' ? [l.case] : []))
      const head = await headOf(pool, where)
      const payload = {
        day,
        upTo: head.seq,
        head: head.hash,
        openCases,
        reason: reason.trim(),
        left: left.map(({ what, ...names }) => ({
          what,
          ...('station' in names && names.station ? { station: names.station } : {}),
          ...('procedure' in names ? { procedure: names.procedure } : {}),
        })),
      }
      const [outcome] = await appendSigned({ pool, queue }, where, at, [
        { type: 'shift.signed@1', subject: { kind: 'shift', id: day }, by: person, payload },
      ])
      return { outcome }
    })
  }
