import type { Fold } from '../stream/fold.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import { unknownFacets, type Facets } from './facets.ts'
import { mixChanged, mixSettled } from './mix-change.ts'
import type { SafeAct } from './payloads.ts'
import { isRunRecord, withRun } from './station-run.ts'
import { isClosing, withClosure } from './station-closed.ts'
import { closedKey, type StationState } from './station-state.ts'
import { withTemperature } from './station-temperature.ts'

/** What a station is after each record about it. */
export const stationFold: Fold<StationState> = {
  initial: (id) => ({
    id,
    plate: null,
    facets: unknownFacets,
    sanitizedAt: null,
    currentRun: null,
    runs: {},
    lanes: {},
    before: {},
    lastRuns: {},
    notSanitized: {},
    outOfService: null,
    countedAt: null,
    watched: {},
    closed: {},
    followUps: [],
    counts: {},
    signs: [],
    washWater: null,
    laidUp: null,
  }),
  apply: (state, record) => withDowns(state, mixSettled(applied(state, record)), correctedAt(record)),
}

const downsKept = 60

/** A machine that is back in service was down from then to now, whatever brought it back. */
function withDowns(before: StationState, after: StationState, at: number): StationState {
  if (!before.outOfService || after.outOfService) return after
  const down = { from: before.outOfService.since, to: at }
  return { ...after, downs: [...(after.downs ?? []), down].slice(-downsKept) }
}

function applied(state: StationState, record: AnyRecord): StationState {
  if (isRunRecord(record)) return withRun(state, record)
  if (isClosing(record)) return withClosure(state, record)
  const at = correctedAt(record)
  switch (record.type) {
    case 'station.set@1':
      return { ...state, plate: record.payload }
    case 'follow-up.closed@1':
      return withoutFollowUp(state, record.payload.run, record.payload.step)
    case 'count.read@1': {
      const { of, total } = record.payload
      return { ...state, counts: { ...state.counts, [of]: { total, at } } }
    }
    case 'sign.seen@1': {
      const seen = { sign: record.payload.sign, at, by: record.by }
      return { ...state, signs: [...state.signs.filter((s) => s.sign !== seen.sign), seen] }
    }
    case 'station.laid-up@1':
      return { ...state, laidUp: { since: at, reason: record.payload.reason } }
    case 'station.back@1':
      // It stood: whatever it was, it is sanitized before use.
      return { ...changed(state, { hygiene: 'unknown' }), laidUp: null }
    case 'station.stopped@1': {
      const told = { run: null, step: null, what: record.payload.reason }
      return { ...state, outOfService: { since: at, by: record.by, why: 'reported', ...told } }
    }
    case 'fault.seen@1': {
      const { works, said } = record.payload
      const told = { run: null, step: null, what: said }
      // What stopped it before stands.
      return works === 'no' && !state.outOfService
        ? { ...state, outOfService: { since: at, by: record.by, why: 'reported', ...told } }
        : state
    }
    case 'station.returned@1':
      // What was mended was opened, handled, run: neither whole nor sanitized comes of it.
      return { ...changed(state, { hygiene: 'unknown' }), outOfService: null }
    case 'station.observed@1':
      return observed(state, record)
    case 'station.made-safe@1':
      return changed(state, madeSafe[record.payload.did])
    case 'duty.closed@1': {
      const { procedure, day, reason } = record.payload
      return {
        ...state,
        closed: { ...state.closed, [closedKey(procedure, day)]: { reason, by: record.by, at } },
      }
    }
    case 'reading.taken@1':
      return withTemperature(
        {
          ...state,
          lastRead: {
            record: record.id,
            at: correctedAt(record),
            verdict: record.payload.judgement.overall,
          },
        },
        record,
      )
    case 'mix.changed@1':
      return mixChanged(state, record)
    default:
      return state
  }
}

/** What each act that makes a machine safe changes. None makes anything clean. */
const madeSafe: Record<SafeAct, Partial<Facets>> = {
  drained: { contents: 'empty', primed: false, contact: 'none' },
  rinsed: { contents: 'rinse', residue: 'none', contact: 'none' },
  'switched-off': { power: 'off', isolatedBy: null },
  'feeds-on': { feeds: 'on' },
}

/** How it stands by what somebody sees. What differs from what was known makes its cleanness unknown; nothing makes it clean. */
function observed(state: StationState, record: AnyRecord & { type: 'station.observed@1' }): StationState {
  const { contents, assembly, power } = record.payload
  const { facets } = state
  // Parts that were counted out are counted in: looking is not counting.
  const built = assembly === 'whole' && (facets.partsOut ?? 0) > 0 ? facets.assembly : assembly
  const moved = facets.contents !== contents || facets.assembly !== built
  const partsOut = built === 'whole' ? 0 : facets.partsOut === 0 ? null : facets.partsOut
  const cut = power === 'isolated' ? facets.power : power
  return changed(state, {
    contents,
    assembly: built,
    partsOut,
    power: cut,
    isolatedBy: cut === 'isolated' ? (facets.isolatedBy ?? null) : null,
    ...(moved ? { hygiene: 'unknown' as const, contact: 'none' as const } : {}),
  })
}

function changed(state: StationState, change: Partial<Facets>): StationState {
  const sanitizedAt =
    change.hygiene !== undefined && change.hygiene !== 'sanitized' ? null : state.sanitizedAt
  return { ...state, facets: { ...state.facets, ...change }, sanitizedAt }
}

const withoutFollowUp = (state: StationState, run: string, step: string): StationState => ({
  ...state,
  followUps: state.followUps.filter((f) => f.run !== run || f.step !== step),
})
