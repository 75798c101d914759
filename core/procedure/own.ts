import type { Procedure } from './language.ts'

const prefix = 'own.'

/** The id of a site's own copy. */
export const ownId = (id: string): string => (isOwn(id) ? id : prefix + id)

/** Whether a procedure is a site's own, by its id. */
export const isOwn = (id: string): boolean => id.startsWith(prefix)

/** The procedure that a site's own one stands in for: its id without the mark. */
export const baseOf = (id: string): string => (isOwn(id) ? id.slice(prefix.length) : id)

/** A site's own copy, at a version that follows what it has. */
export const ownCopy = (
  procedure: Procedure,
  versions: readonly Pick<Procedure, 'version'>[],
): Procedure => ({
  ...procedure,
  id: ownId(procedure.id),
  version: Math.max(0, ...versions.map((v) => v.version)) + 1,
})
