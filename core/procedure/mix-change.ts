import type { AnyRecord } from '../stream/record.ts'
import { correctedAt } from '../stream/record.ts'
import { startFaults } from './begin.ts'
import { stepsOfRun } from './nodes.ts'
import { type Procedure } from './language.ts'
import type { StationState } from './station-state.ts'

/** The next mix of a machine is another one. */
export interface MixChanged {
  readonly station: string
  readonly to: readonly string[]
}

/** A change of mix that asks for a full clean, until it is done; with what the machine was before. */
export interface MixChange {
  readonly to: readonly string[]
  readonly at: number
  readonly by: string
  readonly before: Pick<StationState, 'sanitizedAt'> & { readonly hygiene: StationState['facets']['hygiene'] }
}

/**
 * Whether the machine was not taken apart, washed and counted together again since its mix was changed to one of other allergens. Solution
 * that is only run through leaves what sits under seals and rings: common practice, no source; FDA Food Code 2022, 3-302.11(A)(3).
 */
export const waitsForFullClean = ({
  mixChange,
  countedAt,
}: {
  readonly mixChange?: Pick<MixChange, 'at'> | undefined
  readonly countedAt: number | null
}): boolean => mixChange !== undefined && (countedAt ?? 0) <= mixChange.at

/** The machine after its next mix was named: where its allergens differ, or are not known, it is soiled for that mix. */
export function mixChanged(state: StationState, record: AnyRecord & { type: 'mix.changed@1' }): StationState {
  const { mixChange, ...rest } = state
  const { to } = record.payload
  const same = to.length === state.holds?.mixes.length && to.every((id) => state.holds?.mixes.includes(id))
  // Back to what is in it: nothing was to be changed.
  if (same) {
    if (!mixChange) return state
    const { hygiene, sanitizedAt } = mixChange.before
    const untouched = state.facets.hygiene === 'soiled'
    return untouched ? { ...rest, facets: { ...state.facets, hygiene }, sanitizedAt } : rest
  }
  if (record.inForce?.asks === 'none')
    return { ...rest, holds: { mixes: to, reruns: state.holds?.reruns ?? [], step: '', before: null } }
  const { facets, sanitizedAt } = state
  const before = mixChange?.before ?? { hygiene: facets.hygiene, sanitizedAt }
  return {
    ...state,
    facets: { ...facets, hygiene: 'soiled' },
    sanitizedAt: null,
    mixChange: { to, at: correctedAt(record), by: record.by, before },
  }
}

/** The procedures of a station's family that may begin now and take its parts out, or put them in again where they are out. */
export function fullCleans(station: StationState, ofFamily: readonly Procedure[]): Procedure[] {
  const direction = station.facets.assembly === 'whole' ? 'out' : 'in'
  const moves = (p: Procedure) =>
    stepsOfRun(p, station.plate?.options ?? {}).some((s) => s.kind === 'parts' && s.direction === direction)
  return ofFamily.filter((p) => moves(p) && startFaults(p, station).length === 0)
}

/** What asked for a full clean is answered once it is sanitized after one: the mix that it was for is what goes in next. */
export function mixSettled(state: StationState): StationState {
  const { mixChange, ...rest } = state
  if (!mixChange || state.facets.hygiene !== 'sanitized' || waitsForFullClean(state)) return state
  return { ...rest, holds: { mixes: mixChange.to, reruns: [], step: '', before: null } }
}
