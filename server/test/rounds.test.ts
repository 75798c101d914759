import type { DayLeft } from '@tadka/core/duty'
import type { StationState } from '@tadka/core/procedure'
import type { RoundSet, RoundState } from '@tadka/core/round'
import type { AnyDraft, RecordType, SubjectRef } from '@tadka/core/stream'
import type { TaskState } from '@tadka/core/task'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
const cookies: Record<string, string> = {}
beforeAll(async () => {
  server = await testServer(4)
  await comeIn()
})
async function comeIn(): Promise<void> {
  for (const who of ['bao', 'ines', 'oriel']) cookies[who] = await signIn(server.app, who)
}
afterAll(() => server.close())

const minute = 60_000
/** A Thursday's evening, and a quarter of an hour before the next day's close. */
let at = Date.parse('2026-11-26T22:45:00Z')
const nextEvening = Date.parse('2026-11-27T23:15:00Z')
async function send(by: string, type: RecordType, subject: SubjectRef, payload: object) {
  at += minute
  server.clock.now = at
  const made: AnyDraft = draft(at, type, payload, { by, subject })
  const answer = await ask(server, cookies[by] ?? '', 'POST', '/records', { sentAt: at, drafts: [made] })
  expect(answer.statusCode, answer.body).toBe(200)
  const [outcome] = answer.json<{ outcomes: { outcome: string; code?: string }[] }>().outcomes
  return { id: made.id, ...outcome }
}
const state = async <T>(kind: string, id: string) =>
  (await ask(server, cookies['oriel'] ?? '', 'GET', `/subjects/${kind}/${id}`)).json<{ state: T }>().state
const flagsOf = async (id: string) => {
  const { records } = (await ask(server, cookies['oriel'] ?? '', 'GET', '/log?limit=60')).json<{
    records: { id: string; flags: string[] }[]
  }>()
  return records.find((r) => r.id === id)?.flags
}

const to = { kind: 'round', id: 'test-round' } as const
const ask_ = { kind: 'own', say: 'the night safe is locked' } as const
const round: RoundSet = {
  ...{ name: 'Night round', who: 'lead', days: [5], when: 'closing' },
  points: [
    { id: 'safe', area: 'Galley', ask: ask_ },
    { id: 'cold', area: 'Quayside kiosk', ask: { kind: 'read', station: 'kiosk-fridge' } },
  ],
}
const look = { walk: 'w1', point: 'safe', area: 'Galley', ask: ask_, said: '', photo: null, reading: null }
const left = async (when: string) => {
  server.clock.now = Date.parse(when)
  const answer = await ask(server, await signIn(server.app, 'oriel'), 'GET', '/days/2026-11-27')
  return answer.json<{ left: DayLeft[] }>().left
}

describe('a round', () => {
  it('is made by those who set the house up', async () => {
    expect(await send('bao', 'round.set@1', to, round)).toMatchObject({
      outcome: 'refused',
      code: 'not_allowed',
    })
    expect(
      await send('oriel', 'round.set@1', to, { ...round, points: [round.points[0], round.points[0]] }),
    ).toMatchObject({
      outcome: 'refused',
    })
    expect(await send('oriel', 'round.set@1', to, round)).toMatchObject({ outcome: 'accepted' })
    at = nextEvening
    server.clock.now = at
    await comeIn()
  })
  it('that is for leads, begun by crew, is kept and marked', async () => {
    const { id } = await send('bao', 'walk.begun@1', to, { walk: 'w0' })
    expect(await flagsOf(id)).toEqual(['not-theirs'])
    const { id: hers } = await send('ines', 'walk.begun@1', to, { walk: 'w1' })
    expect(await flagsOf(hers)).toEqual([])
  })
  it.each([
    ['not fine, with nothing said', { ...look, fine: false }],
    [
      'a fridge that is fine, without its reading',
      { ...look, point: 'cold', ask: round.points[1]?.ask, fine: true },
    ],
    ['a reading where none is asked', { ...look, fine: true, reading: crypto.randomUUID() }],
  ])('takes no look that is %s', async (_, payload) => {
    expect(await send('ines', 'walk.looked@1', to, payload)).toMatchObject({ outcome: 'refused' })
  })
  it('that cannot read a fridge tells why, and that is not fine', async () => {
    const cold = { ...look, point: 'cold', area: 'Quayside kiosk', ask: round.points[1]?.ask }
    const made = await send('ines', 'walk.looked@1', to, { ...cold, fine: false, said: 'switched off' })
    expect(await flagsOf(made.id)).toEqual([])
  })
  it('whose fridge was not read says so in the log, whatever the tablet calls it', async () => {
    const cold = { ...look, point: 'cold', area: 'Quayside kiosk', ask: round.points[1]?.ask, fine: true }
    const made = await send('ines', 'walk.looked@1', to, { ...cold, reading: crypto.randomUUID() })
    expect(await flagsOf(made.id)).toEqual(['reading-differs'])
    const station = 'kiosk-fridge'
    const reading = await send(
      'ines',
      'reading.taken@1',
      { kind: 'station', id: station },
      {
        ...{ station, run: null, step: null, bath: null, case: null, what: 'cold-product' },
        ...{ reading: { unit: '°C', value: 3.5, interval: { lo: 3.5, hi: 3.5 } }, instruments: [] },
        judgement: { overall: 'in', layers: [], missing: [], profile: { id: 'food-code-2022', version: 1 } },
      },
    )
    const read = (await state<StationState>('station', station)).lastRead
    expect(read?.record).toBe(reading.id)
    const again = await send('ines', 'walk.looked@1', to, {
      ...{ ...cold, reading: reading.id },
      // On a thermometer that nobody entered nobody can tell: no tablet makes that fine.
      fine: read?.verdict === 'in',
    })
    expect(await flagsOf(again.id)).toEqual([])
  })
  it('stands among what of the day is left until all of it was looked at', async () => {
    const kept = at
    expect(await left('2026-11-28T00:30:00Z')).not.toContainEqual(
      expect.objectContaining({ round: 'test-round' }),
    )
    expect(await left('2026-11-28T03:00:00Z')).toContainEqual(
      expect.objectContaining({ what: 'round', round: 'test-round', name: 'Night round', how: 'not-walked' }),
    )
    at = kept
    await send('ines', 'walk.looked@1', to, { ...look, fine: false, said: 'it stood open' })
    await send('ines', 'walk.ended@1', to, { walk: 'w1', left: null })
    expect((await state<RoundState>('round', 'test-round')).walks).toMatchObject([
      { walk: 'w1', asked: 2, unseen: 0, by: 'ines' },
    ])
    expect(await left('2026-11-28T03:00:00Z')).not.toContainEqual(
      expect.objectContaining({ round: 'test-round' }),
    )
    at = kept + 10 * minute
  })
})

describe('something to be done', () => {
  const task = { kind: 'task', id: 'mend-safe' } as const
  const say = 'have the safe’s lock mended'
  it('stands in the day that it was due on, until it is done', async () => {
    const payload = {
      say,
      area: 'Galley',
      owner: 'wen',
      due: '2026-11-27',
      from: { kind: 'round', id: 'test-round' },
    }
    await send('bao', 'task.set@1', task, payload)
    const kept = at
    expect(await left('2026-11-28T12:00:00Z')).toContainEqual({
      what: 'task',
      task: 'mend-safe',
      say,
      owner: 'wen',
    })
    at = kept
    expect(await send('bao', 'task.dropped@1', task, { say, reason: 'new safe' })).toMatchObject({
      code: 'not_allowed',
    })
    await send('bao', 'task.done@1', task, { say, note: 'locksmith was here', photo: null })
    expect(await state<TaskState>('task', 'mend-safe')).toMatchObject({ ended: { how: 'done', by: 'bao' } })
    expect(await left('2026-11-28T12:00:00Z')).not.toContainEqual(
      expect.objectContaining({ task: 'mend-safe' }),
    )
  })
})
