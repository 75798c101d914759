import { winterTimeOf } from '@tadka/core/logger'

export interface ZoneChoice {
  readonly kind: 'here' | 'winter' | 'other'
  readonly value: string
}

/** Zones that a logger's clock may have followed: the site's, the site's winter time all year (most loggers know no summer), the others. */
export function zoneChoices(here: string): ZoneChoice[] {
  const fixed = winterTimeOf(here)
  const others = ['UTC', ...Intl.supportedValuesOf('timeZone')].filter((z) => z !== here)
  return [
    { kind: 'here', value: here },
    ...(fixed === null ? [] : [{ kind: 'winter' as const, value: fixed }]),
    ...[...new Set(others)].map((value) => ({ kind: 'other' as const, value })),
  ]
}
