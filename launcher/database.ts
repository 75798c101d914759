import { migrate } from '../server/db/migrate.ts'
import { startCluster, type Cluster } from './cluster.ts'
import { dataDir } from './paths.ts'
import { Trouble } from './trouble.ts'

/** The database that DATABASE_URL names, or the private cluster; its schema brought up to date. */
export async function openDatabase(name: string, say: (line: string) => void): Promise<Cluster> {
  const own = process.env['DATABASE_URL']
  const cluster: Cluster = own
    ? {
        ownerUrl: own,
        appUrl: process.env['DATABASE_APP_URL'] ?? own,
        port: 0,
        adopted: true,
        pidFile: null,
        watch: () => {},
        stop: async () => {},
      }
    : await startCluster(dataDir, name, say)
  try {
    await migrate(cluster.ownerUrl)
  } catch (error) {
    await cluster.stop()
    if (own && /ECONN|ENOTFOUND|password|does not exist/.test(String(error)))
      throw new Trouble(
        `The database of DATABASE_URL does not let us in (${(error as Error).message}). Check its address, name and password.`,
      )
    throw error
  }
  return cluster
}
