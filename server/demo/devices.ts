import { createHash } from 'node:crypto'
import type { NewDevice } from '../device/queries.ts'
import { siteId } from './house.ts'

/** A stand-in that reports to the demo. Its token is no secret: a demo is made to be looked at. */
type DemoDevice = NewDevice & { readonly token: string }

export const demoProbe = {
  id: 'galley-probe',
  name: 'Probe in the galley dish machine',
  kind: 'dish-probe',
  station: 'galley-dish',
  of: null,
  token: 'the-demo-probe-streams-by-this',
} as const satisfies DemoDevice
const demoPanel = {
  id: 'galley-ice-panel',
  name: 'Panel of the galley ice machine',
  kind: 'ice-panel',
  station: 'galley-ice',
  of: null,
  token: 'the-demo-panel-reports-by-this',
} as const satisfies DemoDevice
const demoThermometer = {
  id: 'galley-probe-1',
  name: 'Probe 1',
  kind: 'thermometer',
  station: null,
  of: 'thermometer-1',
  token: 'the-demo-thermometer-reports-by-this',
} as const satisfies DemoDevice
export const demoMeter = {
  id: 'galley-meter',
  name: 'Meter on the galley detergent',
  kind: 'dispenser-meter',
  station: 'galley-dish',
  of: 'kelpwash',
  token: 'the-demo-meter-counts-by-this',
} as const satisfies DemoDevice

export const demoDevices: readonly DemoDevice[] = [demoProbe, demoPanel, demoThermometer, demoMeter]

export const hashOf = ({ token }: DemoDevice): string => createHash('sha256').update(token).digest('hex')
const headerOf = ({ id, token }: DemoDevice): string => `Device ${siteId}/${id}/${token}`
export const demoProbeHeader = headerOf(demoProbe)

/** What the stand-ins sign in with, by the names of their environment. */
export const demoHeaders = {
  TADKA_DEVICE: demoProbeHeader,
  TADKA_PANEL: headerOf(demoPanel),
  TADKA_THERMOMETER: headerOf(demoThermometer),
  TADKA_METER: headerOf(demoMeter),
}
