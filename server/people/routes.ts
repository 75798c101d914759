import { frontDoor, passwordBody, pinBody, sessionView, type FrontDoor } from '@tadka/contract/people'
import { slug } from '@tadka/contract/stream'
import { may, mayUnlock } from '@tadka/core/rights'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyReply, FastifyRequest } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { enterSession, sessionOf } from './enter.ts'
import { enrolledTablet, tabletOf, type Tablet } from './guard.ts'
import * as queries from './queries.ts'
import { changeRights, secretChange } from './rights.ts'
import { checkPassword } from './secrets.ts'
import * as sessions from './sessions.ts'
import { lockedPins, clearTries } from './tablets.ts'
import { Waits } from './waits.ts'

/** Tries at one name from one address. */
const tries = {
  rateLimit: {
    max: 20,
    timeWindow: '1 minute',
    hook: 'preHandler' as const,
    keyGenerator: (request: FastifyRequest) => `${request.ip} ${nameIn(request.body)}`,
  },
}

const nameIn = (body: unknown): string => {
  const { person, login } = (body ?? {}) as { person?: unknown; login?: unknown }
  return String(person ?? login ?? '')
}

export const peopleRoutes = (services: Services): FastifyPluginAsyncZod => {
  const { pool, hub, guard, pins, queue, now } = services
  return async (app) => {
    const waits = new Waits()
    const view = (tablet: Tablet | null) => sessionOf(services, tablet)
    const signIn = (
      request: FastifyRequest,
      reply: FastifyReply,
      person: queries.PersonRow,
      device: string,
    ) => enterSession(services, request, reply, person, device)

    /** Names, for whoever may see them: a tablet of the site, or somebody signed in. */
    async function atDoor(request: FastifyRequest): Promise<FrontDoor> {
      const [on, present, sites] = await Promise.all([
        enrolledTablet(pool, request),
        tabletOf(pool, request),
        queries.allSites(pool),
      ])
      const isIn = present?.people.some((p) => p.signed_out_at === null) ? present.session.site_id : null
      const site = sites.find((s) => s.id === (isIn ?? on?.site_id)) ?? null
      const tablet = on && on.site_id === site?.id ? { id: on.id, name: on.name } : null
      if (!site) return { hasSite: sites.length > 0, tablet, site, people: [] }
      const [people, locked] = await Promise.all([queries.peopleOf(pool, site.id), lockedPins(pool, site.id)])
      // Whose PIN is locked where is nothing for who looks at the log alone.
      const here = present?.people.filter((p) => p.signed_out_at === null) ?? []
      const looksOn = here.length > 0 && !here.some((p) => may(p.role, 'read'))
      const lockedOn = (id: string) =>
        looksOn ? [] : locked.filter((a) => a.person === id).map((a) => ({ id: a.tablet, name: a.name }))
      return { hasSite: true, tablet, site, people: people.map((p) => ({ ...p, lockedOn: lockedOn(p.id) })) }
    }

    app.get('/api/front-door', { schema: { response: { 200: frontDoor } } }, atDoor)

    app.get('/api/session', { schema: { response: { 200: sessionView } } }, async (request) =>
      view(await tabletOf(pool, request)),
    )

    app.post(
      '/api/session/pin',
      { config: tries, schema: { body: pinBody, response: { 200: sessionView } } },
      async (request, reply) => {
        const { site, person, pin, device, newPin } = request.body
        const on = await enrolledTablet(pool, request)
        const checked = await pins.check(on?.site_id === site ? on : null, person, pin)
        if (checked.pin_to_change) {
          if (newPin === undefined) throw new Refusal('pin_to_change')
          if (newPin === pin) throw new Refusal('pin_same')
          const own = { what: 'pin', secret: newPin, toChange: false } as const
          await changeRights({ pool, queue }, site, person, now(), [
            await secretChange(pool, site, person, own),
          ])
        }
        return signIn(request, reply, checked, device)
      },
    )

    app.post(
      '/api/session/password',
      { config: tries, schema: { body: passwordBody, response: { 200: sessionView } } },
      async (request, reply) => {
        const { login, password, device } = request.body
        const site = (await enrolledTablet(pool, request))?.site_id ?? null
        const found = await queries.findByLogin(pool, site, login)
        const asked = { site, from: request.ip, now: now() }
        return signIn(request, reply, await checkPassword(waits, asked, found, password), device)
      },
    )

    app.delete(
      '/api/session/people/:person',
      { schema: { params: z.object({ person: slug }), response: { 200: sessionView } } },
      async (request) => {
        const tablet = await tabletOf(pool, request)
        if (!tablet) throw new Refusal('not_signed_in')
        await sessions.removeFromSession(pool, tablet.session.id, request.params.person, now())
        await hub.endGone()
        return view(await tabletOf(pool, request))
      },
    )

    app.post(
      '/api/sites/:site/people/:person/unlock',
      {
        schema: {
          params: z.object({ site: slug, person: slug }),
          response: { 200: z.object({ unlocked: slug }) },
        },
      },
      async (request) => {
        const { site, person } = request.params
        const actor = await guard.actor(request, site, 'unlock-person')
        const found = await queries.findPerson(pool, site, person)
        if (!found) throw new Refusal('not_found')
        if (!mayUnlock(actor.role, found.role)) throw new Refusal('not_allowed', { needs: 'unlock-person' })
        await clearTries(pool, site, person)
        pins.forget(site, person)
        return { unlocked: person }
      },
    )
  }
}
