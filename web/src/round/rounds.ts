import { tradingDayAt } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import {
  mayWalk,
  roundDue,
  type RoundDue,
  type RoundSet,
  type RoundState,
  type WalkOpen,
} from '@tadka/core/round'
import type { StaffRole } from '@tadka/core/rights'
import type { AnyDraft } from '@tadka/core/stream'
import { computed, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'
import { nowByMinute } from '../wire/clock.ts'

export interface RoundRow {
  readonly state: RoundState
  readonly round: RoundSet
  readonly due: RoundDue | null
  /** The one under way, where there is one of today. */
  readonly open: WalkOpen | null
  readonly may: boolean
}

/** The one that this tablet began last: begun by a stray tap, it is taken back while nothing was looked at. */
export const begun = shallowRef<AnyDraft | null>(null)

const dayMs = 24 * 3_600_000
const urgency = { late: 1, now: 2, ahead: 3, done: 4 } as const

/** The site's rounds as they stand for whoever acts: what is under way first, then by when it is due. */
export function useRounds() {
  const site = useSite()
  const session = useSession()
  const router = useRouter()
  const to = (id: string) => ({ kind: 'round', id }) as const
  const day = computed(() => {
    const set = site.set && 'hours' in site.set ? (site.set as SiteSet) : null
    return set && tradingDayAt(set, nowByMinute(), 120)
  })
  const role = computed((): StaffRole | null => {
    const mine = session.acting?.role
    return mine && mine !== 'inspector' ? mine : null
  })
  const rows = computed<RoundRow[]>(() =>
    site
      .all('round')
      .flatMap((state): RoundRow[] => {
        const { round } = state
        if (!round || round.ended) return []
        return [
          {
            ...{ state, round, due: roundDue(state, day.value, nowByMinute()) },
            open: state.open.findLast((w) => w.at > nowByMinute() - dayMs) ?? null,
            may: role.value !== null && mayWalk(round, role.value),
          },
        ]
      })
      .toSorted((a, b) => order(a) - order(b) || a.round.name.localeCompare(b.round.name)),
  )
  const order = (r: RoundRow) => (r.open ? 0 : r.due ? urgency[r.due.is] : 5)
  /** What whoever acts is to walk now. */
  const asking = computed(() =>
    rows.value.filter((r) => r.may && (r.open || r.due?.is === 'now' || r.due?.is === 'late')),
  )
  function walk({ state, open }: RoundRow): void {
    const id = open?.walk ?? newId()
    if (!open) begun.value = site.record('walk.begun@1', to(state.id), { walk: id })
    void router.push(`/shift/rounds/${state.id}/${id}`)
  }
  return { rows, asking, walk, to }
}
