import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { siteId } from '../demo/house.ts'
import { products } from '../demo/products.ts'
import { draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  cookie = await signIn(server.app, 'bao', 'oriel')
  const entered = draft(server.clock.now, 'product.set@1', products['brineguard'] as object, {
    subject: { kind: 'product', id: 'gone-quat' },
    by: 'oriel',
  })
  await send(entered)
})
afterAll(() => server.close())

const hourMs = 3_600_000
const losses = (headers: Record<string, string> = { cookie }) =>
  server.app.inject({ method: 'GET', url: `/api/sites/${siteId}/baths/losses`, headers })

async function send(one: object): Promise<void> {
  const answer = await server.app.inject({
    method: 'POST',
    url: `/api/sites/${siteId}/records`,
    headers: { cookie },
    payload: { sentAt: server.clock.now, drafts: [one] },
  })
  expect(answer.body).toContain('accepted')
}

/** A bath mixed at 200 ppm, read by drops four hours later. */
async function gone(bath: string, drops: number): Promise<void> {
  const subject = { kind: 'bath', id: bath }
  // Tablets send what happened while their person was signed in.
  const mixedAt = server.clock.now
  const mixed = draft(
    mixedAt,
    'bath.mixed@1',
    {
      bath,
      where: 'pail',
      station: null,
      run: null,
      product: 'gone-quat',
      productName: 'Gone',
      volume: 4000,
      poured: 5,
      tool: 'jug',
      target: 200,
      capacity: 6000,
    },
    { subject },
  )
  const judgement = { overall: 'in', layers: [], missing: [], profile: { id: 'code', version: 1 } }
  const reading = {
    agent: 'quat',
    strength: null,
    ph: null,
    temperature: null,
    hardness: null,
    label: null,
  }
  const place = {
    station: null,
    run: null,
    step: null,
    bath,
    case: null,
    instruments: ['kit-quat'],
    judgement,
  }
  const picks = { strength: { drops }, ph: null }
  const taken = draft(
    mixedAt + 4 * hourMs,
    'reading.taken@1',
    { ...place, what: 'sanitizer', product: 'gone-quat', reading, picks },
    { subject },
  )
  await send(mixed)
  server.clock.now += 4 * hourMs
  await send(taken)
}

describe('what earlier baths lost', () => {
  it('is fitted to their readings, by product, from far more than a tablet holds', async () => {
    expect((await losses()).json()).not.toHaveProperty('losses.gone-quat')
    for (let i = 0; i < 3; i++) await gone(`gone-${i}`, 4)
    // Told again for half an hour; these took twelve.
    const told = (await losses()).json() as { losses: Record<string, number[]> }
    expect(told.losses['gone-quat']).toHaveLength(3)
    // 200 ppm to 100 ppm in four hours: ln 2 / 4 is 0.173 an hour, drawn a little to the usual 0.1.
    for (const loss of told.losses['gone-quat'] ?? []) {
      expect(loss).toBeGreaterThan(0.13)
      expect(loss).toBeLessThan(0.18)
    }
  })
  it('is told to those who are signed in', async () =>
    expect((await losses({})).json()).toMatchObject({ code: 'not_signed_in' }))
})
