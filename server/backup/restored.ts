import type { Client } from '../db/pool.ts'

/** More sessions than any site begins between two backups. */
const sessionsSkipped = 1_000_000

/**
 * Over what a backup held: who was signed in then is not signed in now, and what was revoked stays revoked. The numbers of sessions that
 * began since are not given again, as passes name them. As the owner of the database.
 */
export async function endSessions(owner: Pick<Client, 'query'>): Promise<void> {
  await owner.query('update session set expires_at = now() where expires_at > now()')
  await owner.query(
    `select setval(pg_get_serial_sequence('session', 'id'), coalesce(max(id), 0) + $1) from session`,
    [sessionsSkipped],
  )
}
