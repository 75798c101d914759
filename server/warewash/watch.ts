import type { CycleTrace, Delivery, MachineNow } from '@tadka/contract/warewash'
import { Refusal } from '@tadka/core/refusal'
import { cycleSplitter, doorBit } from '@tadka/core/warewash'
import type { Services } from '../services/services.ts'
import type { Client } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'
import { emptyBlock, putInto, seconds, unpack } from './block.ts'
import { cutStretch, judgedCycle, settleSeconds } from './cutting.ts'
import { limitsOf } from './limits.ts'
import { putInChain } from './put-in-chain.ts'
import { devicesOf, type DeviceRow } from '../device/queries.ts'
import * as queries from './queries.ts'

type Needed = Pick<Services, 'pool' | 'queue' | 'now'>

/** Samples this late are put in, and the cycles around them cut anew; before that the machine is taken to have stood still. */
const furthestBack = 3600
const retainedMs = 90 * 86_400_000
const forgetEveryMs = 6 * 3_600_000

/** Takes what devices deliver: keeps it, cuts cycles out of it, judges them and puts them into the site's chain. */
export function dishWatch({ pool, queue, now }: Needed) {
  const forgot = new Map<string, number>()

  async function forget(site: string): Promise<void> {
    if (Math.abs(now() - (forgot.get(site) ?? 0)) < forgetEveryMs) return
    forgot.set(site, now())
    await queries.forgetSamples(pool, site, now() - retainedMs)
  }

  /** One delivery; the same one twice changes nothing. Returns how many cycles it brought or changed. */
  async function take(site: string, device: DeviceRow, d: Delivery): Promise<{ cycles: number }> {
    await forget(site)
    const receivedAt = now()
    const station = device.station_id
    if (station === null) throw new Refusal('device_unknown')
    // One at a time: each holds a connection while the records are appended over another.
    return queue.run(`devices of ${site}`, () =>
      inSite(pool, site, async (db) => {
        const anchor = receivedAt - d.uptime * 1000
        const held = await queries.holdBoot(db, site, device.id, d.boot, anchor, receivedAt)
        const earliest = await keepSamples(db, site, held, d, receivedAt)
        const boot = {
          ...held,
          anchor: Math.min(held.anchor, anchor),
          newest: Math.max(held.newest, d.from + d.tank.length - 1),
          checkpoint:
            earliest !== null && earliest < held.checkpoint
              ? await stoodStillBefore(db, site, held, earliest)
              : held.checkpoint,
        }
        const { judged, checkpoint } = await cut(db, site, station, boot)
        if (judged.length > 0) await putInChain({ pool, queue, now }, site, device.id, judged)
        for (const j of judged) await queries.keepCycle(db, site, station, j.row, j.payload.replaces)
        await queries.keepBoot(db, site, { ...boot, checkpoint }, receivedAt)
        return { cycles: judged.length }
      }),
    )
  }

  async function cut(db: Client, site: string, station: string, boot: queries.BootRow) {
    const upTo = boot.newest - settleSeconds
    const from = boot.checkpoint
    const blocks = await queries.readBlocks(
      db,
      site,
      boot.device_id,
      boot.boot,
      Math.floor(from / seconds),
      Math.floor(upTo / seconds),
    )
    const stretch = cutStretch(unpack(blocks, from, upTo), upTo, from)
    const limits = stretch.cycles.length > 0 ? await limitsOf(pool, site, station, now()) : null
    if (!limits) return { judged: [], checkpoint: stretch.checkpoint }
    const known = await queries.cyclesAfter(db, site, boot.device_id, boot.boot, from)
    const judged = stretch.cycles.flatMap((c) => judgedCycle(c, boot, station, limits, known) ?? [])
    return { judged, checkpoint: stretch.checkpoint }
  }

  return {
    take,
    /** What the machine does now, by the newest samples that came. */
    async nowOf(site: string, station: string): Promise<MachineNow> {
      const unheard: MachineNow = {
        at: null,
        tank: null,
        rinse: null,
        pressure: null,
        conductivity: null,
        door: false,
        phase: 'idle',
        since: null,
      }
      const boot = await bootOf(site, station)
      if (!boot) return unheard
      const samples = await samplesOf(site, boot, boot.newest - 300, boot.newest)
      const last = samples.at.length - 1
      if (last < 0) return unheard
      const splitter = cycleSplitter()
      splitter.push(samples)
      const { phase, since } = splitter.now()
      const told = (column: Float32Array) => toldBy(column[last])
      return {
        at: boot.anchor + (samples.at[last] ?? 0) * 1000,
        tank: told(samples.tank),
        rinse: told(samples.rinse),
        pressure: told(samples.pressure),
        conductivity: told(samples.conductivity),
        door: ((samples.on[last] ?? 0) & doorBit) !== 0,
        phase,
        since: Number.isFinite(since) ? boot.anchor + since * 1000 : null,
      }
    },
    /** A cycle's samples with twenty seconds before and after; null where they are no longer kept. */
    async traceOf(site: string, key: string): Promise<CycleTrace | null> {
      const cycle = await queries.cycleByKey(pool, site, key)
      if (!cycle) return null
      const boot = await queries.bootByName(pool, site, cycle.device_id, cycle.boot)
      if (!boot) return null
      const s = await samplesOf(site, boot, cycle.from_second - 20, cycle.to_second + 20)
      if (s.at.length === 0) return null
      const column = (c: Float32Array) => Array.from(c, toldBy)
      return {
        at: Array.from(s.at, (second) => boot.anchor + second * 1000),
        tank: column(s.tank),
        rinse: column(s.rinse),
        pressure: column(s.pressure),
        on: [...s.on],
      }
    },
  }

  async function bootOf(site: string, station: string): Promise<queries.BootRow | null> {
    const devices = (await devicesOf(pool, site)).filter((d) => d.station === station && d.endedAt === null)
    const [newest] = devices.toSorted((a, b) => (b.heardAt ?? 0) - (a.heardAt ?? 0))
    return newest ? queries.latestBoot(pool, site, newest.id) : null
  }

  async function samplesOf(site: string, boot: queries.BootRow, from: number, to: number) {
    const blocks = await inSite(pool, site, (db) =>
      queries.readBlocks(
        db,
        site,
        boot.device_id,
        boot.boot,
        Math.floor(from / seconds),
        Math.floor(to / seconds),
      ),
    )
    return unpack(blocks, from, to)
  }
}

const toldBy = (value: number | undefined): number | null =>
  value === undefined || Number.isNaN(value) ? null : Math.round(value * 100) / 100

/** Puts a delivery into its minutes; returns the earliest second that was new, or null. */
async function keepSamples(
  db: Client,
  site: string,
  { device_id, boot }: queries.BootRow,
  d: Delivery,
  at: number,
): Promise<number | null> {
  const [first, last] = [Math.floor(d.from / seconds), Math.floor((d.from + d.tank.length - 1) / seconds)]
  const kept = await queries.readBlocks(db, site, device_id, boot, first, last)
  let earliest: number | null = null
  const changed: queries.Block[] = []
  for (let minute = first; minute <= last; minute++) {
    const data = kept.find((b) => b.minute === minute)?.data ?? emptyBlock()
    const second = putInto(data, minute, d)
    if (second === null) continue
    earliest ??= second
    changed.push({ minute, data })
  }
  if (changed.length > 0) await queries.writeBlocks(db, site, device_id, boot, changed, at)
  return earliest
}

/** A second before which the machine is known to have stood still: after the cycle before, or far enough back. */
async function stoodStillBefore(
  db: Client,
  site: string,
  { device_id, boot }: queries.BootRow,
  second: number,
): Promise<number> {
  const ended = await queries.lastEndBefore(db, site, device_id, boot, second - 5)
  return Math.max(0, second - furthestBack, (ended ?? -1) + 1)
}
