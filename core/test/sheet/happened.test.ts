import { describe, expect, it } from 'vitest'
import { aboutOf, aboutRefs, daySheet, exceptionsOf, onlyOf, photosOf, standsOf } from '../../sheet/index.ts'
import type { AnyRecord, SubjectRef } from '../../stream/index.ts'
import { recordOf } from '../records.ts'

/** Records are dated in minutes. */
const minute = 60_000
const fault = (at: number): AnyRecord =>
  recordOf(
    at,
    'fault.seen@1',
    { kind: 'fault', id: 'f1' },
    { station: 'slush', kind: 'leak', works: 'care', said: 'drips', photo: 'ab' },
    at,
  )
const mended = (at: number): AnyRecord =>
  recordOf(
    at,
    'fault.mended@1',
    { kind: 'fault', id: 'f1' },
    { station: 'slush', who: 'Mr Teal', did: 'hose', parts: [], labour: null, warranty: false },
    at,
  )
const opened = (at: number): AnyRecord =>
  recordOf(
    at,
    'incident.opened@1',
    { kind: 'incident', id: 'i1' },
    { kind: 'water-off', station: null, place: '', stations: ['slush', 'ice'], cleans: null },
    at,
  )
const done = (at: number, task: string): AnyRecord =>
  recordOf(
    at,
    'incident.done@1',
    { kind: 'incident', id: 'i1' },
    { task, station: null, note: '', photo: null },
    at,
  )
const states: Readonly<Record<string, unknown>> = {
  'fault f1': { seen: { station: 'slush' } },
  'incident i1': { stations: ['slush', 'ice'], station: null, done: {} },
  'bath b1': { where: 'Galley table' },
  'pest p1': { seen: { area: 'Galley' } },
  'trap t1': { trap: { number: '7', kind: 'bait-station' } },
}
const stateOf = ({ kind, id }: SubjectRef) => states[`${kind} ${id}`]
const sheetOf = (records: AnyRecord[], amendments: never[] = []) =>
  daySheet({
    ...{
      day: '2026-11-26',
      from: 0,
      to: 100 * minute,
      records,
      amendments,
      runs: [],
      cases: [],
      stations: [],
    },
    ...{ left: [], signed: [], reviewed: [], charge: [], stateOf },
  })

describe('what happened on a day beside cleaning', () => {
  it('stands by its time, with the machines that it concerns, whether its own record names them or not', () => {
    const { happened } = sheetOf([mended(30), opened(10), fault(20)])
    expect(happened.map((h) => [h.at / minute, h.type, h.about.stations])).toEqual([
      [10, 'incident.opened@1', ['slush', 'ice']],
      [20, 'fault.seen@1', ['slush']],
      [30, 'fault.mended@1', ['slush']],
    ])
    expect(happened[1]?.photos).toEqual(['ab'])
  })
  it('of one station is what concerns it', () => {
    const sheet = sheetOf([opened(10), fault(20)])
    expect(onlyOf(sheet, ['ice']).happened.map((h) => h.type)).toEqual(['incident.opened@1'])
    expect(onlyOf(sheet, ['slush']).happened).toHaveLength(2)
  })
  it('counts among what is looked at first where something went wrong; taken back, it does not', () => {
    const wrong = opened(10)
    expect(exceptionsOf(sheetOf([wrong, fault(20)])).count).toBe(1)
    const back = recordOf(40, 'record.amended@1', wrong.subject, {
      ...{ target: wrong.id, targetType: wrong.type, subjects: [], instead: null, reason: 'a tap astray' },
    })
    const sheet = sheetOf([wrong], [back as never])
    expect(sheet.happened[0]?.amended).toMatchObject({ reason: 'a tap astray' })
    expect(exceptionsOf(sheet).count).toBe(0)
  })
  it('stands as it was put right, with its photos; taken back, nothing of it stands', () => {
    const wrong = fault(10)
    const right = { station: 'slush', kind: 'leak', works: 'care', said: 'drips at the lid', photo: 'ef' }
    const put = (instead: unknown) =>
      recordOf(40, 'record.amended@1', wrong.subject, {
        ...{ target: wrong.id, targetType: wrong.type, subjects: [], instead, reason: 'misheard' },
      })
    const [line] = sheetOf([wrong], [put(right) as never]).happened
    expect(line && standsOf(line)).toMatchObject({
      type: 'fault.seen@1',
      payload: { said: 'drips at the lid' },
    })
    expect([line?.photos, line?.payload]).toEqual([['ef'], wrong.payload])
    const [back] = sheetOf([wrong], [put(null) as never]).happened
    expect([back && standsOf(back), back?.photos]).toEqual([null, []])
  })
  it('put right, what went wrong is looked at first all the same', () => {
    const wrong = opened(10)
    const instead = { kind: 'no-hot-water', station: null, place: '', stations: ['ice'], cleans: null }
    const put = recordOf(40, 'record.amended@1', wrong.subject, {
      ...{ target: wrong.id, targetType: wrong.type, subjects: [], instead, reason: 'only the boiler' },
    })
    const { happened, count } = exceptionsOf(sheetOf([wrong], [put as never]))
    expect([happened.length, count]).toEqual([1, 1])
  })
  it('names the bath that something of a list was done about, and what is not known not at all', () => {
    const about = (r: AnyRecord) => aboutOf(r as never, stateOf)
    expect(aboutRefs(done(5, 'decided.bath b1') as never)).toContainEqual({ kind: 'bath', id: 'b1' })
    expect(about(done(5, 'bath b1')).name).toBe('Galley table')
    expect(about(done(5, 'bath b9')).name).toBe('')
    const settled = recordOf(6, 'pest.settled@1', { kind: 'pest', id: 'p1' }, { said: 'gap closed' })
    expect(about(settled).name).toBe('Galley')
    const looked = recordOf(
      6,
      'trap.looked@1',
      { kind: 'trap', id: 't1' },
      { caught: 1, sound: true, said: '' },
    )
    expect(about(looked)).toEqual({ name: '7', stations: [], bait: true })
    expect(aboutOf(fault(1) as never, () => undefined)).toEqual({ name: '', stations: [], bait: false })
  })
  it('names the food that was decided about, as it was named when it was entered', () => {
    const stateOf = () => ({ stations: [], station: null, done: { 'food.a': { food: 'milk' } } })
    expect(aboutOf(done(5, 'decided.food.a') as never, stateOf).name).toBe('milk')
    expect(aboutOf(done(5, 'decided.food.b') as never, stateOf).name).toBe('')
  })
  it('brings the photos that its records hold', () => {
    expect(photosOf({ type: 'fault.dropped@1', payload: { reason: 'dry' } })).toEqual([])
    const result = { found: [], report: 'cd' }
    expect(photosOf({ type: 'sample.result@1', payload: result })).toEqual(['cd'])
  })
})
