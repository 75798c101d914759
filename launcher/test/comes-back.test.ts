import type { ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { freePort } from '../free-port.ts'
import { alive, childrenOf, freshData, launch, postmasterOf, toEnd, until } from '../launched.ts'

const data = freshData('back')
let port: number
let launcher: ChildProcess
const pid = () => launcher.pid ?? 0
const server = () => childrenOf(pid(), 'server/main.ts')[0] ?? 0

async function start(): Promise<void> {
  launcher = launch(data, ['demo', '--days', '1', '--port', String(port)])
  await until(launcher, 'Ctrl-C stops it.')
}
const up = async () => (await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null))?.status === 200
/** However long a slow machine takes: how long it may take is measured elsewhere. */
const patient = { timeout: 100_000, interval: 50 }
const untilUp = () => vi.waitFor(async () => expect(await up()).toBe(true), patient)
const untilGone = (one: number) => vi.waitFor(() => expect(alive(one)).toBe(false), patient)

beforeAll(async () => {
  port = await freePort()
  await start()
})
afterAll(async () => {
  if (!alive(pid())) return
  launcher.kill('SIGINT')
  await once(launcher, 'exit')
})

describe('what was started', () => {
  it('serves again after its server was killed', async () => {
    const killed = server()
    expect(killed).toBeGreaterThan(0)
    process.kill(killed, 'SIGKILL')
    await untilGone(killed)
    await untilUp()
    expect(server()).not.toBe(killed)
  })
  it('serves again after its database was killed', async () => {
    const killed = postmasterOf(data)
    process.kill(killed, 'SIGKILL')
    await untilGone(killed)
    await untilUp()
    expect(postmasterOf(data)).not.toBe(killed)
  })
  it('is told of by a second start in the same folder, which harms nothing', async () => {
    const { code, said } = await toEnd(launch(data, ['demo', '--port', String(await freePort())]))
    expect(code).toBe(1)
    expect(said).toContain(`Tadka runs already over ${data} (process ${pid()})`)
    expect(await up()).toBe(true)
  })
  it('leaves nothing behind where the launcher itself was killed, and the next start takes over', async () => {
    const left = [server(), postmasterOf(data), ...childrenOf(pid(), 'devices/main.ts')]
    expect(left.every(alive)).toBe(true)
    const ended = once(launcher, 'exit')
    launcher.kill('SIGKILL')
    await ended
    for (const one of left) await untilGone(one)
    await start()
    await untilUp()
  })
})
