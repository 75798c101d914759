import { chart } from './en/chart.ts'
import { dish } from './en/dish.ts'
import { first } from './en/first.ts'
import { house } from './en/house.ts'
import { instruments } from './en/instruments.ts'
import { logger } from './en/logger.ts'
import { machines } from './en/machines.ts'
import { plate } from './en/plate.ts'
import { practices } from './en/practices.ts'
import { setup } from './en/setup.ts'
import { trust } from './en/trust.ts'
import { uses } from './en/uses.ts'

/** The words that the first place, Shift, does not need: they come with the first of the others. */
export const further = {
  chart,
  dish,
  first,
  house,
  instruments,
  logger,
  machines,
  plate,
  practices,
  setup,
  trust,
  uses,
}
