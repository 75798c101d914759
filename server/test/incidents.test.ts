import type { AnyDraft, RecordType } from '@tadka/core/stream'
import {
  cleansBefore,
  incidentKinds,
  incidentRules,
  stationsTouched,
  type IncidentKind,
  type IncidentState,
} from '@tadka/core/incident'
import { isOut, latestProcedure, type StationState } from '@tadka/core/procedure'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { people, siteId } from '../demo/house.ts'
import { ask, draft, signIn, testServer, type TestServer } from './server.ts'

let server: TestServer
const cookies: Record<string, string> = {}
beforeAll(async () => {
  server = await testServer(1)
  for (const id of ['ines', 'oriel', 'bao']) cookies[id] = await signIn(server.app, id)
})
afterAll(() => server.close())

const pinOf = (id: string) => people.find((p) => p.id === id)?.pin
const codeOf = (answer: { json: () => unknown }) => (answer.json() as { code?: string }).code
let at = Date.parse('2026-11-26T21:30:00Z')
async function send(by: string, id: string, type: RecordType, payload: object) {
  at += 1000
  server.clock.now = at
  const subject = { kind: 'incident', id }
  const made: AnyDraft = draft(at, type, payload, { by, subject })
  const answer = await ask(server, cookies[by] ?? '', 'POST', '/records', {
    ...{ sentAt: at, drafts: [made] },
  })
  expect(answer.statusCode, answer.body).toBe(200)
  return (answer.json() as { outcomes: { outcome: string; code?: string }[] }).outcomes[0]
}
async function states<T>(kind: string): Promise<T[]> {
  const { states: all } = (await ask(server, cookies['ines'] ?? '', 'GET', '/state')).json<{
    states: { kind: string; state: T }[]
  }>()
  return all.filter((s) => s.kind === kind).map((s) => s.state)
}
const stations = () => states<StationState>('station')
const incident = async (id: string) => (await states<IncidentState>('incident')).find((i) => i.id === id)
async function opened(by: string, id: string, kind: IncidentKind): Promise<string[]> {
  const all = await stations()
  const where = { station: 'kiosk-soft-serve', place: 'Galley' }
  const ids = stationsTouched(kind, all, where)
  const of = (s: string) => all.find((one) => one.id === s) as StationState
  const cleans = incidentRules[kind].lasts
    ? null
    : Object.fromEntries(ids.map((s) => [s, cleansBefore(kind, of(s), latestProcedure)]))
  expect(await send(by, id, 'incident.opened@1', { kind, ...where, stations: ids, cleans })).toMatchObject({
    outcome: 'accepted',
  })
  return ids
}
const reopen = (who: string, id: string, ids: readonly string[], pin = pinOf(who), as = who) =>
  ask(server, cookies[as] ?? '', 'POST', `/incidents/${id}/reopen`, { person: who, pin, stations: ids })

describe('something that goes wrong', () => {
  it.each(incidentKinds)(
    '%s: stops what it touches, and brings nothing back before its list is through',
    async (kind) => {
      const before = new Map((await stations()).map((s) => [s.id, JSON.stringify(s)]))
      const ids = await opened('bao', `i-${kind}`, kind)
      for (const s of await stations()) if (ids.includes(s.id)) expect([s.id, isOut(s)]).toEqual([s.id, true])
      for (const some of [ids, ids.slice(0, 1), []])
        expect(codeOf(await reopen('ines', `i-${kind}`, some))).toBe('incident_not_ready')
      // Nor by what no list knows of, said to be over.
      if (incidentRules[kind].lasts) {
        await send('ines', `i-${kind}`, 'incident.false-alarm@1', { stations: ids, reason: 'it was none' })
        for (const s of await stations())
          if (ids.includes(s.id)) expect(JSON.stringify(s)).toBe(before.get(s.id))
        expect(codeOf(await reopen('ines', `i-${kind}`, ids))).toBe('incident_ended')
      } else
        await send('ines', `i-${kind}`, 'incident.false-alarm@1', { stations: ids, reason: 'it was none' })
      for (const s of await stations()) expect([s.id, s.closures ?? []]).toEqual([s.id, []])
    },
  )
  it('is called by crew, and neither over, approved, nor a false alarm by them', async () => {
    const ids = await opened('bao', 'i-crew', 'water-off')
    const photo = null
    for (const [type, payload] of [
      ['incident.over@1', { at, cleans: {} }],
      ['incident.extent@1', { stopped: false, reason: 'short' }],
      ['incident.approved@1', { way: 'authority', who: 'J. Doe', at, photo, conditions: [] }],
      ['incident.false-alarm@1', { stations: ids, reason: 'it was none' }],
      ['incident.reopened@1', { stations: ids, ends: true }],
    ] as const)
      expect(await send('bao', 'i-crew', type, payload)).toMatchObject({ outcome: 'refused' })
    expect(await send('ines', 'i-crew', 'incident.reopened@1', { stations: ids, ends: true })).toMatchObject({
      ...{ outcome: 'refused', code: 'needs_pin' },
    })
    expect(await incident('i-crew')).toMatchObject({ status: 'open', over: null, approval: null })
    await send('ines', 'i-crew', 'incident.false-alarm@1', { stations: ids, reason: 'a test' })
  })
  it('does not come back for what a tablet left out of the record, nor with another’s PIN', async () => {
    const ids = await opened('bao', 'i-device', 'device-out')
    expect(ids).toEqual(['kiosk-soft-serve'])
    const done = (task: string) =>
      send('bao', 'i-device', 'incident.done@1', { task, station: null, note: '', photo: null })
    for (const task of ['second-reading', 'technician', 'foods-through']) await done(task)
    const cold = {
      task: 'cold',
      station: 'kiosk-soft-serve',
      read: { value: 4, unit: '°C' },
      note: '',
      photo: null,
    }
    await send('bao', 'i-device', 'incident.done@1', cold)
    expect(codeOf(await reopen('ines', 'i-device', ids))).toBe('incident_not_ready')
    // A tablet that leaves the cleaning out of what it says.
    const forged = { at, cleans: { 'kiosk-soft-serve': [] } }
    await send('ines', 'i-device', 'incident.over@1', forged)
    expect(codeOf(await reopen('ines', 'i-device', ids))).toBe('incident_not_ready')
    expect(codeOf(await reopen('ines', 'i-device', ['galley-dish']))).toBe('incident_not_its_station')
    expect((await reopen('ines', 'i-device', ids, '0000')).statusCode).toBe(401)
    expect((await reopen('bao', 'i-device', ids)).statusCode).toBe(403)
    expect((await reopen('ines', 'nothing', ids)).statusCode).toBe(404)
  })
  it('ends with a lead’s own PIN once all of its list is done, and takes nothing afterwards', async () => {
    const ids = await opened('bao', 'i-eyes', 'splash')
    expect(ids).toEqual([])
    const done = (task: string) =>
      send('bao', 'i-eyes', 'incident.done@1', { task, station: null, note: '', photo: null })
    for (const task of ['clothes', 'poison', 'sheet-along', 'wash-away', 'rinse']) await done(task)
    // Rinsed for seconds: it is on record, and not done.
    expect(codeOf(await reopen('ines', 'i-eyes', []))).toBe('incident_not_ready')
    at += 15 * 60_000
    await done('rinse')
    expect((await reopen('ines', 'i-eyes', [])).statusCode).toBe(200)
    expect(await incident('i-eyes')).toMatchObject({ status: 'ended', ended: { by: 'ines' } })
    expect(codeOf(await reopen('ines', 'i-eyes', []))).toBe('incident_ended')
    await send('ines', 'i-eyes', 'incident.false-alarm@1', { stations: [], reason: 'it was none' })
    expect(await incident('i-eyes')).toMatchObject({ status: 'ended' })
  })
  it('has a written procedure count only where it was entered before', async () => {
    const set = (await states<Record<string, unknown>>('site')).find((s) => s['id'] === siteId)
    const { id: _, water: _w, entered: _e, ...plain } = set ?? {}
    const payload = { ...plain, timeOnly: { hours: 4, written: 'red folder' } }
    at += 1000
    server.clock.now = at
    const subject = { kind: 'site', id: siteId }
    const made = draft(at, 'site.set@1', payload, { by: 'oriel', subject })
    await ask(server, cookies['oriel'] ?? '', 'POST', '/records', { sentAt: at, drafts: [made] })
    const after = (await states<{ id: string; entered?: object }>('site')).find((s) => s.id === siteId)
    expect(after?.entered).toEqual({ timeOnly: at })
  })
  it('stands on every tablet until it is over, and a note until it is settled, however many days go by', async () => {
    await opened('bao', 'i-long', 'boil-notice')
    const day = '2026-11-26'
    const subject = { kind: 'shift', id: day }
    const note = draft(
      at,
      'note.left@1',
      { day, kind: 'other', station: null, said: 'the door sticks' },
      { by: 'bao', subject },
    )
    await ask(server, cookies['bao'] ?? '', 'POST', '/records', { sentAt: at, drafts: [note] })
    at += 4 * 86_400_000
    server.clock.now = at
    cookies['ines'] = await signIn(server.app, 'ines')
    expect(await incident('i-long')).toMatchObject({ status: 'open' })
    // What has ended is asked for no more.
    expect(await incident('i-eyes')).toBeUndefined()
    const shifts = await states<{ id: string; notes?: { said: string }[] }>('shift')
    expect(shifts).toMatchObject([{ id: day, notes: [{ said: 'the door sticks' }] }])
  })
})
