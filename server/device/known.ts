import { timingSafeEqual } from 'node:crypto'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyRequest } from 'fastify'
import type { Pool } from '../db/pool.ts'
import { tokenHash } from '../people/secrets.ts'
import { findDevice, type DeviceRow } from './queries.ts'

/**
 * A gateway delivers every few seconds, and catches up after an outage. Counted by the device that it is, not by the one that it says
 * it is: whoever only names a device uses up no other's share, but that of its own address.
 */
export const deliveries = (pool: Pool) => ({
  max: 600,
  timeWindow: '1 minute',
  keyGenerator: async (request: FastifyRequest): Promise<string> => {
    const known = await knownDevice(pool, request).catch(() => null)
    return known ? `device ${known.site} ${known.device.id}` : `address ${request.ip}`
  },
})

/** The device that a request comes from, by its token. Throws `device_unknown`. */
export async function knownDevice(
  pool: Pool,
  request: FastifyRequest,
): Promise<{ readonly site: string; readonly device: DeviceRow }> {
  const named = deviceIn(request)
  const device = named && (await findDevice(pool, named.site, named.id))
  const known = device && device.ended_at === null && isSame(device.token_hash, tokenHash(named.token))
  if (!known) throw new Refusal('device_unknown')
  return { site: named.site, device }
}

/** `Device SITE/DEVICE/TOKEN`. */
function deviceIn(request: FastifyRequest): { site: string; id: string; token: string } | null {
  const found = /^Device ([a-z0-9.-]+)\/([a-z0-9.-]+)\/([\w-]{20,})$/.exec(
    request.headers.authorization ?? '',
  )
  const [, site, id, token] = found ?? []
  return site && id && token ? { site, id, token } : null
}

const isSame = (a: string, b: string) =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b))
