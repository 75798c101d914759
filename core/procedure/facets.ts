import type { Isolation } from './language.ts'

/** What is inside the machine. */
export type Contents = 'product' | 'empty' | 'rinse' | 'detergent' | 'sanitizer' | 'descaler' | 'unknown'
export const assemblies = ['whole', 'apart', 'drying'] as const
export type Assembly = (typeof assemblies)[number]
export const powers = ['freezing', 'on', 'standby', 'agitating', 'off', 'isolated'] as const
export type Power = (typeof powers)[number]
/** `rinsed`: soil is rinsed off, nothing has washed it yet. */
export const hygienes = ['soiled', 'rinsed', 'clean', 'sanitized', 'unknown'] as const
export type Hygiene = (typeof hygienes)[number]
/** What has not been rinsed out since it was inside. */
export type Residue = 'none' | 'detergent' | 'descaler'
/** Since sanitizer last touched it: nothing yet, wet and not long enough, or the whole contact time. */
export type Contact = 'none' | 'wet' | 'whole'

/** The state of a station, facet by facet. */
export interface Facets {
  readonly contents: Contents
  readonly assembly: Assembly
  readonly power: Power
  readonly hygiene: Hygiene
  readonly primed: boolean
  /** Product temperature at the last reading, °C. */
  readonly temperature: number | null
  /** Parts that are out of the machine, by count; null where that is not known. */
  readonly partsOut: number | null
  /** How it is cut off, while its power is `isolated`. */
  readonly isolatedBy?: Isolation | null
  readonly residue?: Residue
  readonly contact?: Contact
  /** Detergent and rinse-aid feeds of a dish machine. */
  readonly feeds?: 'on' | 'off'
  /** Ice in the bin, where the station makes ice: what is left of cleaning is thrown away. */
  readonly ice?: 'food' | 'cleaning' | 'none'
  readonly heat?: 'hot' | 'cooled'
}

export const unknownFacets: Facets = {
  contents: 'unknown',
  assembly: 'whole',
  power: 'off',
  hygiene: 'unknown',
  primed: false,
  temperature: null,
  partsOut: 0,
}

/** Acts that a station's state may forbid. */
export const acts = ['freeze', 'reach-in', 'serve', 'sanitize', 'prime'] as const
export type Act = (typeof acts)[number]
export const allActs: readonly Act[] = ['freeze', 'reach-in', 'serve', 'sanitize', 'prime']

/** Contents that are neither product nor nothing. */
const solutions: readonly Contents[] = ['rinse', 'detergent', 'sanitizer', 'descaler', 'unknown']
export const holdsSolution = (contents: Contents | undefined): boolean =>
  contents !== undefined && solutions.includes(contents)

/** Whether a machine in this power state may move, freeze or heat by itself. */
export const isLive = (power: Power | undefined): boolean =>
  power !== undefined && power !== 'isolated' && power !== 'off'
