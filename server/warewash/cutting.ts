import { createHash } from 'node:crypto'
import type { LocalRule } from '@tadka/core/rules'
import type { StationState } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import type { SiteSet } from '@tadka/core/house'
import {
  cycleSplitter,
  figuresOf,
  judgeCycle,
  limitsFor,
  type CutCycle,
  type CycleJudged,
  type CycleLimits,
} from '@tadka/core/warewash'
import { v7 } from 'uuid'
import type { Unpacked } from './block.ts'
import type { BootRow, CycleRow } from './queries.ts'

/** Seconds that a delivery may lag behind the newest without a cycle being judged twice. */
export const settleSeconds = 10

export interface CutStretch {
  readonly cycles: readonly { readonly cut: CutCycle; readonly conductivity: number | null }[]
  /** The second from which the next stretch is cut: the machine stood still there. */
  readonly checkpoint: number
}

/** Cuts a stretch that begins while the machine stands still. @param upTo the last second that is settled. */
export function cutStretch(samples: Unpacked, upTo: number, checkpoint: number): CutStretch {
  const splitter = cycleSplitter()
  const cuts = splitter.push(samples)
  const cycles = cuts.map((cut) => ({ cut, conductivity: conductivityAt(samples, cut.trace.at.at(-1) ?? 0) }))
  const under = splitter.underWay()
  const next = under ? (under.at[0] ?? upTo) - 5 : upTo - 5
  return { cycles, checkpoint: Math.max(checkpoint, next) }
}

function conductivityAt(samples: Unpacked, second: number): number | null {
  const i = samples.at.findLastIndex((s) => s <= second)
  const value = samples.conductivity[i] ?? Number.NaN
  return Number.isNaN(value) ? null : Math.round(value * 100) / 100
}

/** What a station's cycles are held to; null where it is no dish machine. @param local the authority's rules in force. */
export function limitsAt(
  station: StationState | null,
  site: Partial<SiteSet> | null,
  local: readonly LocalRule[],
): CycleLimits | null {
  return station?.plate ? limitsFor(station.plate, site?.schools ?? {}, local) : null
}

export interface Judged {
  readonly row: CycleRow & {
    readonly ended_at: number
    readonly verdict: string | null
    readonly rinse_low: number | null
    readonly wash_low: number | null
  }
  readonly payload: CycleJudged
}

const rounded = (value: number | null, digits = 100) =>
  value === null ? null : Math.round(value * digits) / digits

/**
 * A cut cycle as a record's payload, with what it replaces; null where it stands so already.
 * @param known the boot's cycles from there on.
 */
export function judgedCycle(
  { cut, conductivity }: CutStretch['cycles'][number],
  boot: BootRow,
  station: string,
  limits: CycleLimits,
  known: readonly CycleRow[],
): Judged | null {
  const figures = figuresOf(cut.trace, cut.missing)
  const { from, to, stuck, ...reached } = figures
  const key = `${boot.device_id}.${boot.boot}.${from}`.slice(0, 64)
  const kept = {
    ...reached,
    washLow: rounded(reached.washLow),
    washMean: rounded(reached.washMean),
    rinseLow: rounded(reached.rinseLow),
    rinseLast: rounded(reached.rinseLast),
    rinseHigh: rounded(reached.rinseHigh),
    pressureLow: rounded(reached.pressureLow, 10),
    pressureHigh: rounded(reached.pressureHigh, 10),
    a0: rounded(reached.a0, 10),
    stuck: [...stuck],
  }
  const digest = createHash('sha256')
    .update(JSON.stringify([from, to, cut.ending, kept]))
    .digest('hex')
    .slice(0, 32)
  const overlapping = known.filter((k) => k.from_second <= to && k.to_second >= from)
  if (overlapping.length === 1 && overlapping[0]?.digest === digest) return null
  const before = overlapping.filter((k) => k.ending === 'complete').length
  const judgement = judgeCycle(figures, cut.ending, limits)
  const at = (second: number) => Math.round(boot.anchor + second * 1000)
  return {
    row: {
      key,
      boot: boot.boot,
      device_id: boot.device_id,
      from_second: from,
      to_second: to,
      ended_at: at(to),
      ending: cut.ending,
      verdict: judgement?.overall ?? null,
      rinse_low: kept.rinseLow,
      wash_low: kept.washLow,
      digest,
    },
    payload: {
      station,
      cycle: key,
      from: at(from),
      to: at(to),
      ending: cut.ending,
      racks: (cut.ending === 'complete' ? 1 : 0) - before,
      figures: kept,
      judgement,
      conductivity,
      replaces: overlapping.map((k) => k.key).filter((k) => k !== key),
    },
  }
}

/** The record's draft: the same cycle, judged the same, is the same record. */
export function draftOf(site: string, device: string, judged: Judged, now: number): AnyDraft {
  const seed = createHash('sha256').update(`${site} ${judged.row.key} ${judged.row.digest}`).digest()
  return {
    id: v7({
      msecs: judged.row.to_second * 1000,
      random: new Uint8Array(seed.subarray(0, 16)),
      seq: seed.readUInt32BE(16) >>> 1,
    }),
    site,
    type: 'cycle.judged@1',
    subject: { kind: 'dish', id: judged.payload.station },
    observedAt: now,
    device,
    counter: judged.row.to_second,
    by: device,
    payload: judged.payload,
  }
}
