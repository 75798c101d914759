import { stripVTControlCharacters } from 'node:util'
import { demoCluster } from './cluster.ts'
import { started } from './started.ts'

/** Starts what all tests share: the database cluster, and the gallery of pieces, which is no part of what ships. */
export default async function setup(): Promise<() => Promise<void>> {
  const cluster = await demoCluster()
  process.env['TADKA_E2E_OWNER_URL'] = cluster.ownerUrl
  process.env['TADKA_E2E_APP_URL'] = cluster.appUrl
  const { told, stop } = await started(
    ['node_modules/vite/bin/vite.js', 'web', '--port', '0', '--host', '127.0.0.1'],
    (line) => stripVTControlCharacters(line).match(/http:\/\/127\.0\.0\.1:\d+/)?.[0] ?? null,
  )
  process.env['TADKA_GALLERY'] = told
  return async () => {
    await stop()
    await cluster.stop()
  }
}
