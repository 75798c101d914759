import { createI18n } from 'vue-i18n'
import { common } from './en/common.ts'
import { bench } from './en/bench.ts'
import { chart } from './en/chart.ts'
import { dish } from './en/dish.ts'
import { house } from './en/house.ts'
import { log } from './en/log.ts'
import { logger } from './en/logger.ts'
import { plate } from './en/plate.ts'
import { plan } from './en/plan.ts'
import { people } from './en/people.ts'
import { run } from './en/run.ts'
import { shift } from './en/shift.ts'

const en = { ...common, people, shift, plan, run, bench, dish, logger, chart, log, house, plate }

export const i18n = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en } })
