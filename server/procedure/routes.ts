import { enterBody, overrideBody } from '@tadka/contract/procedure'
import { slug } from '@tadka/contract/stream'
import {
  findProcedure,
  mayOverride,
  openPositions,
  type OwnProcedure,
  procedureOfRun,
  type RunState,
  startFaults,
  stops,
  type StationState,
} from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { v7 } from 'uuid'
import { z } from 'zod'
import type { Services } from '../services/services.ts'
import { findPerson } from '../people/queries.ts'
import { appendSigned, type Signed } from '../stream/signed.ts'
import { stateOf } from '../stream/queries.ts'
import { runsBetween } from './queries.ts'

const site = z.object({ site: slug })

/** What a shift lead answers for with their own PIN: a wait that was too short, a start that does not fit, a run told later. */
export const procedureRoutes =
  ({ pool, guard, pins, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    const append = (where: string, made: readonly Signed[]) =>
      appendSigned({ pool, queue }, where, now(), made)
    const state = async <T>(where: string, kind: string, id: string): Promise<T | null> =>
      ((await stateOf(pool, where, kind, id))?.state as T | undefined) ?? null
    const procedureAt = async (where: string, id: string, version: number) =>
      findProcedure(id, version) ??
      (await state<OwnProcedure>(where, 'procedure', id))?.versions.find((v) => v.version === version) ??
      null

    app.post(
      '/api/sites/:site/override',
      {
        schema: { params: site, body: overrideBody },
        config: { rateLimit: { max: 30, timeWindow: '1 minute' } },
      },
      async (request) => {
        const where = request.params.site
        const acting = await guard.actor(request, where, 'record')
        const { person, pin, reason, what } = request.body
        if (what.kind === 'wait') {
          const run = await state<RunState>(where, 'run', what.run)
          const procedure = run && procedureOfRun(run)
          const open = procedure ? openPositions(procedure, run).find((p) => p.key === what.step) : undefined
          if (!run || open?.kind !== 'step') throw new Refusal('not_found')
          const { step } = open
          if ((step.kind !== 'wait' && step.kind !== 'tend') || !mayOverride(step))
            throw new Refusal('cannot_override')
          await pins.own(acting.tablet, person, pin, 'override')
          const payload = {
            run: run.id,
            station: run.station,
            step: what.step,
            what: 'wait',
            reason,
          } as const
          const subject = { kind: 'run', id: run.id } as const
          return {
            outcomes: await append(where, [{ type: 'run.overridden@1', subject, by: person, payload }]),
          }
        }
        const station = await state<StationState>(where, 'station', what.station)
        const procedure = await procedureAt(where, what.procedure.id, what.procedure.version)
        if (!station || !procedure) throw new Refusal('not_found')
        if (station.currentRun) throw new Refusal('cannot_override')
        if (startFaults(procedure, station).some((f) => stops.includes(f.why)))
          throw new Refusal('cannot_override')
        await pins.own(acting.tablet, person, pin, 'override')
        const plain = { run: what.run, station: what.station }
        const subject = { kind: 'run', id: what.run } as const
        const started = { ...plain, procedure: what.procedure }
        const overridden = { ...plain, step: '', what: 'start', reason } as const
        return {
          outcomes: await append(where, [
            { type: 'run.started@2', subject, by: acting.id, payload: started },
            { type: 'run.overridden@1', subject, by: person, payload: overridden },
          ]),
        }
      },
    )

    app.post(
      '/api/sites/:site/enter',
      {
        schema: { params: site, body: enterBody },
        config: { rateLimit: { max: 30, timeWindow: '1 minute' } },
      },
      async (request) => {
        const where = request.params.site
        const tablet = await guard.tablet(request, where)
        const { person, pin, station, procedure, from, to, who, read } = request.body
        if (from >= to || to > now()) throw new Refusal('time_order', { field: 'to' })
        const known = await procedureAt(where, procedure.id, procedure.version)
        const on = await state<StationState>(where, 'station', station)
        if (!known || !on?.plate || !(await findPerson(pool, where, who))) throw new Refusal('not_found')
        const seen = await runsBetween(pool, where, station, from, to)
        if (seen.length > 0) throw new Refusal('seen_elsewhere', { runs: seen })
        await pins.own(tablet, person, pin, 'override')
        const run = v7()
        const payload = { run, station, procedure, from, to, who, read }
        const subject = { kind: 'run', id: run } as const
        return {
          run,
          outcomes: await append(where, [{ type: 'run.entered@1', subject, by: person, payload }]),
        }
      },
    )
  }
