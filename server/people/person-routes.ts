import { changedPersonBody, newPersonBody, ownSecretBody, pinResetBody } from '@tadka/contract/people'
import { slug } from '@tadka/contract/stream'
import { freeSlug } from '@tadka/core/house'
import { mayUnlock } from '@tadka/core/rights'
import { personFault, type PersonSet } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import type { Actor } from './guard.ts'
import { everyoneOf, findPerson } from './queries.ts'
import { changeRights, personChange, secretChange } from './rights.ts'
import { checkPassword } from './secrets.ts'
import { Waits } from './waits.ts'

const site = z.object({ site: slug })
const onePerson = site.extend({ person: slug })
const named = z.object({ id: slug })
const tags = ['people']

/** Who works at a site: entered, changed, leaving; and their PINs and passwords. Each change is a record. */
export const personRoutes = (services: Services): FastifyPluginAsyncZod => {
  const { pool, guard, hub, pins, queue, now } = services

  /** Throws what forbids it. */
  async function checkChange(actor: Actor, id: string, after: PersonSet): Promise<void> {
    const fault = personFault(actor, id, after, await everyoneOf(pool, actor.site))
    if (fault === 'not_allowed') throw new Refusal(fault, { needs: 'set-up-house' })
    if (fault) throw new Refusal(fault)
  }

  return async (app) => {
    const waits = new Waits()

    app.post(
      '/api/sites/:site/people',
      {
        schema: {
          tags,
          params: site,
          body: newPersonBody,
          response: { 200: named },
        },
      },
      async (request) => {
        const where = request.params.site
        const { pin, password, ...set } = request.body
        const actor = await guard.actor(request, where, 'set-up-house')
        const taken = (await everyoneOf(pool, where)).map((p) => p.id)
        const id = freeSlug(set.name, taken, 'person')
        const person = { ...set, left: false }
        await checkChange(actor, id, person)
        if ((set.login === null) !== (password === null)) throw new Refusal('login_needs_password')
        await changeRights({ pool, queue }, where, actor.id, now(), [
          personChange(id, person),
          await secretChange(pool, where, id, { what: 'pin', secret: pin, toChange: true }),
          ...(password === null
            ? []
            : [await secretChange(pool, where, id, { what: 'password', secret: password, toChange: false })]),
        ])
        return { id }
      },
    )

    app.post(
      '/api/sites/:site/people/:person',
      {
        schema: {
          tags,
          params: onePerson,
          body: changedPersonBody,
          response: { 200: named },
        },
      },
      async (request) => {
        const { site: where, person } = request.params
        const actor = await guard.actor(request, where, 'set-up-house')
        const { password, ...set } = request.body
        const before = (await everyoneOf(pool, where)).find((p) => p.id === person)
        if (!before) throw new Refusal('not_found')
        await checkChange(actor, person, set)
        // A password is given with the role, and never to somebody who is a manager already: theirs is their own.
        const becomes = before.role !== 'manager' && set.role === 'manager'
        if (becomes !== (password !== null)) throw new Refusal('login_needs_password')
        const first = { what: 'password', secret: password ?? '', toChange: false } as const
        await changeRights({ pool, queue }, where, actor.id, now(), [
          personChange(person, set),
          ...(becomes ? [await secretChange(pool, where, person, first)] : []),
        ])
        await hub.endGone()
        return { id: person }
      },
    )

    app.post(
      '/api/sites/:site/people/:person/pin',
      {
        schema: {
          tags,
          params: onePerson,
          body: pinResetBody,
          response: { 200: named },
        },
      },
      async (request) => {
        const { site: where, person } = request.params
        const actor = await guard.actor(request, where, 'unlock-person')
        const found = await findPerson(pool, where, person)
        if (!found) throw new Refusal('not_found')
        if (!mayUnlock(actor.role, found.role)) throw new Refusal('not_allowed', { needs: 'unlock-person' })
        const given = { what: 'pin', secret: request.body.pin, toChange: true } as const
        await changeRights({ pool, queue }, where, actor.id, now(), [
          await secretChange(pool, where, person, given),
        ])
        pins.forget(where, person)
        return { id: person }
      },
    )

    app.post(
      '/api/sites/:site/own-secret',
      {
        schema: {
          tags,
          params: site,
          body: ownSecretBody,
          response: { 200: named },
        },
      },
      async (request) => {
        const where = request.params.site
        const { what, by, now: given, next } = request.body
        const actor = await guard.actor(request, where, 'read')
        if (by === 'pin') await pins.prove(actor.tablet, actor.id, given)
        else {
          const found = await findPerson(pool, where, actor.id)
          const asked = { site: where, from: request.ip, now: now() }
          await checkPassword(waits, asked, found ? [found] : [], given)
        }
        await changeRights({ pool, queue }, where, actor.id, now(), [
          await secretChange(pool, where, actor.id, { what, secret: next, toChange: false }),
        ])
        return { id: actor.id }
      },
    )
  }
}
