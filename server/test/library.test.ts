import {
  allProcedures,
  optionSets,
  stationFold,
  stepsOf,
  type InspectChoice,
  type Procedure,
  type StationState,
} from '@tadka/core/procedure'
import type { AnyDraft, StationSet } from '@tadka/core/record'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { workRun } from '../demo/crew.ts'
import { Diary, seeded } from '../demo/diary.ts'
import { siteId } from '../demo/house.ts'
import { stations } from '../demo/products.ts'
import { signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie: string
beforeAll(async () => {
  server = await testServer(1)
  cookie = await signIn(server.app, 'bao', 'oriel')
})
afterAll(() => server.close())

const plateFor = (p: Procedure): StationSet => {
  const found = Object.values(stations).find(
    (s) => s.family === p.family || s.family.startsWith(`${p.family}.`),
  )
  if (!found) throw new Error(`the demo has no station for ${p.id}`)
  return found
}
const outcomesOf = (p: Procedure): InspectChoice['outcome'][] => {
  const offered = stepsOf(p.nodes).flatMap((s) =>
    s.kind === 'inspect' ? s.choices.map((c) => c.outcome) : [],
  )
  return [...new Set(['fine' as const, ...offered])]
}

async function post(drafts: readonly AnyDraft[]): Promise<{ outcome: string; flags?: string[] }[]> {
  const answer = await server.app.inject({
    method: 'POST',
    url: `/api/sites/${siteId}/records`,
    headers: { cookie },
    payload: { sentAt: server.clock.now, drafts },
  })
  expect(answer.statusCode).toBe(200)
  return answer.json<{ outcomes: { outcome: string; flags?: string[] }[] }>().outcomes
}

async function stationNow(id: string): Promise<StationState> {
  const answer = await server.app.inject({
    url: `/api/sites/${siteId}/subjects/station/${id}`,
    headers: { cookie },
  })
  return answer.json<{ state: StationState }>().state
}

describe('a crew works every procedure of the library to its end, through the API', () => {
  it.each(allProcedures().map((p) => [p.id, p] as const))(
    '%s: every option, every outcome',
    async (id, p) => {
      const plate = plateFor(p)
      const sets = optionSets(p)
      const outcomes = outcomesOf(p)
      // Every set of options once, and every outcome under the first of them.
      const ways = [
        ...sets.map((options) => ({ options, outcome: 'fine' as const })),
        ...outcomes
          .slice(1)
          .map((outcome) => ({ options: sets[0] ?? {}, outcome, weakMix: outcome === 'watch' })),
      ]
      const worked = new Set<string>()
      for (const [n, way] of ways.entries()) {
        const station = `st-${id.replaceAll('.', '-')}-${n}`.slice(0, 60)
        const diary = new Diary(siteId, `crew-${station}`)
        const start = server.clock.now
        const set = diary.note(start, 'oriel', 'station.set@1', { kind: 'station', id: station }, plate)
        const fresh = stationFold.apply(stationFold.initial(station), { ...set, clockOffset: 0 } as never)
        const worker = { by: 'bao', random: seeded(n + 1), weakMix: false, ...way }
        const end = Math.ceil(workRun(diary, fresh, p, start, worker))
        // What takes hours is written down as it would be at its end.
        server.clock.now = Math.max(server.clock.now, end + 60_000)
        for (let i = 0; i < diary.drafts.length; i += 50) {
          const outcomes_ = await post(diary.drafts.slice(i, i + 50))
          expect(outcomes_.filter((o) => o.outcome !== 'accepted')).toEqual([])
        }
        const { facets, currentRun, lastRuns } = await stationNow(station)
        expect(currentRun).toBeNull()
        expect(Object.keys(lastRuns)).toEqual([id])
        // What it ends in, where it is not what it must be begun in.
        const begins: Record<string, unknown> = { ...p.begins }
        const changed = Object.entries(p.ends ?? {}).filter(([k, v]) => begins[k] !== v)
        expect(facets).toMatchObject(Object.fromEntries(changed))
        for (const d of diary.drafts)
          if (d.type === 'run.step.done@1' || d.type === 'reading.taken@1')
            worked.add(d.payload.step?.split('.').at(-1) ?? '')
        server.clock.now = end + 60_000
      }
      expect(
        stepsOf(p.nodes)
          .filter((s) => !worked.has(s.id))
          .map((s) => s.id),
      ).toEqual([])
    },
  )
})
