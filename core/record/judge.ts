import {
  judgeColdProduct,
  judgeDishMachine,
  judgeHotWaterByHand,
  judgeSanitizer,
  judgeWashWater,
  modelCode,
  type Judgement,
} from '../rules/index.ts'
import type { ReadingTaken } from './reading.ts'

type Each<T> = T extends unknown ? Pick<T, Extract<'what' | 'reading', keyof T>> : never

/** What was read, by what it is a reading of. */
export type Read = Each<ReadingTaken>

/** Judges what was read against every layer that it carries. The same for the person, the server and an amendment. */
export function judge(read: Read): Judgement {
  switch (read.what) {
    case 'sanitizer':
      return judgeSanitizer(modelCode, read.reading)
    case 'cold-product':
      return judgeColdProduct(modelCode, read.reading.unit, read.reading.interval)
    case 'dish-machine':
      return judgeDishMachine(read.reading)
    case 'hot-water':
      return judgeHotWaterByHand(read.reading.temperature, read.reading.seconds)
    case 'wash-water':
      return judgeWashWater(read.reading.temperature, read.reading.label)
  }
}
