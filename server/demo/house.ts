import type { InstrumentSet, SiteSet } from '@tadka/core/house'
import { millilitres } from '@tadka/core/quantity'

/** The demo: the cafés of a night-ferry terminal. All of it is invented. */
export const siteId = 'gannet'

const weekdays = { open: '05:30', close: '23:30' }
const everyDay = [1, 2, 3, 4, 5, 6, 7]

export const site: SiteSet = {
  name: 'Gannet Terminal',
  timeZone: 'Europe/Dublin',
  country: 'IE',
  hours: Object.fromEntries(everyDay.map((d) => [String(d), weekdays])),
  closedDays: [],
  sailings: [
    { departs: '06:45', days: everyDay, load: 0.8 },
    { departs: '11:20', days: everyDay, load: 0.6 },
    { departs: '16:05', days: everyDay, load: 0.7 },
    { departs: '21:10', days: everyDay, load: 1.25 },
    { departs: '22:50', days: [5, 6, 7], load: 0.5 },
  ],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '112',
  meetingPoint: 'Under the clock, across the quay.',
  eyeWash: 'Galley, left of the sink. Its covers come off by themselves.',
  counters: [
    { id: 'espresso', name: 'Espresso bar', quiet: 1, rush: 1 },
    { id: 'kiosk', name: 'Quayside kiosk', quiet: 1, rush: 1 },
    { id: 'galley', name: 'Galley and lounge', quiet: 1, rush: 2 },
  ],
  shared: { sink: 2, table: 2, pail: 4, pot: 2 },
  keepUp: [
    { stations: ['kiosk-nugget', 'galley-ice'], mostDown: 1 },
    { stations: ['lounge-twin', 'lounge-pumped'], mostDown: 1 },
  ],
  lastOfAll: ['galley-dish'],
  prices: { hour: 19, water: 4.2 },
  planning: {
    wish: 'home-soonest',
    neverAlone: true,
    keys: true,
    breaks: { hours: 6, minutes: 20 },
    placeAreas: { sink: 'Galley dish room' },
  },
}

interface DemoPerson {
  readonly id: string
  readonly name: string
  readonly role: 'crew' | 'lead' | 'manager'
  readonly pin: string
  readonly login?: string
  readonly password?: string
}

export const people: readonly DemoPerson[] = [
  { id: 'bao', name: 'Bao', role: 'crew', pin: '2468' },
  { id: 'dara', name: 'Dara', role: 'crew', pin: '1357' },
  { id: 'wen', name: 'Wen', role: 'crew', pin: '8642' },
  { id: 'tomas', name: 'Tomas', role: 'crew', pin: '7531' },
  { id: 'noor', name: 'Noor', role: 'crew', pin: '3690' },
  { id: 'pim', name: 'Pim', role: 'crew', pin: '1928' },
  { id: 'ines', name: 'Ines', role: 'lead', pin: '4711' },
  { id: 'oriel', name: 'Oriel', role: 'manager', pin: '9080', login: 'oriel', password: 'night ferry 2110' },
]

const yearMs = 365 * 86_400_000

/** Instruments with their dates set from when the demo is made, so that they are in date. */
export const instruments = (now: number): Readonly<Record<string, InstrumentSet>> => ({
  'strip-chlorine': {
    kind: 'strip',
    name: 'Chlorine strips, 0 to 200',
    unit: 'ppm',
    agent: 'chlorine',
    blocks: [0, 50, 100, 150, 200],
    colours: ['#f4efe6', '#ded3e2', '#bda9cf', '#967fb6', '#6c5597'],
    bestBefore: now + yearMs,
  },
  'strip-quat': {
    kind: 'strip',
    name: 'Quat strips, 0 to 400',
    unit: 'ppm',
    agent: 'quat',
    blocks: [0, 100, 200, 300, 400],
    colours: ['#efe6a0', '#d5dd8e', '#a9cf8e', '#8cc08e', '#74b58c'],
    bestBefore: now + yearMs,
  },
  'strip-ph': {
    kind: 'strip',
    name: 'pH strips, 5 to 9',
    unit: 'pH',
    agent: null,
    blocks: [5, 6, 7, 8, 9],
    colours: ['#e8b04a', '#d9c653', '#9db85a', '#5f9a72', '#3f7b8f'],
    bestBefore: now + yearMs,
  },
  'thermometer-1': {
    kind: 'thermometer',
    name: 'Probe 1',
    unit: '°C',
    accuracy: 0.5,
    checkDue: now + 30 * 86_400_000,
  },
  'gauge-galley-dish': {
    kind: 'thermometer',
    name: 'Gauges of the galley dish',
    unit: '°C',
    accuracy: 1,
    checkDue: now + 30 * 86_400_000,
    station: 'galley-dish',
  },
  'pressure-galley-dish': {
    kind: 'pressure-gauge',
    name: 'Rinse gauge of the galley dish',
    unit: 'kPa',
    accuracy: 7,
    checkDue: now + yearMs,
    station: 'galley-dish',
  },
  'label-71': {
    kind: 'indicator',
    name: 'Labels that turn at 71 °C',
    unit: '°C',
    turnsAt: 71,
    bestBefore: now + yearMs,
  },
  'kit-quat': {
    kind: 'titration',
    name: 'Quat drop kit',
    agent: 'quat',
    perDrop: 25,
    bestBefore: now + yearMs,
  },
  'bench-scale': { kind: 'scale', name: 'Bench scale', graduation: 1, error: 1 },
  'quat-pump': {
    kind: 'dispenser',
    name: 'Pump on the drum',
    product: 'brineguard',
    by: 'stroke',
    millilitres: millilitres(5),
  },
  'beaker-50': {
    kind: 'tool',
    name: '50 mL beaker',
    capacity: millilitres(50),
    graduation: millilitres(1),
    error: millilitres(0.5),
  },
  'jug-150': {
    kind: 'tool',
    name: '150 mL jug',
    capacity: millilitres(150),
    graduation: millilitres(5),
    error: millilitres(2),
  },
  'jug-1000': {
    kind: 'tool',
    name: '1 L jug',
    capacity: millilitres(1000),
    graduation: millilitres(50),
    error: millilitres(15),
  },
})
