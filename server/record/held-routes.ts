import { decideBody, heldList } from '@tadka/contract/record'
import { slug, type DraftOutcome } from '@tadka/contract/stream'
import { permissionFor } from '@tadka/core/record'
import { may } from '@tadka/core/rights'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { everyoneOf } from '../people/queries.ts'
import { appendBatch } from '../stream/append.ts'
import { decide, heldDraft, undecided, type HeldDraft } from './held.ts'

const site = z.object({ site: slug })

/** What came and may not go into the log as it is: a manager lets it in or leaves it out; it is kept either way. */
export const heldRoutes =
  ({ pool, guard, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    async function letIn(where: string, held: HeldDraft, at: number): Promise<DraftOutcome | undefined> {
      const { draft } = held
      // Whoever has left since did what they did.
      const role = (await everyoneOf(pool, where)).find((p) => p.id === draft.by)?.role
      const needs = permissionFor(draft.type)
      if (!role || !may(role, needs)) throw new Refusal('not_allowed', { needs })
      const [outcome] = await appendBatch(pool, {
        site: where,
        drafts: [draft],
        // What claimed a time to come was seen when it came, at the latest.
        clockOffset: Math.min(held.clockOffset, held.receivedAt - draft.observedAt),
        receivedAt: at,
        allow: () => role,
        extraFlags: () => ['let-in'],
        memory: queue.memory,
      })
      return outcome
    }

    app.get(
      '/api/sites/:site/held',
      {
        schema: {
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
          params: site.extend({ id: z.uuid() }),
          body: decideBody,
        },
      },
      async (request) => {
        const { site: where, id } = request.params
        const { take, reason } = request.body
        const actor = await guard.actor(request, where, 'decide-held')
        // One after another: what one lets in, another cannot leave out meanwhile.
        return queue.run(where, async () => {
          const held = await heldDraft(pool, where, id)
          if (!held) throw new Refusal('not_found')
          const at = now()
          const added = take ? await letIn(where, held, at) : null
          if (added?.outcome === 'refused') return { outcome: added }
          await decide(pool, where, id, { by: actor.id, at, taken: take, reason })
          return { outcome: { id, outcome: take ? 'accepted' : 'left-out' } }
        })
      },
    )
  }
