import { decideBody, heldList, slug } from '@tadka/contract/record'
import { permissionFor, may } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../app/services.ts'
import { findPerson } from '../people/queries.ts'
import { appendBatch } from './append.ts'
import { decide, heldDraft, undecided } from './held.ts'

const site = z.object({ site: slug })

/** What came and may not go into the log as it is: a manager lets it in or leaves it out; it is kept either way. */
export const heldRoutes =
  ({ pool, guard, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/sites/:site/held',
      {
        schema: {
          tags: ['records'],
          summary: 'What waits for a manager to decide about it',
          params: site,
          response: { 200: heldList },
        },
      },
      async (request) => {
        await guard.actor(request, request.params.site, 'read')
        return { held: await undecided(pool, request.params.site) }
      },
    )

    app.post(
      '/api/sites/:site/held/:id',
      {
        schema: {
          tags: ['records'],
          summary: 'Lets one in, or leaves it out, with a reason',
          params: site.extend({ id: z.uuid() }),
          body: decideBody,
        },
      },
      async (request) => {
        const { site: where, id } = request.params
        const { take, reason } = request.body
        const actor = await guard.actor(request, where, 'decide-held')
        const held = await heldDraft(pool, where, id)
        if (!held) throw new Refusal('not_found')
        const [at, { draft }] = [now(), held]
        if (take) {
          const role = (await findPerson(pool, where, draft.by))?.role
          if (!role || !may(role, permissionFor(draft.type)))
            throw new Refusal('not_allowed', { needs: permissionFor(draft.type) })
          // What claimed a time to come was seen when it came, at the latest.
          const latest = held.receivedAt - draft.observedAt
          const [outcome] = await queue.run(where, () =>
            appendBatch(pool, {
              site: where,
              drafts: [draft],
              clockOffset: Math.min(held.clockOffset, latest),
              receivedAt: at,
              allow: () => role,
              oddly: () => ['let-in'],
              memory: queue.memory,
            }),
          )
          if (outcome?.outcome === 'refused') return { outcome }
        }
        await decide(pool, where, id, { by: actor.id, at, taken: take, reason })
        return { outcome: { id, outcome: take ? 'accepted' : 'left-out' } }
      },
    )
  }
