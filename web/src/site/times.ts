import { timesOf } from '@tadka/words/times'
import { showLocalTime } from './local-time.ts'
import { useSite } from './site.ts'

/** Instants as the site's people say them, in the site's own zone. */
export function useTimes() {
  const site = useSite()
  const times = timesOf(() => site.set)
  return {
    ...times,
    /** A time of day that is kept as "21:10". */
    local: (time: string) => showLocalTime(time, times.isTwelve()),
  }
}
