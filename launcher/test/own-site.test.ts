import type { ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { freePort } from '../free-port.ts'
import { alive, freshData, launch, toEnd, until } from '../launched.ts'

const data = freshData('own')
let port: number
let launcher: ChildProcess
const post = async (path: string, body: object) => {
  const answer = await fetch(`http://127.0.0.1:${port}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  return { status: answer.status, said: (await answer.json()) as { code?: string; site?: string } }
}
const start = async () => {
  launcher = launch(data, ['start', '--port', String(port)])
  return until(launcher, 'Ctrl-C stops it.')
}
async function stop(): Promise<void> {
  launcher.kill('SIGINT')
  await once(launcher, 'exit')
}
const codeIn = (said: string) => /enter this code: (\d{4} \d{4})/.exec(said)?.[1] ?? ''
const byPassword = (password: string) =>
  post('/api/session/password', { login: 'ada', password, device: 'laptop' })

beforeAll(async () => {
  port = await freePort()
})
afterAll(async () => {
  if (alive(launcher.pid ?? 0)) await stop()
})

describe('a site of one’s own', () => {
  it('is founded with the code that the start tells; the next start tells none', async () => {
    const code = codeIn(await start())
    const hours = { 1: { open: '06:00', close: '22:30' } }
    const site = { name: 'Harbour Café', timeZone: 'Europe/Dublin', country: 'IE', hours, closedDays: [] }
    const set = { ...site, sailings: [], units: 'metric', freshHours: 4, emergencyNumber: '112' }
    const manager = { name: 'Ada', login: 'ada', password: 'kettle and rope', pin: '5274' }
    const founded = await post('/api/found', { code, site: set, manager, device: 'laptop', tablet: 'Office' })
    expect(founded).toMatchObject({ status: 200, said: { site: 'harbour-cafe' } })
    await stop()
    expect(await start()).not.toContain('enter this code')
    expect((await byPassword('kettle and rope')).status).toBe(200)
  })
  it('gives a manager who lost the password a new one on the console, while it is served', async () => {
    const reset = await toEnd(launch(data, ['reset-password', 'harbour-cafe', 'ada']))
    const password = /the password ([a-z0-9-]+);/.exec(reset.said)?.[1] ?? ''
    expect([reset.code, password.length]).toEqual([0, 19])
    expect((await byPassword('kettle and rope')).said.code).toBe('wrong_password')
    expect((await byPassword(password)).status).toBe(200)
    const nobody = await toEnd(launch(data, ['reset-password', 'harbour-cafe', 'nobody']))
    expect([nobody.code, nobody.said]).toEqual([1, expect.stringContaining('There is no nobody')])
    const whole = await toEnd(launch(data, ['verify']))
    expect([whole.code, whole.said]).toEqual([0, expect.stringContaining('is whole')])
  })
  it('is left alone by the demo, which says where else it may go', async () => {
    await stop()
    const demo = await toEnd(launch(data, ['demo', '--port', String(port)]))
    expect([demo.code, demo.said]).toEqual([1, expect.stringContaining('Harbour Café is kept here')])
    expect(demo.said).toContain('TADKA_DATA=FOLDER ./tadka demo')
  })
})
