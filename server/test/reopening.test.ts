import { dateAt, instantAt } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import {
  cleansBefore,
  decidedTask,
  foodTask,
  incidentKinds,
  incidentKnown,
  incidentList,
  incidentRules,
  type IncidentItem,
  type IncidentKind,
  type IncidentState,
} from '@tadka/core/incident'
import { isOut, latestProcedure, type Procedure, type StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import type { AnyDraft, RecordType } from '@tadka/core/stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { workRun } from '../demo/crew.ts'
import { Diary } from '../demo/diary.ts'
import { people, siteId } from '../demo/house.ts'
import { products, stations } from '../demo/products.ts'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
let cookie = ''
beforeAll(async () => {
  server = await testServer(1)
})
afterAll(() => server.close())

const minute = 60_000
const zone = 'Europe/Dublin'
const pin = people.find((p) => p.id === 'ines')?.pin
/** The clock goes on to a time of day by the site's clocks. */
const clockTo = (day: string, time: string) => {
  const at = instantAt(day, time, zone)
  server.clock.now = Math.max(at, server.clock.now + 1000)
}

/** Those who work sign in anew where their session has ended. */
async function signedIn(): Promise<void> {
  if (cookie !== '' && (await ask(server, cookie, 'GET', '/state')).statusCode === 200) return
  cookie = await signIn(server.app, 'bao', 'ines', 'oriel')
}

async function post(drafts: AnyDraft[]): Promise<void> {
  const answer = await ask(server, cookie, 'POST', '/records', { sentAt: server.clock.now, drafts })
  expect(answer.statusCode, answer.body).toBe(200)
  const { outcomes } = answer.json<{ outcomes: { outcome: string; code?: string }[] }>()
  expect(outcomes.filter((o) => o.outcome !== 'accepted')).toEqual([])
}
function note(type: RecordType, subject: object, payload: object, by = 'ines'): Promise<void> {
  server.clock.now += 1000
  return post([draft(server.clock.now, type, payload, { by, subject })])
}
const on = (id: string, type: RecordType, payload: object, by?: string) =>
  note(type, { kind: 'incident', id }, payload, by)

async function listOf(id: string): Promise<IncidentItem[]> {
  const { states } = (await ask(server, cookie, 'GET', '/state')).json<{
    states: { kind: string; id: string; state: { id: string } }[]
  }>()
  const all = <T>(kind: string) => states.filter((s) => s.kind === kind).map((s) => s.state as T)
  const one = (kind: string) => (of: string) =>
    (states.find((s) => s.kind === kind && s.id === of)?.state ?? null) as never
  const incident = one('incident')(id) as IncidentState
  const known = {
    site: one('site')(siteId) as SiteSet,
    ...{ stations: all<StationState>('station'), baths: all<never>('bath'), reruns: all<never>('rerun') },
    ...{ mixOf: one('mix'), productOf: one('product'), ownProcedure: one('procedure') },
  }
  return incidentList(incident, incidentKnown(incident, known, server.clock.now))
}
const stationOf = async (id: string) =>
  (await ask(server, cookie, 'GET', `/subjects/station/${id}`)).json<{ state: StationState }>().state
const reopen = async (id: string, stations: readonly string[]) => {
  const answer = await ask(server, cookie, 'POST', `/incidents/${id}/reopen`, {
    person: 'ines',
    pin,
    stations,
  })
  return answer.statusCode === 200 ? 'back' : answer.json<{ code: string }>().code
}

let counted = 0
/** Works a run as crew do, with its waits waited out. */
async function worked(station: string, procedure: string): Promise<void> {
  const diary = new Diary(siteId, `hand-${(counted += 1)}`)
  const worker = { by: 'bao', random: () => 0.5, weakMix: false }
  const found = latestProcedure(procedure) as Procedure
  const { end } = workRun(diary, await stationOf(station), found, server.clock.now + 1000, worker)
  server.clock.now = end + 2000
  await post(diary.drafts)
}

/** Does what one thing of a list asks for. */
async function does(id: string, item: IncidentItem): Promise<void> {
  const done = (task: string, more: object = {}) =>
    on(id, 'incident.done@1', { task, station: null, note: '', photo: null, ...more }, 'bao')
  if (item.is === 'run') return worked(item.station, item.procedure)
  if (item.is === 'cold') return done(decidedTask(item.key))
  if (item.is !== 'timer') return done(item.key)
  if (item.from === null) await done(`${item.task}-begun`)
  server.clock.now += item.leastMs ?? 0
  return done(item.task)
}

/** Nights in which the clocks of the site are changed, and what food is that was warm from 23:10 to 03:05 by them. */
const nights = [
  { eve: '2027-03-27', day: '2027-03-28', hours: 2, food: 'ask' },
  { eve: '2027-10-30', day: '2027-10-31', hours: 4, food: 'discard' },
] as const

describe.each(nights)('in the night to $day', ({ eve, day, hours, food }) => {
  const stationFor = (kind: IncidentKind) => `${kind}-${day}`
  const idFor = (kind: IncidentKind) => `i-${kind}-${day}`

  it('everything goes wrong before midnight, each at a machine of its own', async () => {
    clockTo(eve, '23:00')
    await signedIn()
    const urn = stations['galley-urn'] as object
    const { skerrychlor } = products
    const uses = skerrychlor?.uses ?? []
    const label = { ...uses[0], id: 'body-fluids', contactSeconds: 600 }
    const spills = { ...skerrychlor, uses: [...uses, label] }
    await note('product.set@1', { kind: 'product', id: 'spills' }, spills, 'oriel')
    for (const kind of incidentKinds)
      await note('station.set@1', { kind: 'station', id: stationFor(kind) }, urn, 'oriel')
    clockTo(eve, '23:40')
    for (const kind of incidentKinds) {
      const station = stationFor(kind)
      const isNone = incidentRules[kind].touches === 'none'
      const cleans = incidentRules[kind].lasts
        ? null
        : { [station]: cleansBefore(kind, await stationOf(station), latestProcedure) }
      const payload = { kind, station, place: 'Galley', stations: isNone ? [] : [station], cleans }
      await on(idFor(kind), 'incident.opened@1', payload, 'bao')
      expect([kind, isOut(await stationOf(station))]).toEqual([kind, !isNone])
    }
    expect(dateAt(instant(server.clock.now), zone)).toBe(eve)
  })

  it('a rinse of ten minutes to midnight is none; one over midnight is', async () => {
    const rinse = async () => (await listOf(idFor('splash'))).find((i) => i.key === 'rinse')
    const done = () =>
      on(idFor('splash'), 'incident.done@1', { task: 'rinse', station: null, note: '', photo: null }, 'bao')
    clockTo(eve, '23:50')
    await done()
    expect(await rinse()).toMatchObject({ isDone: false, short: true })
    clockTo(day, '00:05')
    await done()
    expect(await rinse()).toMatchObject({ isDone: true, short: false })
  })

  it('food is warm for as long as it was, whatever the clocks on the wall show', async () => {
    clockTo(day, '03:05')
    await signedIn()
    const [id, key] = [idFor('power-cut'), `${foodTask}1`]
    const told = (task: string, more: object) =>
      on(id, 'incident.done@1', { task, station: null, note: '', photo: null, ...more })
    const item = async () => (await listOf(id)).find((i) => i.key === key)
    const read = { value: 9, unit: '°C' }
    await told(key, { food: 'quiche', read, warmSince: instantAt(eve, '23:10', zone) })
    expect(await item()).toMatchObject({ outcome: { is: food }, isDone: false })
    // Kept, since somebody says so: only where it may be asked about.
    await told(decidedTask(key), { kept: true, note: 'it smells fine' })
    expect(await item()).toMatchObject({ isDone: food === 'ask' })
    expect(Math.floor((server.clock.now - instantAt(eve, '23:10', zone)) / (60 * minute))).toBe(hours)
  })

  it.each(incidentKinds)(
    '%s: nothing is served before all of its list is through',
    async (kind) => {
      const id = idFor(kind)
      const station = stationFor(kind)
      const rule = incidentRules[kind]
      const back = rule.touches === 'none' ? [] : [station]
      const notYet = async (what: string) =>
        expect([what, await reopen(id, back)]).toEqual([what, 'incident_not_ready'])
      clockTo(day, '03:05')
      await signedIn()
      await notYet('as it was called')
      if (rule.evacuates) {
        await on(id, 'incident.counted@1', { out: ['bao'], notHere: ['ines'], others: '' }, 'bao')
        await notYet('counted')
      }
      if (rule.lasts) {
        const cleans = { [station]: cleansBefore(kind, await stationOf(station), latestProcedure) }
        // As somebody types it: by the clocks on the wall.
        await on(id, 'incident.over@1', { at: instantAt(day, '03:00', zone), cleans })
        await notYet('over')
      }
      if (kind === 'vomit') await on(id, 'incident.product@1', { product: 'spills' }, 'bao')
      const needsWord = rule.stops !== 'never'
      const approved = (time: string) =>
        on(id, 'incident.approved@1', {
          ...{ way: 'authority', who: 'J. Doe', at: instantAt(eve, time, zone), photo: null, conditions: [] },
        })
      // A word of before it happened.
      if (needsWord) await approved('23:30')
      let done = 0
      for (let left = (await listOf(id)).filter((i) => !i.isDone); left.length > 0; done++) {
        await notYet(`${left.length} left`)
        expect(done).toBeLessThan(30)
        await does(id, left[0] as IncidentItem)
        left = (await listOf(id)).filter((i) => !i.isDone)
      }
      if (needsWord) {
        await notYet('approved before it happened')
        await approved('23:59')
      }
      expect(await reopen(id, back)).toBe('back')
      expect(isOut(await stationOf(station))).toBe(false)
    },
    60_000,
  )
})
