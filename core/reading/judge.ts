import {
  judgeColdProduct,
  judgeDishMachine,
  judgeHotWaterByHand,
  judgeSanitizer,
  judgeUtensils,
  judgeWashWater,
  layLocalRules,
  modelCode,
  type Judgement,
  type LocalRule,
} from '../rules/index.ts'
import type { ReadingTaken } from './reading.ts'

type Each<T> = T extends unknown ? Pick<T, Extract<'what' | 'reading', keyof T>> : never

/** What was read, by what it is a reading of. */
export type Read = Each<ReadingTaken>

/**
 * Judges what was read against every layer: the code, its label or plate, and the local rules given, which are taken to be
 * in force. The same for the person, the server and an amendment.
 */
export function judge(read: Read, local: readonly LocalRule[] = []): Judgement {
  const judgement = byCode(read)
  // A rule for product kept cold is for what must be.
  if (read.what === 'cold-product' && read.reading.notTcs) return judgement
  return local.length > 0 ? layLocalRules(judgement, local) : judgement
}

function byCode(read: Read): Judgement {
  switch (read.what) {
    case 'sanitizer':
      return judgeSanitizer(modelCode, read.reading)
    case 'cold-product':
      return judgeColdProduct(modelCode, read.reading.unit, read.reading.interval, read.reading.notTcs)
    case 'dish-machine':
      return judgeDishMachine(read.reading)
    case 'hot-water':
      return judgeHotWaterByHand(read.reading.temperature, read.reading.seconds)
    case 'wash-water':
      return judgeWashWater(read.reading.temperature, read.reading.label)
    case 'utensils':
      return judgeUtensils(read.reading)
  }
}
