/** A name as an id: lower case letters, digits and hyphens, 30 at most; empty where nothing of it is left. */
export const slugOf = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 30)
    .replace(/^-|-$/g, '')

/** A name as an id that is not taken yet: numbered where it would be. @param otherwise where nothing is left of the name. */
export function freeSlug(name: string, taken: readonly string[], otherwise: string): string {
  const wanted = slugOf(name) || otherwise
  for (let n = 1; ; n++) {
    const id = n === 1 ? wanted : `${wanted.slice(0, 26)}-${n}`
    if (!taken.includes(id)) return id
  }
}
