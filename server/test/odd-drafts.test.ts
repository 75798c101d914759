import { latestProcedure, type Node, type Procedure } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, started, testServer, type TestServer } from './server.ts'

let server: TestServer
let crew: string
let manager: string
beforeAll(async () => {
  server = await testServer(1)
  crew = await signIn(server.app, 'bao')
  manager = await signIn(server.app, 'oriel')
})
afterAll(() => server.close())

interface Outcome {
  readonly outcome: string
  readonly code?: string
}
async function post(drafts: readonly unknown[], cookie = crew): Promise<Outcome[]> {
  const answer = await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts })
  expect(answer.statusCode, answer.body).toBe(200)
  return answer.json<{ outcomes: Outcome[] }>().outcomes
}
let n = 0
const good = () => started(server.clock.now, `odd-${(n += 1)}`)
const step = (name: string): AnyDraft =>
  draft(server.clock.now, 'run.step.done@2', {
    run: 'odd-x',
    station: 'espresso-bucket',
    step: name,
    facts: {},
  })

describe('one bad draft never blocks the good ones beside it', () => {
  it.each([
    ['an id in capitals', () => ({ ...good(), id: good().id.toUpperCase() })],
    ['a step named like what every object has', () => step('constructor')],
    ['a run named so', () => started(server.clock.now, 'constructor')],
    [
      'a fact named so',
      () =>
        draft(server.clock.now, 'run.step.done@2', {
          run: 'odd-x',
          station: 'espresso-bucket',
          step: 'mix',
          facts: { constructor: 1 },
        }),
    ],
    ['a counter beyond what whole numbers hold', () => ({ ...good(), counter: 1e300 })],
    ['a time that is none', () => ({ ...good(), observedAt: 1e300 })],
    [
      'a payload nested without end',
      () => ({ ...good(), payload: JSON.parse('['.repeat(900) + ']'.repeat(900)) as unknown }),
    ],
    ['nothing', () => null],
  ])('%s', async (_, bad) => {
    const outcomes = await post([good(), bad(), good()])
    expect(outcomes.map((o) => o.outcome)).toEqual(['accepted', 'refused', 'accepted'])
    expect(outcomes[1]?.code).not.toBe('broken')
  })
  it('a counter over a thousand million is a counter', async () => {
    const outcomes = await post([{ ...good(), counter: 3_000_000_000 }, good()])
    expect(outcomes.map((o) => o.outcome)).toEqual(['accepted', 'accepted'])
  })
})

const own = { ...latestProcedure('bucket.fill'), id: 'own.bucket.fill' } as Procedure
const wide = (options: number, choices = 2): Procedure => ({
  ...own,
  options: Array.from({ length: options }, (_, i) => ({
    id: `o-${i}`,
    question: 'q',
    choices: Array.from({ length: choices }, (__, c) => ({ id: `c-${c}`, says: 's' })),
    fallback: 'c-0',
    why: 'w',
  })),
})
/** Inspections whose outcomes multiply: each has two, and a branch asks of each. */
const branching = (count: number): Procedure => {
  const nodes = Array.from({ length: count }, (_, i): Node[] => [
    {
      id: `look-${i}`,
      kind: 'inspect',
      title: 'Look',
      choices: [
        { id: 'fine', name: 'fine', outcome: 'fine' },
        { id: 'worn', name: 'worn', outcome: 'replace' },
      ],
    },
    {
      id: `if-${i}`,
      kind: 'branch',
      on: `look-${i}`,
      is: ['replace'],
      steps: [{ id: 'note', kind: 'do', title: 'Note it' }],
    },
  ]).flat()
  return { ...own, nodes: [...own.nodes, ...nodes] }
}
const set = (document: Procedure, by: string) =>
  draft(
    server.clock.now,
    'procedure.set@1',
    { document },
    { subject: { kind: 'procedure', id: document.id }, by },
  )

describe('a procedure that would be walked without end', () => {
  it('is not even looked at where the sender may not enter one', async () => {
    for (const large of [wide(9), branching(40)])
      expect(await post([set(large, 'bao')])).toMatchObject([{ outcome: 'refused', code: 'not_allowed' }])
    const run = draft(server.clock.now, 'run.started@1', {
      run: 'odd-own',
      station: 'espresso-bucket',
      procedure: { id: own.id, version: 1 },
      parameters: {},
      document: branching(40),
    })
    // What a run brings of its procedure is not believed, nor looked at: the site has none of this name.
    expect(await post([run, good()])).toMatchObject([
      { outcome: 'refused', code: 'procedure_unknown' },
      { outcome: 'accepted' },
    ])
  })
  it.each([
    ['by its options', wide(40), 'body_malformed'],
    ['by the product of their choices', wide(9), 'procedure_too_large'],
    ['by what its inspections can find', branching(40), 'procedure_too_large'],
  ])('is refused as too large: %s', async (_, document, code) =>
    expect(await post([set(document, 'oriel'), { ...good(), by: 'oriel' }], manager)).toMatchObject([
      { outcome: 'refused', code },
      { outcome: 'accepted' },
    ]),
  )
})
