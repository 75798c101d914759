import { createI18n } from 'vue-i18n'
import { bench } from '@tadka/words/en/bench'
import { calls } from '@tadka/words/en/calls'
import { common } from '@tadka/words/en/common'
import { log } from '@tadka/words/en/log'
import { people } from '@tadka/words/en/people'
import { plan } from '@tadka/words/en/plan'
import { run } from '@tadka/words/en/run'
import { shift } from '@tadka/words/en/shift'
import { trouble } from '@tadka/words/en/trouble'

/** The words that the first place and what stands around every place need. */
const en = { ...common, bench, calls, log, people, plan, run, shift, trouble }

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
