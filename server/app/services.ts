import type { DraftOutcome } from '@tadka/contract/stream'
import type { Pool } from '../db/pool.ts'
import type { Guard } from '../people/guard.ts'
import type { Passes } from '../people/passes.ts'
import type { Pins } from '../people/pins.ts'
import type { EventHub } from '../record/events.ts'
import type { SiteQueue } from '../record/queue.ts'

/** What the rooms of the server are given. */
export interface Services {
  readonly pool: Pool
  readonly guard: Guard
  readonly pins: Pins
  readonly passes: Passes
  readonly hub: EventHub
  readonly queue: SiteQueue
  /** Whether the application is served over TLS. */
  readonly secure: boolean
  /** Counts what became of drafts. */
  readonly count: (outcomes: readonly DraftOutcome[]) => void
  /** Milliseconds UTC. */
  readonly now: () => number
}
