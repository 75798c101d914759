import { slug } from '@tadka/contract/stream'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { lastBackup } from './queries.ts'

export const backupRoutes =
  ({ pool, guard }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/sites/:site/backup',
      {
        schema: {
          params: z.object({ site: slug }),
          response: { 200: z.object({ at: z.number().nullable(), copied: z.boolean() }) },
        },
      },
      async (request) => {
        await guard.actor(request, request.params.site, 'set-up-house')
        return (await lastBackup(pool)) ?? { at: null, copied: false }
      },
    )
  }
