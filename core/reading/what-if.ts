import type { LocalRule, Verdict } from '../rules/index.ts'
import { judge } from './judge.ts'
import type { ReadingTaken } from './reading.ts'

export interface Changed {
  /** Where it stands among the readings given. */
  readonly index: number
  readonly was: Verdict
  readonly becomes: Verdict
}

/** Which readings would have had another verdict with one more local rule in force than there was. */
export function whatIf(readings: readonly ReadingTaken[], rule: LocalRule): Changed[] {
  return readings.flatMap((reading, index) => {
    const was = judge(reading, reading.local).overall
    const becomes = judge(reading, [...(reading.local ?? []), rule]).overall
    return was === becomes ? [] : [{ index, was, becomes }]
  })
}
