import { newDevice } from '@tadka/contract/device'
import { describe, expect, it } from 'vitest'
import { deviceFrom, emptyDevice, type DeviceDraft } from '../src/house/device-draft.ts'

const typed = (change: Partial<DeviceDraft>): DeviceDraft => ({
  ...emptyDevice(),
  name: 'Galley one',
  ...change,
})

describe('a device that is typed', () => {
  it.each<[string, Partial<DeviceDraft>, boolean]>([
    ['a probe without its machine', {}, false],
    ['a probe on its machine', { station: 'galley-dish' }, true],
    ['a thermometer without its instrument', { kind: 'thermometer' }, false],
    ['a thermometer that is one of the site’s', { kind: 'thermometer', of: 'thermometer-1' }, true],
    ['a meter without its product', { kind: 'dispenser-meter', station: 'galley-dish' }, false],
    ['a meter', { kind: 'dispenser-meter', station: 'galley-dish', of: 'kelpwash' }, true],
    ['no name', { name: ' ', station: 'galley-dish' }, false],
  ])('%s', (_, change, whole) => {
    const body = deviceFrom(typed(change))
    expect(body !== null).toBe(whole)
    // What is whole is what the server takes.
    if (body) expect(newDevice.parse(body)).toEqual(body)
  })
})
