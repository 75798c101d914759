import { readingInCelsius, type TemperatureReading } from '../quantity/index.ts'
import { rerunFit } from '../rules/index.ts'
import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import { dateAfter } from '../calendar/index.ts'
import { anyTcs, type MixSet } from '../house/mix.ts'

/** A container of mix that was left is put by. */
export interface RerunKept {
  /** The machine that it came from, and the step of the run that drained it. */
  readonly station: string
  readonly run: string
  readonly step: string
  /** Mixes in it; none where nobody said. */
  readonly mixes: readonly string[]
  readonly litres: number
  readonly read: TemperatureReading
  /** The trading day that the oldest of it was drawn on, ISO date. */
  readonly since: string
  /** The last day that it may be used on, ISO date, as its label says. */
  readonly useBy: string
}

export interface RerunRead {
  readonly read: TemperatureReading
}

/** It is no more: it went into a machine before new mix, or was thrown out. */
export interface RerunEnded {
  readonly how: 'used' | 'thrown-out'
  /** The machine that it went into, by the step of this run. */
  readonly into: string | null
  readonly run: string | null
  readonly step: string | null
  readonly reason: string
}

/** The step of a run that put it by, or used it, was taken back: it was never put by, or is there again. */
export interface RerunTakenBack {
  readonly run: string
  readonly step: string
}

interface ReadAt {
  readonly at: number
  readonly by: string
  readonly read: TemperatureReading
}

export interface RerunState extends Partial<RerunKept> {
  readonly id: string
  readonly keptAt: number | null
  readonly by: string
  /** The newest last. */
  readonly readings: readonly ReadAt[]
  readonly ended: (RerunEnded & { readonly at: number; readonly by: string }) | null
}

/** A container that is followed from when it was put by until it is used or thrown out. */
export const rerunFold: Fold<RerunState> = {
  initial: (id) => ({ id, keptAt: null, by: '', readings: [], ended: null }),
  apply(state, record) {
    const at = correctedAt(record)
    const { by } = record
    if (record.type === 'rerun.kept@1')
      return {
        ...state,
        ...record.payload,
        keptAt: at,
        by,
        readings: [{ at, by, read: record.payload.read }],
      }
    if (record.type === 'rerun.read@1')
      return { ...state, readings: [...state.readings, { at, by, read: record.payload.read }] }
    if (record.type === 'rerun.ended@1')
      return state.ended ? state : { ...state, ended: { ...record.payload, at, by } }
    if (record.type === 'rerun.taken-back@1') return takenBack(state, record.payload)
    return state
  },
}

const isOf = (of: { run?: string | null; step?: string | null } | null, step: RerunTakenBack): boolean =>
  of?.run === step.run && of.step === step.step

function takenBack(state: RerunState, step: RerunTakenBack): RerunState {
  if (isOf(state.ended, step)) return { ...state, ended: null }
  return isOf(state, step) ? { ...state, keptAt: null } : state
}

/** Whether a step of a run put this container by, or used it: taken back, the container is as it was before. */
export const isByStep = (rerun: RerunState, step: RerunTakenBack): boolean =>
  (rerun.keptAt !== null && isOf(rerun, step)) || isOf(rerun.ended, step)

/** Days that ready-to-eat food is kept cold, the first day counted: FDA Food Code 2022, 3-501.17. */
export const mostDays = 7

/** The last of so many days, the first counted. @param since ISO date. */
const lastOf = (since: string, days: number): string => dateAfter(since, days - 1)

/** Whether a label names a last day that can be: not before it was begun, and no later than the code allows. ISO dates. */
export const isLastDay = (since: string, useBy: string): boolean =>
  useBy >= since && useBy <= lastOf(since, mostDays)

/**
 * When a container was begun and the last day it may be used on: the earliest of seven days with the first counted (FDA Food Code 2022,
 * 3-501.17), the days that the makers of its mixes name, and the site's own. What went into the machine from an older container takes its day.
 * @param today trading day, ISO date. @param older containers that went in. @param siteDays null: the site has none of its own.
 */
export function rerunDays(
  today: string,
  mixes: readonly (Partial<MixSet> | null)[],
  older: readonly Pick<RerunState, 'since' | 'useBy'>[],
  siteDays: number | null,
): { readonly since: string; readonly useBy: string } {
  const since = [today, ...older.flatMap((o) => o.since ?? [])].toSorted()[0] ?? today
  const days = Math.min(mostDays, siteDays ?? mostDays, ...mixes.flatMap((m) => m?.keepDays ?? []))
  const useBy = [lastOf(since, days), ...older.flatMap((o) => o.useBy ?? [])].toSorted()[0] ?? since
  return { since, useBy }
}

/** What is to be done with a container now, and why. */
export type RerunStands =
  | { readonly is: 'gone' }
  | { readonly is: 'throw-out'; readonly why: 'late' | 'warm' }
  | { readonly is: 'read-first' }
  | { readonly is: 'use' }

/**
 * Whether a container may be used: not past its day; where it needs temperature control, read cold today and each time before. What
 * was warm once is thrown out. @param since when the trading day began, ms UTC. @param today trading day, ISO date.
 */
export function rerunStands(
  rerun: RerunState,
  mixes: readonly (Partial<MixSet> | null)[],
  today: string,
  since: number,
): RerunStands {
  if (rerun.ended || rerun.keptAt === null) return { is: 'gone' }
  if ((rerun.useBy ?? '') < today) return { is: 'throw-out', why: 'late' }
  if (!anyTcs(mixes)) return { is: 'use' }
  if (rerun.readings.some(({ read }) => !rerunFit(read.value, read.unit).cold))
    return { is: 'throw-out', why: 'warm' }
  return rerun.readings.some((r) => r.at >= since) ? { is: 'use' } : { is: 'read-first' }
}

/** The last temperature of a container, °C; null where none was read. */
export const lastRead = ({ readings }: RerunState): number | null => {
  const last = readings.at(-1)
  return last ? readingInCelsius(last.read) : null
}
