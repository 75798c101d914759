import type { Pool } from '../db/pool.ts'

/** When everything was last backed up, milliseconds UTC; null where it never was. */
export async function lastBackup(pool: Pool): Promise<number | null> {
  const { rows } = await pool.query<{ at: number | null }>('select max(at) as at from backup')
  return rows[0]?.at ?? null
}
