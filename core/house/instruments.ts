import { millilitres, volumeFrom, type UnitSystem, type VolumeUnit } from '../quantity/index.ts'
import type { InstrumentSet } from './instrument.ts'

/** A typical instrument of a trade's shelf; its own card, pack or print decides. `name` is a key of the words. */
export interface TypicalInstrument {
  readonly id: string
  /** What is entered; a strip's date is on its pack, and is asked. */
  readonly make: (name: string, now: number) => InstrumentSet
  readonly needsDate: boolean
}

const ph: TypicalInstrument = {
  id: 'ph',
  needsDate: true,
  make: (name) => ({
    kind: 'strip',
    name,
    unit: 'pH',
    agent: null,
    blocks: [5, 6, 7, 8, 9],
    colours: ['#e8b04a', '#d9c653', '#9db85a', '#5f9a72', '#3f7b8f'],
    bestBefore: 0,
  }),
}

const strip = (
  id: string,
  agent: 'chlorine' | 'quat',
  blocks: readonly number[],
  colours: readonly string[],
) => ({
  id,
  needsDate: true,
  make: (name: string): InstrumentSet => ({
    kind: 'strip',
    name,
    unit: 'ppm',
    agent,
    blocks,
    colours,
    bestBefore: 0,
  }),
})

/** Marks as they are printed, and an error of half a mark. Common practice, no source. */
const tool = (id: string, holds: number, mark: number, unit: VolumeUnit): TypicalInstrument => ({
  id,
  needsDate: false,
  make: (name) => ({
    kind: 'tool',
    name,
    capacity: millilitres(volumeFrom(holds, unit)),
    graduation: millilitres(volumeFrom(mark, unit)),
    error: millilitres(volumeFrom(mark / 2, unit)),
    marks: unit,
  }),
})

const thermometer = (unit: '°C' | '°F'): TypicalInstrument => ({
  id: 'probe',
  needsDate: false,
  // Due at once: nobody has put it into ice here yet.
  make: (name, now) => ({ kind: 'thermometer', name, unit, accuracy: unit === '°C' ? 1 : 2, checkDue: now }),
})

const strips: readonly TypicalInstrument[] = [
  strip(
    'chlorine',
    'chlorine',
    [0, 50, 100, 150, 200],
    ['#f4efe6', '#ded3e2', '#bda9cf', '#967fb6', '#6c5597'],
  ),
  strip('quat', 'quat', [0, 100, 200, 300, 400], ['#efe6a0', '#d5dd8e', '#a9cf8e', '#8cc08e', '#74b58c']),
  ph,
]
/** Counted in drops. How much a drop stands for is on the kit's own sheet. From memory. */
const kit = (agent: 'chlorine' | 'quat', perDrop: number): TypicalInstrument => ({
  id: `${agent}Kit`,
  needsDate: true,
  make: (name) => ({ kind: 'titration', name, agent, perDrop, bestBefore: 0 }),
})
const kits: readonly TypicalInstrument[] = [kit('chlorine', 10), kit('quat', 50)]

const scale: TypicalInstrument = {
  id: 'scale',
  needsDate: false,
  make: (name) => ({ kind: 'scale', name, graduation: 1, error: 1 }),
}

/** What most places measure with, in a site's units. Common practice, no source. */
export const typicalInstruments = (units: UnitSystem): readonly TypicalInstrument[] => [
  ...strips,
  ...kits,
  thermometer(units === 'us' ? '°F' : '°C'),
  ...(units === 'us'
    ? [
        tool('teaspoon', 1 / 6, 1 / 6, 'fl oz'),
        tool('ounceCup', 1, 0.125, 'fl oz'),
        tool('cup', 8, 1, 'fl oz'),
        tool('quart', 32, 4, 'fl oz'),
      ]
    : [
        tool('spoon', 5, 5, 'mL'),
        tool('syringe', 20, 1, 'mL'),
        tool('beaker', 100, 5, 'mL'),
        tool('jugHalf', 500, 25, 'mL'),
        tool('jug', 1000, 50, 'mL'),
      ]),
  scale,
]
