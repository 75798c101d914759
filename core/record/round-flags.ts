import type { CrewState } from '../house/folds.ts'
import type { StationState } from '../procedure/station-state.ts'
import { isStaff } from '../rights/index.ts'
import { mayWalk } from '../round/due.ts'
import { unseenOf, type RoundState } from '../round/round.ts'
import type { AnyDraft } from '../stream/record.ts'
import type { Flag } from './flags.ts'

/** What the site's own records know of a round and of what was looked at on it. */
export interface RoundKnown {
  readonly round: RoundState | null
  readonly crew: CrewState | null
  readonly station: (id: string) => StationState | null
}

/** What is odd about what was told on a round: walked by whom it is not for, judged by another reading, ended with points left out. */
export function roundFlags(draft: AnyDraft, { round, crew, station }: RoundKnown): Flag[] {
  if (draft.type === 'walk.begun@1') {
    const role = crew && 'role' in crew ? crew.role : undefined
    const theirs = !round?.round || !role || (isStaff(role) && mayWalk(round.round, role))
    return theirs ? [] : ['not-theirs']
  }
  if (draft.type === 'walk.ended@1') {
    const walk = round?.open.find((w) => w.walk === draft.payload.walk)
    if (!walk) return ['run-not-running']
    return draft.payload.left === null && unseenOf(walk).length > 0 ? ['not-complete'] : []
  }
  if (draft.type !== 'walk.looked@1') return []
  const { walk, ask, reading, fine } = draft.payload
  const open = round?.open.find((w) => w.walk === walk)
  if (!open) return ['run-not-running']
  // That it could not be read is told with why, and is nothing to be held against a reading.
  if (ask.kind !== 'read' || reading === null) return []
  const read = station(ask.station)?.lastRead
  const isIt = read?.record === reading && read.at >= open.at && (read.verdict === 'in') === fine
  return isIt ? [] : ['reading-differs']
}
