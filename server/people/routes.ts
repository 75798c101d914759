import { frontDoor, passwordBody, pinBody, sessionView, type SessionView } from '@tadka/contract/people'
import { slug } from '@tadka/contract/record'
import { mayUnlock } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyReply, FastifyRequest } from 'fastify'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../app/services.ts'
import { sessionCookie, tabletOf, type Tablet } from './guard.ts'
import * as queries from './queries.ts'
import { checkPassword, checkPin, newToken, tokenHash } from './secrets.ts'
import { PasswordWaits } from './waits.ts'

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

export const peopleRoutes =
  ({ pool, hub, guard, secure, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const waits = new PasswordWaits()
    const view = (tablet: Tablet | null): SessionView => ({
      site: tablet?.session.site_id ?? null,
      device: tablet?.session.device ?? null,
      people: (tablet?.people ?? [])
        .filter((p) => p.signed_out_at === null)
        .map(({ id, name, role, locked }) => ({ id, name, role, locked })),
      serverTime: now(),
    })

    /** Adds the person to this tablet's session, or begins one. */
    async function signIn(
      request: FastifyRequest,
      reply: FastifyReply,
      person: queries.PersonRow,
      device: string,
    ) {
      const tablet = await tabletOf(pool, request)
      let session = tablet?.session.site_id === person.site_id ? tablet.session : null
      if (!session) {
        const token = newToken()
        session = await queries.createSession(pool, tokenHash(token), person.site_id, device)
        reply.setCookie(sessionCookie, token, {
          path: '/',
          httpOnly: true,
          sameSite: 'strict',
          secure,
          maxAge: 57_600,
        })
      }
      await queries.addToSession(pool, session, person.id, now())
      return view({ session, people: await queries.peopleOfSession(pool, session.id) })
    }

    app.get('/api/front-door', { schema: { response: { 200: frontDoor } } }, async () => ({
      sites: await queries.sitesWithPeople(pool),
    }))

    app.get('/api/session', { schema: { response: { 200: sessionView } } }, async (request) =>
      view(await tabletOf(pool, request)),
    )

    app.post(
      '/api/session/pin',
      { config: tries, schema: { body: pinBody, response: { 200: sessionView } } },
      async (request, reply) => {
        const { site, person, pin, device } = request.body
        const checked = await checkPin(pool, await queries.findPerson(pool, site, person), pin)
        return signIn(request, reply, checked, device)
      },
    )

    app.post(
      '/api/session/password',
      { config: tries, schema: { body: passwordBody, response: { 200: sessionView } } },
      async (request, reply) => {
        const { site, login, password, device } = request.body
        const asked = { site, from: request.ip, now: now() }
        const found = await queries.findByLogin(pool, site, login)
        const checked = await checkPassword(waits, asked, found, password)
        return signIn(request, reply, checked, device)
      },
    )

    app.delete(
      '/api/session/people/:person',
      { schema: { params: z.object({ person: slug }), response: { 200: sessionView } } },
      async (request) => {
        const tablet = await tabletOf(pool, request)
        if (!tablet) throw new Refusal('not_signed_in')
        await queries.removeFromSession(pool, tablet.session.id, request.params.person, now())
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
        await queries.clearWrongTries(pool, site, person)
        return { unlocked: person }
      },
    )
  }
