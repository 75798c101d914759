import { createI18n } from 'vue-i18n'
import { bench } from './en/bench.ts'
import { calls } from './en/calls.ts'
import { common } from './en/common.ts'
import { log } from './en/log.ts'
import { people } from './en/people.ts'
import { plan } from './en/plan.ts'
import { run } from './en/run.ts'
import { shift } from './en/shift.ts'

/** The words that the first place and what stands around every place need. */
const en = { ...common, bench, calls, log, people, plan, run, shift }

export const i18n = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en } })

let fetching: Promise<void> | null = null

/** Fetches the words of all other places, once. Throws where they cannot be had now; asked again, it tries again. */
export function fetchWords(): Promise<void> {
  fetching ??= import('./further.ts').then(
    ({ further }) => i18n.global.mergeLocaleMessage('en', further),
    (error: unknown) => {
      fetching = null
      throw error
    },
  )
  return fetching
}
