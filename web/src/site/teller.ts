import type { SiteTeller } from '@tadka/words/tell'
import { useI18n } from 'vue-i18n'
import { useNames } from './names.ts'
import { useTimes } from './times.ts'
import { useUnitSystem } from './unit-system.ts'
import { useUnits } from './units.ts'

/** What sentences that screen and print share are told with, on a screen. */
export function useTeller(): SiteTeller {
  const { t, te } = useI18n()
  const { person, station, product, procedure } = useNames()
  const { measured, volume } = useUnits()
  const { clock, date } = useTimes()
  const { system } = useUnitSystem()
  return {
    t: (key, places = {}, n) => (n === undefined ? t(key, places) : t(key, places, n)),
    ...{ person, station, product, procedure, measured, volume, clock, date },
    has: (key) => te(key),
    get units() {
      return system.value
    },
  }
}
