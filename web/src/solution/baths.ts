import { bathDue, bathNow, bathOutlook, type BathDue, type BathOutlook } from '@tadka/core/duty'
import { useOfBath, type BathState } from '@tadka/core/record'
import { isGone } from '@tadka/core/warewash'
import { computed } from 'vue'
import { useKit } from '../house/kit.ts'
import { useNames } from '../record/names.ts'
import { useSite } from '../record/site.ts'
import { now } from '../wire/clock.ts'
import { useLosses } from './losses.ts'

export type StandingBath = BathState & {
  readonly name: string
  readonly due: BathDue
  /** When it is expected to fall below its label's range; null where nobody can tell. */
  readonly outlook: BathOutlook | null
  /** What it asks for at this moment, and the verdict that may be shown of it now. */
  readonly now: ReturnType<typeof bathNow>
}

/** A station has one sanitizer bath at a time. */
const vesselOf = (b: BathState) => b.station ?? b.where

/** The sanitizer baths that stand, newest first: the last in each vessel, what was mixed there before is gone. */
export function useBaths() {
  const site = useSite()
  const kit = useKit()
  const names = useNames()
  const losses = useLosses()
  return computed<StandingBath[]>(() =>
    site
      .all('bath')
      .filter((b) => kit.products.value.find((p) => p.id === b.product)?.agent)
      .filter((b) => b.station === null || !isGone(site.one('station', b.station)))
      .toSorted((a, b) => b.mixedAt - a.mixedAt)
      .filter((b, i, all) => all.findIndex((o) => vesselOf(o) === vesselOf(b)) === i)
      .map((b) => {
        const outlook = outlookOf(b)
        const due = bathDue(b, site.set?.bath, outlook?.testBy ?? null)
        return {
          ...b,
          name: b.station ? names.station(b.station) : b.where,
          due,
          outlook,
          now: bathNow(b, due, outlook?.likely ?? null, now()),
        }
      }),
  )

  function outlookOf(bath: BathState): BathOutlook | null {
    const use = useOfBath(bath, kit.products.value.find((p) => p.id === bath.product) ?? null)
    return use?.range ? bathOutlook(bath, use.range.lo, losses.value[bath.product ?? '']) : null
  }
}
