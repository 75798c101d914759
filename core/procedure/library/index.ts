import type { Procedure } from '../language.ts'
import { bucketFill } from './bucket.ts'
import { softServeClose } from './softserve-close.ts'
import { softServeOpen } from './softserve-open.ts'

/** All procedures that ship, every version that a run may still be on. */
const shipped: readonly Procedure[] = [bucketFill, softServeClose, softServeOpen]

/** The procedure at one version, or null where it is not known here. */
export const findProcedure = (id: string, version: number): Procedure | null =>
  shipped.find((p) => p.id === id && p.version === version) ?? null

/** The newest version of a procedure, or null where it is not known here. */
export const latestProcedure = (id: string): Procedure | null =>
  shipped.filter((p) => p.id === id).toSorted((a, b) => b.version - a.version)[0] ?? null

export const proceduresOf = (family: string): Procedure[] =>
  [...new Set(shipped.filter((p) => p.family === family).map((p) => p.id))].flatMap(
    (id) => latestProcedure(id) ?? [],
  )

export const allProcedures = (): Procedure[] => [...shipped]
