import type { RulesOf } from '../stream/rules.ts'
import type { FoodGone, FoodOpened, FoodReading, FoodReceived } from './food.ts'

interface FoodPayloads {
  'food.received@1': FoodReceived
  'food.read@1': { readonly read: FoodReading; readonly on: string | null }
  'food.opened@1': FoodOpened
  'food.gone@1': FoodGone
}

declare module '../stream/record.ts' {
  interface Payloads extends FoodPayloads {}
}

export const foodRecords: RulesOf<keyof FoodPayloads> = {
  'food.received@1': { needs: 'record', tap: true },
  'food.read@1': { needs: 'record', tap: true },
  'food.opened@1': { needs: 'record', tap: true },
  'food.gone@1': { needs: 'record', tap: true },
}
