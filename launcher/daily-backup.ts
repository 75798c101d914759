import { openPool } from '../server/db/pool.ts'
import { lastBackup } from '../server/backup/queries.ts'
import { makeBackup, type BackupPlaces } from './backup.ts'
import type { Cluster } from './cluster.ts'
import { asTrouble, Trouble } from './trouble.ts'

const dayMs = 86_400_000
const lookMs = 15 * 60_000

/**
 * Backs everything up now, where the last time was a day ago or more, and from then on once a day, until it is told to stop. What goes
 * wrong is told, and tried again a quarter of an hour later.
 */
export function backUpDaily(cluster: Cluster, places: BackupPlaces, say: (line: string) => void): () => void {
  let working = false
  async function look(): Promise<void> {
    if (working) return
    working = true
    const pool = openPool(cluster.appUrl, () => {})
    try {
      const last = await lastBackup(pool)
      if (last && Date.now() - last.at < dayMs) return
      const { file, warnings } = await makeBackup(cluster.ownerUrl, places, Date.now())
      for (const line of [`Everything was backed up into ${file}`, ...warnings]) say(line)
    } catch (error) {
      const trouble = asTrouble(error)
      const why = trouble instanceof Trouble ? trouble.message : String(error)
      say(`No backup was made: ${why} It is tried again in a quarter of an hour.`)
    } finally {
      working = false
      await pool.end()
    }
  }
  void look()
  const looking = setInterval(() => void look(), lookMs)
  return () => clearInterval(looking)
}
