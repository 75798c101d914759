import { readFileSync } from 'node:fs'
import { dirname } from 'node:path'
import { fileURLToPath } from 'node:url'
import { buildApp } from './app/app.ts'

/** Serves until told to stop. Settings come by the environment; the launcher sets them. */
const env = process.env
const databaseUrl = env['TADKA_APP_DATABASE_URL']
if (!databaseUrl) {
  console.error('TADKA_APP_DATABASE_URL is not set. Start with ./tadka start, which sets it.')
  process.exit(2)
}
const postmaster = env['TADKA_POSTMASTER_FILE']
const [key, cert] = [env['TADKA_TLS_KEY'], env['TADKA_TLS_CERT']]
const authority = env['TADKA_TLS_AUTHORITY']
const host = env['TADKA_HOST'] ?? '127.0.0.1'
const port = Number(env['TADKA_PORT'] ?? 4180)

const app = await buildApp({
  databaseUrl,
  webRoot: fileURLToPath(new URL('../web/dist', import.meta.url)),
  ...(postmaster ? { dataFolder: dirname(postmaster) } : {}),
  tls:
    key && cert
      ? {
          key: readFileSync(key, 'utf8'),
          cert: readFileSync(cert, 'utf8'),
          ...(authority ? { authority } : {}),
        }
      : null,
})

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void app.close().then(() => process.exit(0)))

// Its launcher was killed: nothing that it started is left behind, and the next start finds the folder free.
process.once(
  'disconnect',
  () =>
    void app
      .close()
      .then(stopDatabase)
      .then(() => process.exit(0)),
)

function stopDatabase(): void {
  try {
    process.kill(Number(readFileSync(postmaster ?? '', 'utf8').split('\n')[0]), 'SIGINT')
  } catch {
    // Another looks after it, or it is gone.
  }
}

try {
  await app.listen({ host, port })
} catch (error) {
  const { code } = error as NodeJS.ErrnoException
  if (code === 'EADDRINUSE')
    console.error(`Port ${port} is taken. Stop what uses it, or choose another: --port ${port + 1}`)
  else if (code === 'EADDRNOTAVAIL')
    console.error(`This machine has no address ${host}. Give one that it has: --host ADDRESS`)
  else console.error(error)
  process.exit(3)
}
process.send?.('listening')
