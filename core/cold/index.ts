export { coldOutcome, type ColdFood, type ColdOutcome } from './outcome.ts'
export {
  coldDue,
  coldReading,
  coldStands,
  coldUnread,
  type ColdDue,
  type ColdKept,
  type ColdStands,
} from './store.ts'
