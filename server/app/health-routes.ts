import { statfs } from 'node:fs/promises'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Metrics } from './metrics.ts'
import type { Services } from '../services/services.ts'

/** With less the database stops in the middle of what it writes, bytes. */
const leastRoom = 24 * 1024 * 1024
async function roomAt(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder)
  return bavail * bsize
}
const loopback = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1'])

/**
 * Whether the server is up, whether it can keep what is sent to it, and what it counts: for whoever looks after it.
 * @param dataFolder where the database keeps its files; null where that is another computer.
 */
export const healthRoutes =
  ({ pool, now }: Services, metrics: Metrics, dataFolder: string | null): FastifyPluginAsyncZod =>
  async (app) => {
    app.get(
      '/api/health',
      {
        schema: {
          response: { 200: z.object({ up: z.literal(true), serverTime: z.number() }) },
        },
      },
      async () => {
        await pool.query('select 1')
        return { up: true as const, serverTime: now() }
      },
    )

    app.get(
      '/api/ready',
      {
        config: { rateLimit: { max: 1200, timeWindow: '1 minute' } },
        schema: {
          response: { 200: z.object({ ready: z.literal(true) }) },
        },
      },
      async () => {
        if (dataFolder !== null && (await roomAt(dataFolder)) < leastRoom) throw new Refusal('disk_full')
        await pool.query(
          'insert into probe (at) values (now()) on conflict (only_one) do update set at = excluded.at',
        )
        return { ready: true as const }
      },
    )

    app.get('/api/metrics', {}, async (request, reply) => {
      if (!loopback.has(request.ip)) throw new Refusal('not_allowed', { needs: 'this computer' })
      return reply.type(metrics.contentType).send(await metrics.text())
    })
  }
