import { createI18n } from 'vue-i18n'
import { common } from './en/common.ts'
import { bench } from './en/bench.ts'
import { chart } from './en/chart.ts'
import { dish } from './en/dish.ts'
import { first } from './en/first.ts'
import { house } from './en/house.ts'
import { log } from './en/log.ts'
import { logger } from './en/logger.ts'
import { instruments } from './en/instruments.ts'
import { machines } from './en/machines.ts'
import { setup } from './en/setup.ts'
import { uses } from './en/uses.ts'
import { plate } from './en/plate.ts'
import { plan } from './en/plan.ts'
import { practices } from './en/practices.ts'
import { people } from './en/people.ts'
import { run } from './en/run.ts'
import { shift } from './en/shift.ts'
import { trust } from './en/trust.ts'

const en = {
  ...common,
  first,
  people,
  shift,
  plan,
  run,
  bench,
  dish,
  logger,
  chart,
  log,
  house,
  instruments,
  machines,
  setup,
  uses,
  plate,
  practices,
  trust,
}

export const i18n = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en } })
