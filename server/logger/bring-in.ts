import { createHash } from 'node:crypto'
import { type ImportAnswer, mostBytes } from '@tadka/contract/logger'
import {
  fileRefused,
  loggerId,
  loggerReader,
  machineTraceIn,
  passesIn,
  summaryOf,
  tallyOf,
  type LoggerImported,
  type LoggerMapping,
  type LoggerSeries,
  type MachineTrace,
} from '@tadka/core/logger'
import { Refusal } from '@tadka/core/refusal'
import { cycleSplitter } from '@tadka/core/warewash'
import { v7 } from 'uuid'
import type { Services } from '../services/services.ts'
import type { Client } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'
import { appendBatch } from '../stream/append.ts'
import { judgedCycle } from '../warewash/cutting.ts'
import { minutesOf } from '../warewash/block.ts'
import { limitsOf, localRules } from '../warewash/limits.ts'
import { putInChain } from '../warewash/put-in-chain.ts'
import { holdBoot, keepBoot, keepCycle, writeBlocks } from '../warewash/queries.ts'
import * as queries from './queries.ts'
import { partsOf } from './rows.ts'

/** Rides told one by one in the log. */
const passesTold = 60
const futureSlackMs = 60_000

export interface Asked {
  readonly site: string
  readonly station: string
  readonly name: string
  readonly mapping: LoggerMapping
  readonly by: string
}

interface Read {
  readonly series: LoggerSeries
  readonly sha256: string
}

/** Reads a file as its bytes come. Throws `logger_file`, `body_too_large`; then nothing was kept, and the rest is let go by. */
export async function readFile(bytes: AsyncIterable<Buffer>, mapping: LoggerMapping): Promise<Read> {
  const hash = createHash('sha256')
  const decoder = new TextDecoder(mapping.encoding, { fatal: true })
  const reader = loggerReader(mapping)
  let [size, line] = [0, 0]
  let fault: unknown = null
  const text = (chunk?: Buffer): string => {
    try {
      return decoder.decode(chunk, { stream: chunk !== undefined })
    } catch {
      throw fileRefused('encoding', line + 1)
    }
  }
  for await (const chunk of bytes) {
    size += chunk.length
    if (fault !== null) continue
    try {
      if (size > mostBytes) throw new Refusal('body_too_large')
      hash.update(chunk)
      reader.push(text(chunk))
      line = mapping.skip + reader.rows()
    } catch (error) {
      fault = error
    }
  }
  if (fault !== null) throw fault as Error
  reader.push(text())
  return { series: reader.end(), sha256: hash.digest('hex') }
}

/** Files of loggers: kept whole, judged where they tell enough, each once. */
export function bringIn(services: Pick<Services, 'pool' | 'queue' | 'now'>) {
  const { pool, queue, now } = services

  async function keep(asked: Asked, { series, sha256 }: Read): Promise<ImportAnswer> {
    const { site, station, mapping } = asked
    const id = loggerId(sha256)
    const summary = summaryOf(series)
    if (summary.to > now() + futureSlackMs)
      throw fileRefused('future', null, new Date(summary.to).toISOString())
    const machine = machineTraceIn(series, summary.step)
    return queue.run(`devices of ${site}`, async () => {
      const before = await queries.fileOf(pool, site, id)
      if (before) return { id, known: true, imported: before }
      return inSite(pool, site, async (db) => {
        const at = now()
        const cut = machine && (await cycles(db, asked, id, summary.from, machine))
        const passes = passesIn(series, summary.step, mapping.accuracy, await localRules(pool, site, at))
        const imported: LoggerImported = {
          station,
          sha256,
          name: asked.name,
          mapping,
          summary,
          cycles: cut && {
            judged: tallyOf(cut.judged.flatMap((j) => j.payload.judgement?.overall ?? [])),
            known: cut.known,
          },
          passes: series.columns.some((c) => c.measures === 'ware')
            ? {
                count: passes.length,
                judged: tallyOf(passes.map((p) => p.verdict)),
                last: passes.slice(-passesTold),
              }
            : null,
        }
        await queries.addFile(db, site, id, imported, at)
        await queries.addParts(db, site, id, partsOf(series))
        if (cut) await putInChain(services, site, cut.device, cut.judged)
        await say(asked, 'logger.imported@1', id, imported)
        return { id, known: false, imported }
      })
    })
  }

  /** The file's cycles, judged, without those that a probe or another file brought before. */
  async function cycles(db: Client, asked: Asked, id: string, from: number, machine: MachineTrace) {
    const { site, station } = asked
    const limits = await limitsOf(pool, site, station, now())
    if (!limits) return null
    const { trace, conductivity } = machine
    const device = `file-${id.slice(0, 24)}`
    const at = now()
    const token = createHash('sha256').update(`${device} ${at}`).digest('hex')
    await queries.addFileDevice(db, site, { id: device, name: asked.name, station, token }, at)
    const newest = trace.at.at(-1) ?? 0
    const boot = { ...(await holdBoot(db, site, device, 'file', from, at)), newest, checkpoint: newest }
    await keepBoot(db, site, boot, at)
    await writeBlocks(db, site, device, 'file', minutesOf(trace, conductivity), at)
    const there = await queries.cyclesTouching(db, site, station, from, from + newest * 1000)
    const all = cycleSplitter()
      .push(trace)
      .flatMap((cut) => {
        const told = conductivityAt(machine, cut.trace.at.at(-1) ?? 0)
        return judgedCycle({ cut, conductivity: told }, boot, station, limits, []) ?? []
      })
    const judged = all.filter(
      ({ payload: p }) => !there.some((k) => k.device_id !== device && k.from <= p.to && k.to >= p.from),
    )
    for (const j of judged) await keepCycle(db, site, station, j.row, [])
    return { device, judged, known: all.length - judged.length }
  }

  /** Puts what was done with a file into the chain. */
  async function say<T extends 'logger.imported@1' | 'logger.withdrawn@1'>(
    { site, by }: Pick<Asked, 'site' | 'by'>,
    type: T,
    id: string,
    payload: unknown,
  ): Promise<void> {
    const at = now()
    const draft = {
      id: v7(),
      site,
      type,
      subject: { kind: 'logger', id },
      observedAt: at,
      device: 'server',
      counter: at,
      by,
      payload,
    }
    const [outcome] = await queue.run(site, () =>
      appendBatch(pool, {
        site,
        drafts: [draft],
        clockOffset: 0,
        receivedAt: at,
        allow: () => null,
        fromDevice: true,
        memory: queue.memory,
      }),
    )
    if (outcome?.outcome !== 'accepted') throw new Error(`a file was refused: ${JSON.stringify(outcome)}`)
  }

  return {
    keep,
    /** Takes a file back. Throws `not_found`, `logger_cycles`. */
    async withdraw(site: string, id: string, by: string, reason: string): Promise<void> {
      const file = await queries.fileOf(pool, site, id)
      if (!file) throw new Refusal('not_found')
      if (file.cycles && Object.values(file.cycles.judged).some((n: number) => n > 0))
        throw new Refusal('logger_cycles')
      await say({ site, by }, 'logger.withdrawn@1', id, { station: file.station, reason })
      await queries.dropFile(pool, site, id)
    },
  }
}

function conductivityAt({ trace, conductivity }: MachineTrace, second: number): number | null {
  let [lo, hi] = [0, trace.at.length - 1]
  while (lo < hi) {
    const middle = (lo + hi + 1) >> 1
    if ((trace.at[middle] as number) <= second) lo = middle
    else hi = middle - 1
  }
  const value = conductivity[lo] ?? Number.NaN
  return Number.isNaN(value) ? null : Math.round(value * 100) / 100
}
