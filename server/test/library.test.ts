import { randomFrom } from '@tadka/core/quantity'
import {
  allProcedures,
  optionSets,
  proceduresOf,
  stepsOf,
  stepsOfRun,
  waitKindOf,
  type InspectChoice,
  type Node,
  type Procedure,
  type StationState,
} from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { typicalStation, type StationSet } from '@tadka/core/house'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { workRun } from '../demo/crew.ts'
import { Diary } from '../demo/diary.ts'
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
  if (found) return found
  const typical = typicalStation(p.family, 'metric')
  if (!typical) throw new Error(`there is no station for ${p.id}`)
  return { name: p.family, tag: '99', place: 'Galley', family: p.family, model: 'typical', ...typical }
}
const outcomesOf = (p: Procedure): InspectChoice['outcome'][] => {
  const offered = stepsOf(p.nodes).flatMap((s) =>
    s.kind === 'inspect' ? s.choices.map((c) => c.outcome) : [],
  )
  return [...new Set(['fine' as const, ...offered])]
}

/** Every choice that a branch opens on, with the options under which it is there. */
function choicesOf(nodes: readonly Node[]): { options: Record<string, string>; choice: string }[] {
  return nodes.flatMap((n) => {
    if (n.kind === 'together') return n.lanes.flatMap((l) => choicesOf(l.steps))
    if (n.kind === 'until' || n.kind === 'each') return choicesOf(n.steps)
    if (n.kind !== 'branch') return []
    const options = Object.fromEntries((n.when ?? []).map((w) => [w.option, w.is[0] ?? '']))
    return [...(n.chose ?? []).map((choice) => ({ options, choice })), ...choicesOf(n.steps)]
  })
}

let entered = 0
/** The station as a procedure begins from, told by the manager as a site would: seen as it stands, or closed by hand. */
async function begin(diary: Diary, station: string, p: Procedure, plate: StationSet): Promise<StationState> {
  const at = server.clock.now
  const subject = { kind: 'station', id: station } as const
  const drafts = [diary.note(at, 'oriel', 'station.set@1', subject, plate)]
  const { contents, assembly = 'whole', power } = p.begins ?? {}
  if (contents === 'product' || contents === 'empty' || contents === 'rinse')
    drafts.push(
      diary.note(at, 'bao', 'station.observed@1', subject, {
        station,
        contents: contents === 'rinse' ? 'empty' : contents,
        assembly,
        power: power === 'isolated' ? 'isolated' : 'on',
      }),
    )
  expect((await post(drafts)).map((o) => o.outcome)).not.toContain('refused')
  const close = proceduresOf(p.family).find((o) => o.id.endsWith('.close'))
  if (p.begins?.hygiene === 'clean' && close) {
    const payload = {
      ...{ person: 'ines', pin: '4711', who: 'bao', read: 'on paper' },
      ...{ station, procedure: { id: close.id, version: close.version } },
      ...{ from: at - 3_600_000, to: at - 1_800_000 },
    }
    const url = `/api/sites/${siteId}/enter`
    // One place signs for only so many in a minute.
    entered += 1
    const remoteAddress = `10.0.0.${entered}`
    const answer = await server.app.inject({
      method: 'POST',
      url,
      headers: { cookie },
      payload,
      remoteAddress,
    })
    expect(answer.json()).toMatchObject({ outcomes: [{ outcome: 'accepted' }] })
  }
  return stationNow(station)
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
        ...choicesOf(p.nodes).map((way) => ({ ...way, outcome: 'fine' as const })),
      ]
      const worked = new Set<string>()
      for (const [n, way] of ways.entries()) {
        const station = `st-${id.replaceAll('.', '-')}-${n}`.slice(0, 60)
        const diary = new Diary(siteId, `crew-${station}`)
        const fresh = await begin(diary, station, p, { ...plate, options: way.options })
        server.clock.now += 60_000
        const start = server.clock.now
        const worker = { by: 'bao', random: randomFrom(n + 1), weakMix: false, ...way }
        const crew = workRun(diary, fresh, p, start, worker)
        const end = Math.ceil(crew.end)
        // What takes hours is written down as it would be at its end.
        server.clock.now = Math.max(server.clock.now, end + 60_000)
        const work = diary.drafts.filter((d) => d.type.startsWith('run.') || !d.type.startsWith('station.'))
        for (let i = 0; i < work.length; i += 50) {
          const answers = await post(work.slice(i, i + 50))
          expect(answers.filter((o) => o.outcome !== 'accepted')).toEqual([])
        }
        const { facets, currentRun, lastRuns, outOfService } = await stationNow(station)
        expect(currentRun).toBeNull()
        // What the server makes of it is what the crew saw.
        expect(facets).toEqual(crew.station.facets)
        if (outOfService) {
          expect(way.outcome).toBe('technician')
          expect(lastRuns[id]).toBeUndefined()
        } else {
          expect(lastRuns[id]).toBeDefined()
          expect(facets).toMatchObject(p.ends ?? {})
        }
        for (const d of diary.drafts)
          if (d.type === 'run.step.done@2' || d.type === 'reading.taken@1')
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

const contacts = (p: Procedure) =>
  stepsOfRun(p, {}).filter((s) => (s.kind === 'wait' || s.kind === 'tend') && waitKindOf(s) === 'contact')

describe('a contact time that is ended early, through the API', () => {
  it.each(
    allProcedures()
      .filter((p) => contacts(p).length > 0)
      .map((p) => [p.id, p] as const),
  )('%s: has not happened, and nothing is sanitized by it', async (id, p) => {
    const station = `hasty-${id.replaceAll('.', '-')}`.slice(0, 60)
    const diary = new Diary(siteId, `crew-${station}`)
    const fresh = await begin(diary, station, p, plateFor(p))
    server.clock.now += 60_000
    const worker = { by: 'bao', random: randomFrom(5), weakMix: false, hasty: true }
    const { end, station: after } = workRun(diary, fresh, p, server.clock.now, worker)
    server.clock.now = Math.ceil(end) + 60_000
    let cuts = 0
    let batch: AnyDraft[] = []
    for (const d of diary.drafts.filter((x) => x.type.startsWith('run.') || x.subject.kind !== 'station')) {
      batch.push(d)
      const next = diary.drafts[diary.drafts.indexOf(d) + 1]
      const early =
        d.type === 'run.step.done@2' &&
        next?.type === 'run.wait.started@2' &&
        next.payload.step === d.payload.step
      if (!early) continue
      expect((await post(batch)).map((o) => o.outcome)).not.toContain('refused')
      batch = []
      cuts += 1
      const before = await stationNow(station)
      expect(before.facets.contact).not.toBe('whole')
      expect(before.sanitizedAt).toBeNull()
      const run = Object.values(before.runs)[0]
      expect(run?.cut[d.payload.step]).toBeDefined()
      expect(run?.done[d.payload.step]).toBeUndefined()
      // Mixed here or only dipped with a strip: the label of what is in use is known, and asks for no more than was waited for.
      if (!stepsOf(p.nodes).some((s) => s.act === 'sanitize')) continue
      const labels = Object.values(run?.done ?? {}).flatMap((x) => (x.label?.agent ? [x.label] : []))
      expect(labels.length).toBeGreaterThan(0)
      const asked = (labels.at(-1)?.contactSeconds ?? 0) * 1000
      expect(run?.cut[d.payload.step]?.leastMs).toBeGreaterThanOrEqual(asked)
    }
    expect(cuts).toBeGreaterThan(0)
    expect((await post(batch)).map((o) => o.outcome)).not.toContain('refused')
    expect((await stationNow(station)).facets).toEqual(after.facets)
  })
})
