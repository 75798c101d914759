import type { Warranty } from '../house/station.ts'

/** Whether a machine is under warranty on a day; `unknown` where nobody has entered one. @param day ISO date. */
export const warrantyOn = (warranty: Warranty | undefined, day: string): 'in' | 'ended' | 'unknown' =>
  warranty === undefined ? 'unknown' : warranty.until >= day ? 'in' : 'ended'
