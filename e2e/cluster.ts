import { startCluster, type Cluster } from '../launcher/cluster.ts'
import { dropMade } from '../launcher/like.ts'
import { dataDir } from '../launcher/paths.ts'

/** A cluster for demo databases, without those of an earlier run. */
export async function demoCluster(): Promise<Cluster> {
  const cluster = await startCluster(dataDir, 'e2e', () => {}, { isDurable: false })
  await dropMade(cluster, /^(like|demo)_/)
  return cluster
}
