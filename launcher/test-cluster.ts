import { startCluster } from './cluster.ts'
import { dropMade } from './like.ts'
import { dataDir } from './paths.ts'

/** A private cluster for the tests of the server, apart from the one that the application uses; told by the environment. */
export default async function setup(): Promise<() => Promise<void>> {
  const cluster = await startCluster(dataDir, 'test', () => {}, { isDurable: false })
  await dropMade(cluster, /^(like|t)_/)
  process.env['TADKA_TEST_OWNER_URL'] = cluster.ownerUrl
  process.env['TADKA_TEST_APP_URL'] = cluster.appUrl
  return cluster.stop
}
