import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deliveryBody, type Delivery } from '@tadka/contract/warewash'
import { deliveryOf, doingAt, gateway, rackOrders, rackStream, seededRandom } from '../index.ts'

const samples = (seconds: number) => {
  const stream = rackStream(3)
  stream.busy(seconds, 30)
  return stream.next(seconds)
}
/** A server that answers as it is told, and remembers what came. */
function answering(...statuses: (number | 'away')[]) {
  const came: { body: Delivery; authorization: string }[] = []
  const send = ((_url: string, init: { body: string; headers: { authorization: string } }) => {
    const status = statuses.shift() ?? 200
    if (status === 'away') return Promise.reject(new TypeError('fetch failed'))
    came.push({ body: JSON.parse(init.body) as Delivery, authorization: init.headers.authorization })
    return Promise.resolve(new Response('{}', { status }))
  }) as unknown as typeof fetch
  return {
    came,
    options: { url: 'http://dish', authorization: 'Device a/b/c', boot: 'boot-1', pauseMs: 0, send },
  }
}

describe('a gateway', () => {
  it('delivers in batches that the contract takes, one second after the other', async () => {
    const { came, options } = answering()
    await gateway({ ...options, batch: 40 }).deliver(samples(100), 100)
    expect(came.map((c) => [c.body.from, c.body.tank.length])).toEqual([
      [0, 40],
      [40, 40],
      [80, 20],
    ])
    for (const { body, authorization } of came) {
      expect(deliveryBody.parse(body)).toEqual(body)
      expect(authorization).toBe('Device a/b/c')
    }
  })
  it('parts a delivery where seconds are missing', async () => {
    const { came, options } = answering()
    await gateway(options).deliver(
      samples(60).filter((s) => s.at < 10 || s.at > 20),
      60,
    )
    expect(came.map((c) => [c.body.from, c.body.tank.length])).toEqual([
      [0, 10],
      [21, 39],
    ])
  })
  it('tries again while the server is away, busy or broken, and each time with the same', async () => {
    const { came, options } = answering('away', 503, 429, 200)
    await gateway(options).deliver(samples(20), 20)
    expect(came).toHaveLength(3)
    expect(new Set(came.map((c) => JSON.stringify(c.body))).size).toBe(1)
  })
  it('gives up where it is refused for good, or after its tries', async () => {
    await expect(gateway(answering(401).options).deliver(samples(5), 5)).rejects.toThrow('refused: 401')
    const away = answering('away', 'away', 'away')
    await expect(gateway({ ...away.options, tries: 3 }).deliver(samples(5), 5)).rejects.toThrow(
      'fetch failed',
    )
  })
  it('doubles and reverses on command', async () => {
    const { came, options } = answering()
    await gateway({ ...options, batch: 10 }, { times: 2, reversed: true }).deliver(samples(30), 30)
    expect(came.map((c) => c.body.from)).toEqual([20, 20, 10, 10, 0, 0])
  })
  it('tells the machine’s bits', () => {
    const all = samples(120)
    const { on } = deliveryOf(all, 'boot-1', 120)
    all.forEach((s, i) => expect(on[i]).toBe((s.pump ? 1 : 0) + (s.valve ? 2 : 0) + (s.door ? 4 : 0)))
  })
})

describe('racks by order', () => {
  it('are apart by a whole cycle, and never past the span', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 4, max: 60 }), (seed, perHour) => {
        const orders = rackOrders(100, 4000, perHour, seededRandom(seed))
        orders.slice(1).forEach((o, i) => expect(o.at - (orders[i]?.at ?? 0)).toBeGreaterThanOrEqual(81))
        expect(orders.every((o) => o.at >= 110 && o.at + 61 < 4000)).toBe(true)
      }),
    )
  })
  it.each([
    [0, undefined, {}],
    [9, { at: 10 }, {}],
    [10, { at: 10 }, { pump: true }],
    [56, { at: 10 }, {}],
    [60, { at: 10 }, { valve: true }],
    [80, { at: 10 }, { door: true }],
    [35, { at: 10, openedAt: 20 }, { door: true }],
  ])('second %i of %j: %j', (second, order, on) =>
    expect(doingAt(second, order)).toEqual({ pump: false, valve: false, door: false, ...on }),
  )
  it('come out the same for the same seed', () => expect(samples(300)).toEqual(samples(300)))
})
