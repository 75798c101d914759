import type { Plausible } from '../quantity/index.ts'

/** What reads a number of a data plate: procedures by their own parameters, the dish room beside them. */
export type PlateReader =
  | 'procedure'
  | 'verdict'
  | 'cycle'
  | 'marks'
  | 'detergent'
  | 'hand-dose'
  | 'scale'
  | 'water'
  | 'pace'
  | 'chemical'

export type PlateUnit =
  | 'mL'
  | 'min'
  | 'count'
  | '°C'
  | '±°C'
  | 'K'
  | 'kPa'
  | '±kPa'
  | 'g'
  | 'µm'
  | 'ppm'
  | 'g/L'
  | 'mg/L'
  | 'mS/cm'
  | '1/h'
  | 'h'
  | 'racks'
  | 'yes'

/** One number of a plate: the unit that it is kept in, what it can be, and who reads it. */
export interface PlateNumber {
  readonly unit: PlateUnit
  /** In `unit`, both ends can be. From memory of what such machines and vessels are built for. */
  readonly can: Plausible
  readonly readBy: readonly [PlateReader, ...PlateReader[]]
  /** The number of the same plate that it may not pass: what is mixed goes into what holds it. */
  readonly within?: string
  /** Measured in a jug rather than a pail: fluid ounces and millilitres, not gallons and litres. */
  readonly small?: true
}

type Readers = PlateNumber['readBy']
const procedure: Readers = ['procedure']
const volume = (lo: number, hi: number, more: Partial<PlateNumber> = {}): PlateNumber => ({
  unit: 'mL',
  can: { lo, hi },
  readBy: procedure,
  ...more,
})
const time = (lo: number, hi: number): PlateNumber => ({ unit: 'min', can: { lo, hi }, readBy: procedure })
const of = (unit: PlateUnit, lo: number, hi: number, readBy: Readers): PlateNumber => ({
  unit,
  can: { lo, hi },
  readBy,
})

const pieces = of('count', 1, 200, procedure)

/** Every number that anything reads of a plate. What is not here and asked for by no procedure is on no form. */
export const plateNumbers = {
  // Vessels and what is mixed in them.
  bottle: volume(100, 5000, { small: true }),
  bucket: volume(500, 60_000, { within: 'bucketHolds' }),
  bucketHolds: volume(500, 120_000),
  rinse: volume(500, 60_000, { within: 'pailHolds' }),
  pailHolds: volume(500, 120_000),
  wash: volume(500, 60_000, { within: 'bucketHolds' }),
  soak: volume(100, 60_000, { within: 'soakHolds' }),
  soakHolds: volume(100, 120_000),
  portion: volume(20, 1000, { small: true }),
  trough: volume(200, 60_000, { within: 'troughHolds' }),
  troughHolds: volume(200, 120_000),
  cleanerCycle: volume(5, 2000, { small: true }),
  bayProduct: volume(0.5, 2000, { small: true }),
  bayLow: { ...of('ppm', 1, 1000, procedure), within: 'bayHigh' },
  bayHigh: of('ppm', 1, 1000, procedure),
  reservoir: volume(200, 60_000, { within: 'reservoirHolds' }),
  reservoirHolds: volume(200, 120_000),
  gallon: volume(500, 20_000),
  compartment: volume(5000, 400_000),
  urn: volume(1000, 120_000),
  // Times that models differ in.
  clean: time(1, 60),
  sanitize: time(0.1, 120),
  agitate: time(0.1, 60),
  warm: time(1, 120),
  chill: time(1, 240),
  cool: time(1, 240),
  heat: time(1, 240),
  delime: time(1, 240),
  soakMinutes: time(1, 1440),
  flush: time(0.1, 60),
  cip: time(1, 240),
  cycle: time(1, 240),
  circulate: time(1, 240),
  ice: time(1, 240),
  contact: time(0.1, 120),
  thaw: time(1, 240),
  stand: time(1, 240),
  // How it is built.
  barrels: of('count', 1, 12, procedure),
  groups: of('count', 1, 8, procedure),
  bowls: of('count', 1, 8, procedure),
  cylinder: volume(500, 200_000),
  dose: of('g', 0.5, 100, procedure),
  burrZeroLow: { ...of('µm', 0, 2000, procedure), within: 'burrZeroHigh' },
  burrZeroHigh: of('µm', 0, 2000, procedure),
  // What is counted, all in all: left blank it is counted in the first run.
  spiralBlades: pieces,
  spigotRings: pieces,
  doorScrews: pieces,
  doorNuts: pieces,
  valveRings: pieces,
  feedTubes: pieces,
  tubeRings: pieces,
  dripTrays: pieces,
  dripPans: pieces,
  pumpRings: pieces,
  beaterShoes: pieces,
  scraperBlades: pieces,
  shortBlades: pieces,
  leafSprings: pieces,
  knobs: pieces,
  plungers: pieces,
  plungerRings: pieces,
  headScrews: pieces,
  gateRings: pieces,
  jars: of('count', 1, 20, procedure),
  bladeUnits: pieces,
  jarSeals: pieces,
  beaterBlades: pieces,
  bladeRings: pieces,
  spigots: pieces,
  checkValves: pieces,
  mixLines: pieces,
  floats: pieces,
  thumbScrews: pieces,
  chutes: pieces,
  upperArms: pieces,
  lowerArms: pieces,
  endCaps: pieces,
  scrapScreens: pieces,
  burrScrews: pieces,
  sideScrews: pieces,
  hoodFilters: pieces,
  nozzles: pieces,
  diffusers: pieces,
  cups: pieces,
  // The dish room.
  tank: volume(2000, 1_000_000, { readBy: ['procedure', 'detergent', 'hand-dose'] }),
  rinseWater: volume(200, 40_000, { readBy: ['detergent', 'hand-dose', 'scale'], small: true }),
  washC: of('°C', 20, 95, ['verdict', 'cycle', 'marks']),
  rinseC: of('°C', 10, 100, ['verdict', 'cycle', 'marks', 'procedure']),
  pressureLow: { ...of('kPa', 5, 800, ['verdict', 'cycle', 'marks']), within: 'pressureHigh' },
  pressureHigh: of('kPa', 5, 800, ['verdict', 'cycle', 'marks']),
  probeC: of('±°C', 0.01, 5, ['cycle']),
  probeKPa: of('±kPa', 0.1, 50, ['cycle']),
  racksAnHour: of('1/h', 1, 1000, ['pace']),
  waterRacks: of('racks', 1, 5000, ['water']),
  waterHours: of('h', 0.5, 48, ['water']),
  conductivity: of('mS/cm', 0.05, 50, ['detergent']),
  doseLow: { ...of('g/L', 0.01, 50, ['hand-dose']), within: 'doseTarget' },
  doseTarget: { ...of('g/L', 0.01, 50, ['hand-dose']), within: 'doseHigh' },
  doseHigh: of('g/L', 0.01, 50, ['hand-dose']),
  doseTool: of('g', 0.1, 1000, ['hand-dose']),
  feedC: of('°C', 5, 95, procedure),
  boosterRise: of('K', 5, 60, procedure),
  hardness: of('mg/L', 0, 3000, ['scale']),
  chemicalMode: of('yes', 0, 1, ['chemical']),
} as const satisfies Record<string, PlateNumber>

export type PlateNumberName = keyof typeof plateNumbers

/** What a number of a site's own procedure can be, by the unit that it declares. From memory. */
const declared: Readonly<Record<string, Plausible>> = {
  mL: { lo: 0, hi: 1_000_000 },
  min: { lo: 0, hi: 1440 },
  count: { lo: 0, hi: 1000 },
  '°C': { lo: -40, hi: 115 },
  K: { lo: 0, hi: 100 },
  g: { lo: 0, hi: 100_000 },
  µm: { lo: -1000, hi: 5000 },
  ppm: { lo: 0, hi: 5000 },
}

const known = (name: string): PlateNumber | null =>
  Object.hasOwn(plateNumbers, name) ? plateNumbers[name as PlateNumberName] : null

/** A number of the catalogue, or one that a site's own procedure asks for, by the unit that it declares; null where nobody reads it. */
export function plateNumber(name: string, declaredUnit?: string): PlateNumber | null {
  const found = known(name)
  if (found) return found
  const can = declaredUnit === undefined ? undefined : declared[declaredUnit]
  return can ? { unit: declaredUnit as PlateUnit, can, readBy: procedure } : null
}

/** The dish room's own numbers, beside what procedures ask for. */
export const dishNumbers: readonly string[] = Object.entries<PlateNumber>(plateNumbers)
  .filter(([, n]) => n.readBy.some((reader) => reader !== 'procedure'))
  .map(([name]) => name)

/** A number that cannot be: outside what such a thing is built for, or more than what holds it. In the number's own unit. */
export type PlateFault =
  | { readonly name: string; readonly because: 'range'; readonly can: Plausible; readonly unit: PlateUnit }
  | { readonly name: string; readonly because: 'within'; readonly other: string }

/** The faults of a plate's numbers. What the catalogue does not know says nothing here: its procedure's unit does. */
export function plateFaults(parameters: Readonly<Record<string, number>>): PlateFault[] {
  return Object.entries(parameters).flatMap(([name, value]): PlateFault[] => {
    const number = known(name)
    if (!number) return []
    const { can, unit, within } = number
    if (value < can.lo || value > can.hi) return [{ name, because: 'range', can, unit }]
    const most = within === undefined ? undefined : parameters[within]
    return within !== undefined && most !== undefined && value > most
      ? [{ name, because: 'within', other: within }]
      : []
  })
}
