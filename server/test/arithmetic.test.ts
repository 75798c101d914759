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
const tool = { name: 'beaker', capacity: 50, graduation: 1, error: 0.5 }

describe('the arithmetic, for anyone who asks', () => {
  it('doses: WHO/CDC, 5 % to 0.05 % is 1 part to 99', async () => {
    const answer = await post('/api/dose', {
      supply: { kind: 'strength', stock: 50_000 },
      target: 500,
      total: { value: 1, unit: 'L' },
      band: null,
      tools: [],
    })
    expect(answer.json()).toMatchObject({ dose: { concentrate: 10, water: 990 } })
  })
  it('corrects a bath', async () => {
    const body = {
      volume: { value: 3.8, unit: 'L' },
      capacity: { value: 10, unit: 'L' },
      reading: { lo: 50, hi: 100 },
      stock: 25_000,
      band: { lo: 100, hi: 200 },
      tool,
    }
    expect((await post('/api/correction', body)).json()).toMatchObject({ move: 'strengthen', safe: true })
  })
  it('judges a sanitizer', async () => {
    const reading = {
      agent: 'quat',
      strength: { lo: 200, hi: 200 },
      temperature: null,
      ph: null,
      hardness: null,
      label: null,
    }
    expect((await post('/api/judge/sanitizer', reading)).json()).toMatchObject({
      judgement: { overall: 'cannot-tell' },
    })
  })
  it.each([
    [
      'a negative volume',
      '/api/dose',
      {
        supply: { kind: 'strength', stock: 1000 },
        target: 10,
        total: { value: -1, unit: 'L' },
        band: null,
        tools: [],
      },
      'body_malformed',
    ],
    [
      'a number without its unit',
      '/api/dose',
      { supply: { kind: 'strength', stock: 1000 }, target: 10, total: { value: 1 }, band: null, tools: [] },
      'body_malformed',
    ],
    [
      'stock weaker than the target',
      '/api/dose',
      {
        supply: { kind: 'strength', stock: 10 },
        target: 100,
        total: { value: 1, unit: 'L' },
        band: null,
        tools: [],
      },
      'stock_too_weak',
    ],
    [
      'a reading upside down',
      '/api/judge/sanitizer',
      { agent: 'quat', strength: { lo: 2, hi: 1 }, temperature: null, ph: null, hardness: null, label: null },
      'body_malformed',
    ],
  ])('refuses %s', async (_, url, body, code) => {
    const answer = await post(url, body)
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toMatchObject({ code, details: expect.any(Object) })
  })
  it('never breaks on nonsense: 4xx in the one shape', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom('/api/dose', '/api/correction', '/api/judge/sanitizer'),
        fc.jsonValue(),
        async (url, body) => {
          const answer = await post(url, body)
          expect(answer.statusCode).toBeGreaterThanOrEqual(400)
          expect(answer.statusCode).toBeLessThan(500)
          expect(Object.keys(answer.json<object>()).toSorted()).toEqual(['code', 'details', 'message'])
        },
      ),
      { numRuns: 1000 },
    )
  })
  it('is described in OpenAPI', async () => {
    const doc = (await server.app.inject({ method: 'GET', url: '/api/docs/json' })).json<{ paths: object }>()
    expect(Object.keys(doc.paths)).toEqual(
      expect.arrayContaining(['/api/dose', '/api/correction', '/api/judge/sanitizer']),
    )
  })
})
