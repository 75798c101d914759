import type { DraftOutcome } from '@tadka/contract/stream'
import type { Pool } from '../db/pool.ts'
import type { Work } from '../work/work.ts'

/** What the rooms of the server are given. A room adds what it gives to the others, where that is defined. */
export interface Services {
  readonly pool: Pool
  /** What takes long, off the thread that answers everybody. */
  readonly work: Work
  /** Whether the application is served over TLS. */
  readonly secure: boolean
  /** Counts what became of drafts. */
  readonly count: (outcomes: readonly DraftOutcome[]) => void
  /** Milliseconds UTC. */
  readonly now: () => number
}
