import { illnessBody, illnesses } from '@tadka/contract/illness'
import { slug } from '@tadka/contract/stream'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { findPerson } from '../people/queries.ts'
import type { Services } from '../services/services.ts'
import { eraseIllness, illnessesOf, keepIllness } from './queries.ts'

const site = z.object({ site: slug })
const one = site.extend({ illness: slug })

/** Illness of staff: for managers alone, in no log and no pack, and erased when it is no longer needed. */
export const illnessRoutes =
  ({ pool, guard }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/sites/:site/illness',
      { schema: { params: site, response: { 200: illnesses } } },
      async (request) => {
        const where = request.params.site
        await guard.actor(request, where, 'keep-illness')
        return { illnesses: await illnessesOf(pool, where) }
      },
    )

    app.post(
      '/api/sites/:site/illness/:illness',
      { schema: { params: one, body: illnessBody } },
      async (request, reply) => {
        const { site: where, illness } = request.params
        await guard.actor(request, where, 'keep-illness')
        if (!(await findPerson(pool, where, request.body.person))) throw new Refusal('not_found')
        await keepIllness(pool, where, illness, request.body)
        return reply.code(204).send()
      },
    )

    app.delete('/api/sites/:site/illness/:illness', { schema: { params: one } }, async (request, reply) => {
      const { site: where, illness } = request.params
      await guard.actor(request, where, 'keep-illness')
      if (!(await eraseIllness(pool, where, illness))) throw new Refusal('not_found')
      return reply.code(204).send()
    })
  }
