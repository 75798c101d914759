import type { Procedure } from './language.ts'
import { baseOf } from './own.ts'
import { proceduresOf } from './library/index.ts'

const suffix = '.water-back'

/** Flushing once water is good again. It needs no sign-off: anybody opens a tap, and a lead signs before the machine comes back. */
export const isWaterBack = ({ id }: Pick<Procedure, 'id'>): boolean => baseOf(id).endsWith(suffix)

/**
 * The library's procedure by which a family's lines are flushed, its first ice thrown out, its filters changed, by its id; null where no
 * water runs through it. Common practice, no source.
 */
export const waterBackOf = (family: string): string | null =>
  proceduresOf(family).find(isWaterBack)?.id ?? null
