import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { createInterface } from 'node:readline'
import { fileURLToPath } from 'node:url'
import { stripVTControlCharacters } from 'node:util'

const root = fileURLToPath(new URL('..', import.meta.url))

/** Starts the application over a fresh demo database with a clock that tests may move, and the gallery beside it. */
export default async function setup(): Promise<() => Promise<void>> {
  const application = spawn(process.execPath, ['--import', 'tsx', 'e2e/serve.ts'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const addresses = await firstLine(application)
  Object.assign(process.env, JSON.parse(addresses) as Record<string, string>)
  const gallery = spawn(
    process.execPath,
    ['node_modules/vite/bin/vite.js', 'web', '--port', '0', '--host', '127.0.0.1'],
    {
      cwd: root,
      stdio: ['ignore', 'pipe', 'inherit'],
    },
  )
  process.env['TADKA_GALLERY'] = await addressOf(gallery)
  return async () => {
    gallery.kill('SIGTERM')
    application.kill('SIGTERM')
    await once(application, 'exit')
  }
}

async function firstLine(child: ChildProcess): Promise<string> {
  for await (const line of lines(child)) return line
  throw new Error('the application did not start')
}

async function addressOf(vite: ChildProcess): Promise<string> {
  for await (const line of lines(vite)) {
    const found = stripVTControlCharacters(line).match(/http:\/\/127\.0\.0\.1:\d+/)
    if (found) return found[0]
  }
  throw new Error('the gallery did not start')
}

function lines(child: ChildProcess) {
  if (!child.stdout) throw new Error('no output to read')
  return createInterface({ input: child.stdout })
}
