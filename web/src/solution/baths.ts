import { bathNow } from '@tadka/core/bath'
import { standingBaths, type StandingBath as Known } from '@tadka/core/warewash'
import { computed } from 'vue'
import { useNames } from '../site/names.ts'
import { now } from '../wire/clock.ts'
import { useSiteKnown } from './site-known.ts'

export type StandingBath = Known & {
  readonly name: string
  /** What it asks for at this moment, and the verdict that may be shown of it now. */
  readonly now: ReturnType<typeof bathNow>
}

/** The sanitizer baths that stand, newest first, each with the name of where it stands. */
export function useBaths() {
  const names = useNames()
  const known = useSiteKnown()
  const standing = computed(() => standingBaths(known.value))
  return computed<StandingBath[]>(() =>
    standing.value.map((b) => ({
      ...b,
      name: b.station ? names.station(b.station) : b.where,
      now: bathNow(b, b.due, b.outlook?.likely ?? null, now()),
    })),
  )
}
