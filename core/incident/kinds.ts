/** What may go wrong of a sudden, the most urgent first. */
export const incidentKinds = [
  'fire',
  'gas',
  'splash',
  'water-off',
  'boil-notice',
  'no-hot-water',
  'power-cut',
  'sewage',
  'flood',
  'foreign-matter',
  'vomit',
  'device-out',
] as const
export type IncidentKind = (typeof incidentKinds)[number]

/** What a list says first: people, then what stops, who is called, what is thrown out, what is cleaned. */
export const incidentParts = ['people', 'stop', 'call', 'discard', 'clean'] as const
export type IncidentPart = (typeof incidentParts)[number]

/** Which stations it takes out of service: all but floors, those that water is for, those with a motor or a heater, those with hot water, or one. */
type Touches = 'all' | 'water' | 'electric' | 'hot-water' | 'one' | 'area' | 'none'

/** Whether work stopped under FDA Food Code 2022, 8-404.11(A): always, where the interruption was an extended one, or never. */
type Stops = 'always' | 'extended' | 'never'

interface Task {
  readonly task: string
  readonly part: IncidentPart
  /** Minutes that it takes at least: it is timed. `label`: by the product's label. */
  readonly minutes?: number | 'label'
}

export interface IncidentRule {
  /** Out and call, and nothing else until everybody is counted. */
  readonly evacuates?: true
  readonly touches: Touches
  readonly stops: Stops
  /** It lasts until something is back, or lifted: only then what was stopped is cleaned. */
  readonly lasts: boolean
  /** All that was made with water since it was last known good is in doubt. */
  readonly water?: true
  /** Cold food is judged by its temperature and its time. */
  readonly cold?: true
  /** What stood open there is thrown out with what the machines hold. */
  readonly exposed?: true
  readonly tasks: readonly Task[]
}

const people = (task: string): Task => ({ task, part: 'people' })
const stop = (task: string): Task => ({ task, part: 'stop' })
const call = (task: string): Task => ({ task, part: 'call' })
const discard = (task: string): Task => ({ task, part: 'discard' })
const clean = (task: string): Task => ({ task, part: 'clean' })

/**
 * What each kind does and asks for. FDA Food Code 2022, 8-404.11 and 8-404.12 for what stops, 2-501.11 for the clean-up, 3-701.11 for what
 * is thrown out; the rest is common practice, no source. 15 min at the eye-wash: the handbook's trade figure; the label decides.
 */
export const incidentRules: Readonly<Record<IncidentKind, IncidentRule>> = {
  fire: {
    evacuates: true,
    ...{ touches: 'all', stops: 'always', lasts: true, exposed: true },
    tasks: [call('fire-cleared'), call('authority'), discard('exposed'), clean('electrics')],
  },
  gas: {
    evacuates: true,
    ...{ touches: 'all', stops: 'always', lasts: true },
    tasks: [call('gas-cleared'), call('authority')],
  },
  splash: {
    ...{ touches: 'none', stops: 'never', lasts: false },
    tasks: [
      { task: 'rinse', part: 'people', minutes: 15 },
      people('clothes'),
      call('poison'),
      call('sheet-along'),
      clean('wash-away'),
    ],
  },
  'water-off': {
    ...{ touches: 'water', stops: 'extended', lasts: true, water: true },
    tasks: [stop('no-hands'), stop('restrooms'), call('waterworks'), call('authority')],
  },
  'boil-notice': {
    ...{ touches: 'water', stops: 'extended', lasts: true, water: true },
    tasks: [stop('taps'), stop('no-hands'), call('authority')],
  },
  'no-hot-water': {
    ...{ touches: 'hot-water', stops: 'extended', lasts: true },
    tasks: [stop('ware'), call('plumber'), call('authority')],
  },
  'power-cut': {
    ...{ touches: 'electric', stops: 'extended', lasts: true, cold: true },
    tasks: [stop('doors-shut'), stop('switches'), call('power-company'), call('authority')],
  },
  sewage: {
    ...{ touches: 'all', stops: 'always', lasts: true, exposed: true },
    tasks: [
      people('keep-out'),
      stop('drains'),
      call('plumber'),
      call('authority'),
      discard('exposed'),
      clean('floors'),
    ],
  },
  flood: {
    ...{ touches: 'all', stops: 'always', lasts: true, exposed: true },
    tasks: [
      people('live-water'),
      call('authority'),
      call('electrician'),
      discard('exposed'),
      clean('floors'),
    ],
  },
  'foreign-matter': {
    ...{ touches: 'one', stops: 'never', lasts: false, exposed: true },
    tasks: [people('hurt'), discard('exposed'), clean('piece'), clean('where-from')],
  },
  vomit: {
    ...{ touches: 'area', stops: 'never', lasts: false, exposed: true },
    tasks: [
      people('keep-away'),
      people('sick-home'),
      stop('wear'),
      discard('exposed'),
      clean('absorb'),
      { task: 'contact', part: 'clean', minutes: 'label' },
      clean('bag'),
      clean('hands'),
    ],
  },
  'device-out': {
    ...{ touches: 'one', stops: 'never', lasts: false, cold: true },
    tasks: [stop('second-reading'), call('technician')],
  },
}
