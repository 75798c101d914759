import { describe, expect, it } from 'vitest'
import { importQuery } from '../logger/index.ts'
import { eventsBody, newDevice } from '../device/index.ts'
import { loggerMapping } from '../logger/records.ts'

const mapping = {
  encoding: 'utf-8',
  delimiter: ';',
  decimal: ',',
  skip: 1,
  time: { column: 0, clock: null, order: 'dmy', zone: 'Europe/Dublin' },
  columns: [{ column: 1, measures: 'ware', unit: '°C' }],
  accuracy: null,
}
const column = (measures: string, unit: string, n = 1) => ({ column: n, measures, unit })

describe('how a logger’s file is read, as it is sent', () => {
  it.each<[string, object, boolean]>([
    ['whole', {}, true],
    ['a pressure in °C', { columns: [column('pressure', '°C')] }, false],
    ['a pressure in psi', { columns: [column('pressure', 'psi')] }, true],
    ['a valve in °C', { columns: [column('valve', '°C')] }, false],
    ['the ware twice', { columns: [column('ware', '°C'), column('ware', '°C', 2)] }, false],
    ['two other temperatures', { columns: [column('other', '°C'), column('other', '°F', 2)] }, true],
    ['no column at all', { columns: [] }, false],
    ['a column before the first', { columns: [column('ware', '°C', -1)] }, false],
    ['an order that is none', { time: { ...mapping.time, order: 'myd' } }, false],
    ['a field nobody knows', { footer: 3 }, false],
  ])('%s', (_, change, sound) =>
    expect(loggerMapping.safeParse({ ...mapping, ...change }).success).toBe(sound),
  )
  it('comes as JSON in the address', () => {
    const query = { station: 'galley-dish', name: 'a.csv', mapping: JSON.stringify(mapping) }
    expect(importQuery.parse(query).mapping).toEqual(mapping)
    expect(importQuery.safeParse({ ...query, mapping: '{' }).success).toBe(false)
    expect(importQuery.safeParse({ ...query, mapping: '{}' }).success).toBe(false)
  })
})

describe('what a device reports', () => {
  const body = (change: object) => ({ boot: 'boot-1', uptime: 100, events: [{ n: 0, at: 5, ...change }] })
  it.each<[string, object, boolean]>([
    ['a lamp', { what: 'clean-light', on: true }, true],
    ['a count', { what: 'cycles', total: 12 }, true],
    ['a count below nought', { what: 'cycles', total: -1 }, false],
    ['half a cycle', { what: 'cycles', total: 1.5 }, false],
    ['a temperature', { what: 'temperature', value: 3.7, unit: '°C' }, true],
    ['a temperature in no unit', { what: 'temperature', value: 3.7 }, false],
    ['what was drawn', { what: 'drawn', millilitres: 0 }, true],
    ['what flowed back', { what: 'drawn', millilitres: -3 }, false],
    ['something later than it was sent', { what: 'cycles', total: 1, at: 101 }, false],
    ['something that nobody knows', { what: 'humidity', value: 4 }, false],
  ])('%s', (_, event, sound) => expect(eventsBody.safeParse(body(event)).success).toBe(sound))
  it('is entered with what its kind needs; without a kind it is a probe', () => {
    const probe = { id: 'probe', name: 'Probe', station: 'galley-dish' }
    expect(newDevice.parse(probe)).toEqual({ ...probe, kind: 'dish-probe', of: null })
    expect(newDevice.safeParse({ ...probe, station: null }).success).toBe(false)
    expect(newDevice.safeParse({ ...probe, kind: 'thermometer', station: null }).success).toBe(false)
  })
})
