import { createHash } from 'node:crypto'
import type { DeviceEvent, DeviceEvents } from '@tadka/contract/device'
import type { AnyDraft } from '@tadka/core/stream'
import { v7 } from 'uuid'
import type { Services } from '../services/services.ts'
import { inSite } from '../db/transaction.ts'
import { appendBatch } from '../stream/append.ts'
import * as queries from './queries.ts'

/** The sign by which an ice machine's panel asks for cleaning. */
const cleanLight = 'clean-light'

type Made = Pick<AnyDraft, 'type' | 'subject' | 'payload'>

/** What an event of a device makes a record of; null where it is none: a lamp that goes out, a temperature that nobody took. */
function recordOf(event: DeviceEvent, device: queries.DeviceRow): Made | null {
  const station = device.station_id
  if (event.what === 'clean-light' && event.on && device.kind === 'ice-panel' && station)
    return made('sign.seen@1', 'station', station, {
      station,
      sign: cleanLight,
      note: device.name.slice(0, 80),
    })
  if (event.what === 'cycles' && device.kind === 'ice-panel' && station)
    return made('count.read@1', 'station', station, { station, of: 'cycles', total: event.total })
  if (event.what === 'drawn' && device.kind === 'dispenser-meter' && station && device.of_id)
    return made('concentrate.drawn@1', 'product', device.of_id, {
      product: device.of_id,
      station,
      millilitres: event.millilitres,
    })
  return null
}

const made = (type: string, kind: string, id: string, payload: object) =>
  ({ type, subject: { kind, id }, payload }) as unknown as Made

/** An id of its own for each event of a power-up: delivered twice, it is the same record. */
function idOf(site: string, device: string, boot: string, n: number): string {
  const seed = createHash('sha256').update(`${site} ${device} ${boot} ${n}`).digest()
  return v7({ msecs: 0, random: new Uint8Array(seed.subarray(0, 16)), seq: seed.readUInt32BE(16) >>> 1 })
}

export interface EventsTaken {
  /** How many were new. */
  readonly taken: number
  /** What could not be kept, each for itself; sent again it would not be kept either. */
  readonly refused: readonly { readonly n: number; readonly code: string; readonly message: string }[]
}

/** Takes what panels, thermometers and meters deliver; late, doubled and out of order give the same. */
export async function takeEvents(
  { pool, queue, now }: Pick<Services, 'pool' | 'queue' | 'now'>,
  site: string,
  device: queries.DeviceRow,
  { boot, uptime, events }: DeviceEvents,
): Promise<EventsTaken> {
  const receivedAt = now()
  const at = (e: DeviceEvent) => receivedAt - (uptime - e.at) * 1000
  const drafts = events.flatMap((e) => {
    const record = recordOf(e, device)
    const by = device.id
    return record
      ? [
          {
            ...record,
            id: idOf(site, device.id, boot, e.n),
            site,
            observedAt: at(e),
            device: by,
            counter: e.n,
            by,
          },
        ]
      : []
  })
  if (drafts.length > 0) {
    const outcomes = await queue.run(site, () =>
      appendBatch(pool, {
        site,
        drafts,
        clockOffset: 0,
        receivedAt,
        allow: () => null,
        fromDevice: true,
        memory: queue.memory,
      }),
    )
    await inSite(pool, site, (db) => queries.heard(db, site, device.id, receivedAt))
    return {
      taken: outcomes.filter((o) => o.outcome === 'accepted').length,
      refused: outcomes.flatMap((o, i) => {
        // Delivered again it comes at another instant by the server's clock: it is known all the same.
        if (o.outcome !== 'refused' || o.code === 'id_reused') return []
        return [{ n: drafts[i]?.counter ?? 0, code: o.code ?? 'broken', message: o.message ?? '' }]
      }),
    }
  }
  return inSite(pool, site, async (db) => {
    await queries.heard(db, site, device.id, receivedAt)
    const read = device.kind === 'thermometer' ? events.filter((e) => e.what === 'temperature') : []
    for (const e of read) await queries.keepReading(db, site, device.id, { ...e, at: at(e) })
    return { taken: read.length, refused: [] }
  })
}
