/** What is inside the machine. */
export type Contents = 'product' | 'empty' | 'rinse' | 'detergent' | 'sanitizer' | 'descaler' | 'unknown'
export type Assembly = 'whole' | 'apart' | 'drying'
export type Power = 'freezing' | 'on' | 'standby' | 'agitating' | 'off' | 'isolated'
export type Hygiene = 'soiled' | 'clean' | 'sanitized' | 'unknown'

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
export type Act = 'freeze' | 'reach-in' | 'serve' | 'sanitize' | 'prime'

export interface Forbidden {
  readonly act: Act
  readonly why:
    | 'hot'
    | 'water-inside'
    | 'solution-inside'
    | 'not-isolated'
    | 'not-sanitized'
    | 'sanitized-too-long-ago'
    | 'parts-missing'
    | 'descaler-inside'
    | 'apart'
    | 'contents-unknown'
}

const wet: Partial<Record<Contents, Forbidden['why']>> = {
  rinse: 'water-inside',
  detergent: 'solution-inside',
  sanitizer: 'solution-inside',
  descaler: 'solution-inside',
  unknown: 'contents-unknown',
}

/**
 * The acts that the state forbids, with the reason: no freezing while wet, no hands in before isolation, no product
 * before sanitizing, none while parts are out, no sanitizer on descaler.
 * @param hygieneAgeHours hours since it was sanitized, or null where that is not known; @param freshHours site setting.
 * Common practice, no source, except food contact after sanitizing: FDA Food Code 2022, 4-702.11.
 */
export function forbiddenActs(
  f: Facets,
  hygieneAgeHours: number | null,
  freshHours: number,
  freezesSolution = false,
): Forbidden[] {
  const list: Forbidden[] = []
  const inside = wet[f.contents]
  const open = f.assembly !== 'whole' || f.partsOut !== 0
  if (inside && !freezesSolution) list.push({ act: 'freeze', why: inside })
  else if (open) list.push({ act: 'freeze', why: 'parts-missing' })
  if (f.power !== 'isolated') list.push({ act: 'reach-in', why: 'not-isolated' })
  else if (f.heat === 'hot') list.push({ act: 'reach-in', why: 'hot' })
  if (f.contents === 'descaler') list.push({ act: 'sanitize', why: 'descaler-inside' })
  const stale = hygieneAgeHours === null || hygieneAgeHours > freshHours
  const unfit: Forbidden['why'] | null = open
    ? 'parts-missing'
    : f.contents === 'product'
      ? null
      : f.hygiene !== 'sanitized'
        ? 'not-sanitized'
        : stale
          ? 'sanitized-too-long-ago'
          : null
  if (unfit) list.push({ act: 'prime', why: unfit })
  if (unfit ?? inside) list.push({ act: 'serve', why: unfit ?? inside ?? 'contents-unknown' })
  return list
}
