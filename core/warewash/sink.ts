import { bathDue, bathHours } from '../bath/due.ts'
import type { Contents } from '../procedure/facets.ts'
import type { Compartment } from '../procedure/language.ts'
import type { StationState } from '../procedure/station-state.ts'
import type { Prediction } from '../duty/windows.ts'
import { instant, type Instant } from '../quantity/index.ts'
import type { BathState } from '../bath/fold.ts'
import type { SiteSet } from '../house/site.ts'
import type { DishState } from './dish.ts'

/** What a compartment asks for: filled first, nothing, a reading, fresh water. */
export type CompartmentState = 'empty' | 'stands' | 'test' | 'change'

/** One compartment of a sink. */
export interface CompartmentNow {
  readonly use: Compartment
  readonly state: CompartmentState
  /** Milliseconds UTC; null where nobody is known to have filled it. */
  readonly filledAt: number | null
  /** When it is read next, and changed at the latest; null where it is empty. Milliseconds UTC. */
  readonly testBy: number | null
  readonly changeBy: number | null
  /** Until when it asks for nothing: the sooner of both. */
  readonly goodUntil: number | null
  /** mL in it and at most; null where its plate does not say. */
  readonly volume: number | null
  readonly capacity: number | null
  /** What is mixed in it; null in the rinse, and where a dispenser filled it. */
  readonly bath: BathState | null
}

const hourMs = 3_600_000

/**
 * A three-compartment sink as it stands: wash, rinse, sanitize. Water whose hours are served is changed, whatever it read.
 * @param baths the baths of this sink. @param sanitizes whether a product is a sanitizer. @param foretold when a bath is to be tested by its
 * forecast, or null. @param now milliseconds UTC. Common practice, no source: the order of the compartments.
 */
export function sinkOf(
  station: StationState,
  baths: readonly BathState[],
  sanitizes: (product: string | null) => boolean,
  hours: SiteSet['bath'],
  foretold: (bath: BathState) => Instant | null,
  now: Instant,
): CompartmentNow[] {
  const { testHours, changeHours } = hours ?? bathHours
  const set = lastSetUp(station)
  const capacity = station.plate?.parameters['compartment'] ?? null
  const newest = (sanitizer: boolean) =>
    baths
      .filter((b) => sanitizes(b.product) === sanitizer)
      .toSorted((a, b) => b.mixedAt - a.mixedAt)
      .at(0) ?? null
  const [detergent, sanitizer] = [newest(false), newest(true)]
  const made = (
    use: Compartment,
    filledAt: number | null,
    testBy: number | null,
    bath: BathState | null,
  ): CompartmentNow => {
    const changeBy = filledAt === null ? null : filledAt + changeHours * hourMs
    const state =
      changeBy === null
        ? 'empty'
        : now >= changeBy
          ? 'change'
          : testBy !== null && now >= testBy
            ? 'test'
            : 'stands'
    const volume = filledAt === null ? null : (bath?.volume ?? capacity)
    const goodUntil = changeBy === null ? null : Math.min(testBy ?? changeBy, changeBy)
    return {
      use,
      state,
      filledAt,
      testBy,
      changeBy,
      goodUntil,
      volume,
      capacity: bath?.capacity ?? capacity,
      bath,
    }
  }
  const rinseAt = filledAt(station, 'rinse') ?? (set > 0 ? set : null)
  const washSet = filledAt(station, 'wash') ?? (set > 0 ? set : null)
  const washAt = detergent ? Math.max(detergent.mixedAt, filledAt(station, 'wash') ?? 0) : washSet
  const read = station.washWater
  const washRead =
    washAt !== null && read !== null && read.at >= washAt && read.verdict === 'in' ? read.at : null
  return [
    made('wash', washAt, washRead === null ? washAt : washRead + testHours * hourMs, detergent),
    made('rinse', rinseAt, null, null),
    made(
      'sanitize',
      sanitizer?.mixedAt ?? null,
      sanitizer && bathDue(sanitizer, hours, foretold(sanitizer)).testBy,
      sanitizer,
    ),
  ]
}

/** The event that a sink may be made ready for, as duties name it: a dish machine out of use, and the kitchen going on with the sink. */
export const machineOut = 'machine-out'

/** Within how long the sink takes over. Common practice, no source. */
const takesOverMs = hourMs / 2

/** For the duties: a sink that is needed while a machine is out of use, and was not set up since. Instants in milliseconds UTC. */
export function sinkPredictions(
  sink: StationState,
  machines: readonly Pick<DishState, 'aside'>[],
): Prediction[] {
  const out = machines.flatMap(({ aside }) => (aside?.way === 'sink' ? [aside.at] : []))
  if (out.length === 0) return []
  const from = Math.min(...out)
  if (lastSetUp(sink) >= from) return []
  return [{ station: sink.id, what: machineOut, from: instant(from), at: instant(from + takesOverMs) }]
}

/** When a compartment was last filled, as its runs tell; null where none did, or a set-up that was told of came after it. */
function filledAt(sink: StationState, of: Compartment): number | null {
  const at = sink.compartments?.[of]?.at
  const told = sink.lastRuns['sink.set-up']
  return at === undefined || (told?.entered && told.finishedAt > at) ? null : at
}

/** When a sink was last set up, or its water changed; 0 where it never was. */
const lastSetUp = (sink: StationState): number =>
  Math.max(
    0,
    ...Object.entries(sink.lastRuns)
      .filter(([procedure]) => /^sink\.(?:set-up|change)$/.test(procedure))
      .map(([, last]) => last.finishedAt),
  )

const others: ReadonlySet<Contents> = new Set(['product', 'empty', 'rinse', 'detergent', 'descaler'])

/** Whether a bath that was mixed in a station is gone: drained, or something else is in it since. */
export const isGone = (station: StationState | null): boolean =>
  station !== null && others.has(station.facets.contents)
