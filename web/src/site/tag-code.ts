/** What stands in the code of a station's tag: the address at which this site opens it. */
export const tagAddress = (origin: string, station: string): string => `${origin}/run/at/${station}`

interface Tagged {
  readonly id: string
  readonly tag: string
}

/**
 * The station that a scanned code or a typed number means; null for none. A code of an address elsewhere means the station of that id all
 * the same: the site's server may have moved.
 */
export function stationOfCode(text: string, stations: readonly Tagged[]): string | null {
  const asked = text.trim()
  const id = /\/run\/at\/([a-z0-9][a-z0-9.-]*)$/.exec(asked)?.[1]
  const found = stations.find((s) => (id === undefined ? s.tag !== '' && s.tag === asked : s.id === id))
  return found?.id ?? null
}
