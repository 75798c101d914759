import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { testServer, type TestServer } from './server.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer(1)
})
afterAll(() => server.close())

const post = (url: string, payload: unknown) =>
  server.app.inject({
    method: 'POST',
    url,
    payload: JSON.stringify(payload),
    headers: { 'content-type': 'application/json' },
  })

const litre = { value: 1, unit: 'L' }
const tool = { name: 'beaker', capacity: 50, graduation: 1, error: 0.5 }
const at = (value: number, unit = '°C') => ({ unit, reading: { lo: value, hi: value } })
const dose = { supply: { kind: 'strength', stock: 50_000 }, target: 500, total: litre, band: null, tools: [] }
const bath = {
  volume: { value: 3.8, unit: 'L' },
  capacity: { value: 10, unit: 'L' },
  reading: { lo: 50, hi: 100 },
  supply: { kind: 'strength', stock: 25_000 },
  band: { lo: 100, hi: 200 },
  tools: [tool],
}
const litre100 = { value: 100, unit: 'L' }
const product = { unit: '°C', value: 4, interval: { lo: 4, hi: 4 } }
const machine = {
  kind: 'stationary-dual',
  wash: at(66),
  rinse: at(82),
  pressure: { lo: 100, hi: 100 },
  surface: null,
  plate: null,
}
const sanitizer = {
  agent: 'quat',
  strength: { lo: 200, hi: 200 },
  temperature: null,
  ph: null,
  hardness: null,
  label: null,
}

describe('the arithmetic, for anyone who asks', () => {
  it.each([
    ['5 % to 0.05 % is 1 part to 99 (WHO/CDC)', '/api/dose', dose, { dose: { concentrate: 10, water: 990 } }],
    [
      '1 in 10 of a ratio label',
      '/api/dose',
      { ...dose, supply: { kind: 'ratio', parts: 10, meaning: 'in' }, target: null },
      { dose: { concentrate: 100, strength: null } },
    ],
    [
      'the pour on a tool',
      '/api/dose',
      { ...dose, tools: [tool], band: { lo: 400, hi: 600 } },
      { pour: { shown: 10, holds: true } },
    ],
    [
      'tablets, whole, and the water that fits',
      '/api/dose/pieces',
      { active: 1000, mayBeHalved: false, target: 100, total: { value: 8, unit: 'L' } },
      { inVolume: { pieces: 1, strength: 125 }, exact: { water: 10_000 } },
    ],
    ['a bath strengthened', '/api/correction', bath, { move: 'strengthen', safe: true }],
    [
      'a bath that reads so much or more, of unknown volume',
      '/api/correction',
      { ...bath, volume: null, capacity: null, reading: { lo: 210, hi: null } },
      { move: 'drain-refill', unit: 'share', after: { hi: null } },
    ],
    [
      'a bath of tablets',
      '/api/correction',
      { ...bath, supply: { kind: 'pieces', active: 200, mayBeHalved: true }, tools: [] },
      { move: 'strengthen', unit: 'pieces' },
    ],
    ['cold product', '/api/judge/cold-product', product, { judgement: { overall: 'in' } }],
    [
      'heat as one number: A0 (EN ISO 15883-1, 80 °C is 1 a second)',
      '/api/judge/heat-dose',
      { temperatures: [80, 80, 80], step: 2 },
      { a0: 6 },
    ],
    [
      'detergent dosed by hand into a tank',
      '/api/dose/tank',
      { volume: litre100, rinseWater: litre, band: { lo: 2, target: 3, hi: 4 } },
      { plan: { atFill: 300 } },
    ],
    [
      'a strip that matches the palest block',
      '/api/read/strip',
      { blocks: [50, 100, 200], unit: 'ppm', pick: { matches: 50 } },
      { reading: { lo: 0, hi: 75 } },
    ],
    ['drops of a kit', '/api/read/titration', { drops: 4, perDrop: 50 }, { reading: { lo: 175, hi: 225 } }],
    [
      'food on a thermometer that is past its check',
      '/api/read/thermometer',
      { value: 4, unit: '°C', medium: 'food', accuracy: 0.5, pastCheck: true },
      { reading: { lo: 3.5, hi: 4.5 } },
    ],
    [
      'a thermometer that failed in melting ice',
      '/api/read/thermometer',
      { value: 4, unit: '°C', medium: 'food', accuracy: 0.5, failed: true },
      { reading: null },
    ],
    ['melting ice', '/api/read/ice-point', { read: 0.6, unit: '°C' }, { verdict: 'in' }],
    [
      'a bath that is soiled',
      '/api/correction',
      { ...bath, spoiled: 'soiled' },
      { move: 'remix', why: 'spoiled' },
    ],
    [
      'a bath topped up',
      '/api/top-up',
      {
        volume: litre,
        to: { value: 2, unit: 'L' },
        reading: { lo: 100, hi: 100 },
        stock: 100_000,
        target: 200,
        band: { lo: 150, hi: 400 },
      },
      { concentrate: 3, water: 997, safe: true },
    ],
    [
      'acid on chlorine',
      '/api/may-pour',
      { product: 'acid', inVessel: ['hypochlorite'] },
      { may: false, clash: { effect: 'toxic-gas' } },
    ],
    ['into clear water', '/api/may-pour', { product: 'acid', inVessel: ['water'] }, { may: true }],
    [
      'a dispenser that gives too little',
      '/api/dispenser',
      {
        measured: { value: 40, unit: 'mL' },
        expected: { value: 80, unit: 'mL' },
        target: 250,
        band: { lo: 150, hi: 400 },
        before: [1, 0.75],
      },
      { check: { ratio: 0.5, verdict: 'out' }, drift: { perCheck: -0.25 } },
    ],
  ])('%s', async (_, url, body, expected) => {
    const answer = await post(url, body)
    expect(answer.statusCode).toBe(200)
    expect(answer.json()).toMatchObject(expected)
  })
  it('powder with 35 % available chlorine to 0.5 % is 14.3 g/L (WHO/CDC)', async () => {
    const answer = await post('/api/dose/powder', { active: 0.35, target: 5000, total: litre })
    expect(answer.json<{ grams: number }>().grams).toBeCloseTo(14.3, 1)
  })
})

describe('judging, for anyone who asks', () => {
  it.each([
    ['quat without its label', '/api/judge/sanitizer', sanitizer, 'cannot-tell'],
    ['a dish machine at its limits', '/api/judge/dish-machine', machine, 'in'],
    ['a dish machine whose rinse is cold', '/api/judge/dish-machine', { ...machine, rinse: at(81.9) }, 'out'],
    ['a dish machine not read', '/api/judge/dish-machine', { ...machine, wash: null }, 'cannot-tell'],
    ['hot water by hand', '/api/judge/hot-water', { temperature: at(171, '°F'), seconds: 30 }, 'in'],
    ['hot water too short', '/api/judge/hot-water', { temperature: at(171, '°F'), seconds: 29 }, 'out'],
    ['wash water', '/api/judge/wash-water', { temperature: at(43), label: null }, 'in'],
  ])('%s: %s is %s', async (_, url, body, overall) => {
    expect((await post(url, body)).json()).toMatchObject({ judgement: { overall } })
  })
  it('tells how often utensils are cleaned', async () => {
    expect((await post('/api/cleaning-interval', { room: { value: 41, unit: '°F' } })).json()).toMatchObject({
      hours: 24,
    })
    expect((await post('/api/cleaning-interval', { room: null })).json()).toMatchObject({ hours: 4 })
  })
})

describe('a clear refusal', () => {
  it.each([
    ['a negative volume', '/api/dose', { ...dose, total: { value: -1, unit: 'L' } }, 'body_malformed'],
    ['a number without its unit', '/api/dose', { ...dose, total: { value: 1 } }, 'body_malformed'],
    ['no volume', '/api/dose', { ...dose, total: { value: 0, unit: 'L' } }, 'volume_is_zero'],
    ['stock weaker than the target', '/api/dose', { ...dose, target: 60_000 }, 'stock_too_weak'],
    ['no target for a product with a strength', '/api/dose', { ...dose, target: null }, 'target_is_zero'],
    [
      'powder of more than itself',
      '/api/dose/powder',
      { active: 1.2, target: 100, total: litre },
      'stock_too_weak',
    ],
    ['a band upside down', '/api/correction', { ...bath, band: { lo: 200, hi: 100 } }, 'empty_interval'],
    ['a reading upside down', '/api/correction', { ...bath, reading: { lo: 100, hi: 50 } }, 'empty_interval'],
    [
      'a judged reading upside down',
      '/api/judge/sanitizer',
      { ...sanitizer, strength: { lo: 2, hi: 1 } },
      'body_malformed',
    ],
    ['water at 900 °C', '/api/judge/wash-water', { temperature: at(900), label: null }, 'body_malformed'],
    ['product at 300 °C', '/api/judge/cold-product', { ...product, value: 300 }, 'body_malformed'],
    [
      'a strip without such a block',
      '/api/read/strip',
      { blocks: [50, 100], unit: 'ppm', pick: { matches: 70 } },
      'strip_block_unknown',
    ],
    ['a machine of no kind', '/api/judge/dish-machine', { ...machine, kind: 'bucket' }, 'body_malformed'],
    [
      'filling up to less',
      '/api/top-up',
      { volume: litre, to: litre, reading: { lo: 1, hi: 1 }, stock: 1000, target: 2, band: { lo: 1, hi: 3 } },
      'vessel_too_small',
    ],
  ])('for %s', async (_, url, body, code) => {
    const answer = await post(url, body)
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toEqual({
      code,
      message: expect.any(String) as string,
      details: expect.any(Object) as object,
    })
  })

  const urls = [
    '/api/dose',
    '/api/dose/powder',
    '/api/dose/pieces',
    '/api/correction',
    '/api/top-up',
    '/api/may-pour',
    '/api/dispenser',
    '/api/judge/sanitizer',
    '/api/judge/dish-machine',
    '/api/judge/hot-water',
    '/api/judge/wash-water',
    '/api/judge/cold-product',
    '/api/judge/heat-dose',
    '/api/dose/tank',
    '/api/read/strip',
    '/api/read/titration',
    '/api/read/thermometer',
    '/api/read/ice-point',
    '/api/cleaning-interval',
  ]
  it('for a thousand malformed bodies: 4xx in the one shape, never 5xx', async () => {
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...urls), fc.jsonValue(), async (url, body) => {
        const answer = await post(url, body)
        expect(answer.statusCode).toBeGreaterThanOrEqual(400)
        expect(answer.statusCode).toBeLessThan(500)
        expect(Object.keys(answer.json<object>()).toSorted()).toEqual(['code', 'details', 'message'])
      }),
      { numRuns: 1000 },
    )
  })
  it('for a sound body with one number gone wrong: never 5xx', async () => {
    const odd = fc.oneof(fc.double(), fc.constant(null), fc.constant(-1), fc.constant(1e308), fc.string())
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom('stock', 'volume', 'reading', 'band', 'tool', 'capacity'),
        odd,
        async (field, value) => {
          const answer = await post('/api/correction', { ...bath, [field]: value })
          expect(answer.statusCode).toBeLessThan(500)
        },
      ),
      { numRuns: 300 },
    )
  })
  it('everything is described in OpenAPI', async () => {
    const doc = (await server.app.inject({ method: 'GET', url: '/api/docs/json' })).json<{ paths: object }>()
    expect(Object.keys(doc.paths)).toEqual(expect.arrayContaining(urls))
  })
})
