export * from './records.ts'
export { shelfFold, type ShelfState } from './fold.ts'
export {
  nearAt,
  placesFor,
  productsAt,
  storeTold,
  wrongSlots,
  type StoreTold,
  type TooNear,
  type WrongSlot,
} from './apart.ts'
