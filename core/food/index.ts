export {
  deliveredKinds,
  foodFold,
  foodStands,
  isFollowed,
  isOpenedDay,
  openedUntil,
  received,
  type DeliveredKind,
  type FoodOpened,
  type FoodReading,
  type FoodReceived,
  type FoodStands,
  type FoodState,
  type Received,
} from './food.ts'
export { foodRecords } from './records.ts'
