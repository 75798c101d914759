import type { InstrumentSet, ProductSet, SiteSet, StationSet } from '@tadka/core/record'
import { millilitres, ppm } from '@tadka/core/quantity'

/** The demo: the cafés of a night-ferry terminal. All of it is invented. */
export const siteId = 'gannet'

const weekdays = { open: '05:30', close: '23:30' }
const everyDay = [1, 2, 3, 4, 5, 6, 7]

export const site: SiteSet = {
  name: 'Gannet Terminal',
  timeZone: 'Europe/Dublin',
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
}

export interface DemoPerson {
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
  { id: 'ines', name: 'Ines', role: 'lead', pin: '4711' },
  { id: 'oriel', name: 'Oriel', role: 'manager', pin: '9080', login: 'oriel', password: 'night ferry 2110' },
]

export const stations: Readonly<Record<string, StationSet>> = {
  'kiosk-soft-serve': {
    name: 'Kiosk soft-serve',
    tag: '11',
    place: 'Quayside kiosk',
    family: 'soft-serve-gravity',
    model: 'Puffin One, one barrel',
    parameters: { barrel: 1400, hopper: 7600, rinse: 3800, pailHolds: 10_000, agitate: 5, sanitize: 5 },
    duties: [
      {
        procedure: 'soft-serve-gravity.close',
        trigger: { kind: 'each-close' },
        rule: 'TCS dairy mix: cleaned at least daily. Site rule, by the maker’s manual (code 4-602.11(E)(4)).',
      },
      {
        procedure: 'soft-serve-gravity.open',
        trigger: { kind: 'each-open' },
        rule: 'Sanitized before use: code 4-702.11.',
      },
    ],
  },
  'espresso-bucket': {
    name: 'Espresso cloths',
    tag: '21',
    place: 'Espresso bar',
    family: 'bucket',
    model: 'Six-litre bucket',
    parameters: { bucket: 4000, bucketHolds: 6000 },
    duties: [
      {
        procedure: 'bucket.fill',
        trigger: { kind: 'each-open' },
        rule: 'Wiping cloths in sanitizer of the right strength: code 3-304.14.',
      },
    ],
  },
  'galley-bucket': {
    name: 'Galley cloths',
    tag: '31',
    place: 'Galley',
    family: 'bucket',
    model: 'Six-litre bucket',
    parameters: { bucket: 4000, bucketHolds: 6000 },
    duties: [
      {
        procedure: 'bucket.fill',
        trigger: { kind: 'each-open' },
        rule: 'Wiping cloths in sanitizer of the right strength: code 3-304.14.',
      },
    ],
  },
  'galley-dish': {
    name: 'Galley dish machine',
    tag: '32',
    place: 'Galley dish room',
    family: 'dish-machine.stationary-dual',
    model: 'Cormorant D2, door type with booster',
    parameters: {
      tank: 40_000,
      rinseWater: 3000,
      washC: 66,
      rinseC: 82,
      pressureLow: 100,
      pressureHigh: 170,
    },
    duties: [],
  },
  'galley-sink': {
    name: 'Galley sink, three compartments',
    tag: '33',
    place: 'Galley dish room',
    family: 'sink',
    model: 'Three compartments of 38 L',
    parameters: { compartment: 38_000 },
    duties: [],
  },
}

const contactWarm = { c: 24, f: 75 }

/** A use whose label gives a dose and no strength. */
const labelDose = (id: string, name: string, rinseAfter: boolean) => ({
  id,
  name,
  range: null,
  target: null,
  temperature: null,
  hardestWater: null,
  contactSeconds: null,
  rinseAfter,
})

export const products: Readonly<Record<string, ProductSet>> = {
  skerrychlor: {
    name: 'Skerrychlor',
    purpose: 'Sanitizer for frozen-dessert machines',
    chemicalClass: 'hypochlorite',
    agent: 'chlorine',
    supply: { kind: 'strength', stock: ppm(25_000) },
    uses: [
      {
        id: 'frozen-dessert',
        name: 'Frozen-dessert machines',
        range: { lo: 100, hi: 200 },
        target: 150,
        temperature: contactWarm,
        hardestWater: null,
        contactSeconds: 60,
        rinseAfter: false,
      },
    ],
    ppe: ['gloves', 'goggles'],
    firstAid: 'Eyes: rinse 15 minutes, then call. Skin: wash off. Swallowed: rinse the mouth, call.',
    neverWith: ['acid', 'ammonia', 'quat'],
  },
  brineguard: {
    name: 'Brineguard',
    purpose: 'Sanitizer for buckets, sinks and surfaces',
    chemicalClass: 'quat',
    agent: 'quat',
    supply: { kind: 'strength', stock: ppm(100_000) },
    uses: [
      {
        id: 'cloths',
        name: 'Wiping cloths',
        range: { lo: 150, hi: 400 },
        target: 250,
        temperature: contactWarm,
        hardestWater: 400,
        contactSeconds: 60,
        rinseAfter: false,
      },
    ],
    ppe: ['gloves', 'goggles'],
    firstAid: 'Eyes: rinse 15 minutes, then call. Skin: wash off.',
    neverWith: ['detergent', 'hypochlorite'],
  },
  kelpwash: {
    name: 'Kelpwash',
    purpose: 'Detergent for frozen-dessert machines',
    chemicalClass: 'detergent',
    agent: null,
    supply: { kind: 'per-litre', millilitres: millilitres(15) },
    uses: [labelDose('machine-wash', 'Washing machines through', true)],
    ppe: ['gloves'],
    firstAid: 'Eyes: rinse 15 minutes, then call.',
    neverWith: ['quat'],
  },
  terntab: {
    name: 'Terntab',
    purpose: 'Chlorine tablets for utensils in the sink',
    chemicalClass: 'hypochlorite',
    agent: 'chlorine',
    supply: { kind: 'pieces', active: 750, mayBeHalved: true },
    uses: [
      {
        id: 'utensils',
        name: 'Utensils in the sink',
        range: { lo: 50, hi: 150 },
        target: 100,
        temperature: contactWarm,
        hardestWater: null,
        contactSeconds: 30,
        rinseAfter: false,
      },
    ],
    ppe: ['gloves'],
    firstAid: 'Eyes: rinse 15 minutes, then call. Dust: fresh air.',
    neverWith: ['acid', 'ammonia', 'quat'],
  },
  scaleaway: {
    name: 'Barnacle Off',
    purpose: 'Descaler for ice machines, safe for nickel',
    chemicalClass: 'acid',
    agent: null,
    supply: { kind: 'per-litre', millilitres: millilitres(23) },
    uses: [labelDose('descale', 'Descaling ice machines', true)],
    ppe: ['gloves', 'goggles'],
    firstAid: 'Eyes: rinse 15 minutes, then call. Skin: wash off at once.',
    neverWith: ['hypochlorite', 'alkaline', 'quat'],
  },
  brewclean: {
    name: 'Cuttlebone',
    purpose: 'Powder for espresso machines and urns',
    chemicalClass: 'alkaline',
    agent: null,
    supply: { kind: 'grams-per-litre', grams: 10 },
    uses: [labelDose('espresso-soak', 'Soaking portafilters and baskets', true)],
    ppe: ['gloves'],
    firstAid: 'Eyes: rinse 15 minutes, then call. Swallowed: rinse the mouth, call.',
    neverWith: ['acid'],
  },
}

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
