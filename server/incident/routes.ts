import { reopenBody } from '@tadka/contract/incident'
import { slug } from '@tadka/contract/stream'
import type { BathState } from '@tadka/core/bath'
import type { MixState, ProductState, SiteKept, SiteSet } from '@tadka/core/house'
import {
  incidentKnown,
  incidentList,
  mayEnd,
  notYet,
  planOnFile,
  stationsOut,
  type IncidentSite,
  type IncidentState,
} from '@tadka/core/incident'
import type { OwnProcedure, StationState } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import type { RerunState } from '@tadka/core/rerun'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { Pool } from '../db/pool.ts'
import { siteOf } from '../record/day.ts'
import type { Services } from '../services/services.ts'
import { stateOf, statesOfKind } from '../stream/queries.ts'
import { appendSigned } from '../stream/signed.ts'

const named = z.object({ site: slug, incident: slug })

/** All of a site that a list is made from, as the log has it now. */
async function siteFor(pool: Pool, where: string): Promise<IncidentSite> {
  const site = (await siteOf(pool, where)) as SiteSet & SiteKept
  const kinds = ['station', 'bath', 'rerun', 'mix', 'product', 'procedure'] as const
  const [stations, baths, reruns, mixes, products, own] = await Promise.all(
    kinds.map((kind) => statesOfKind(pool, where, kind)),
  )
  const by = <T extends { readonly id: string }>(all: unknown[] | undefined) => {
    const map = new Map((all as T[] | undefined)?.map((one) => [one.id, one]))
    return (id: string) => map.get(id) ?? null
  }
  return {
    site,
    stations: stations as StationState[],
    baths: baths as BathState[],
    reruns: reruns as RerunState[],
    mixOf: by<MixState>(mixes),
    productOf: by<ProductState>(products),
    ownProcedure: by<OwnProcedure>(own),
  }
}

/** Stations come back after something went wrong: signed by a lead, once the server has found their list to be through. */
export const incidentRoutes =
  ({ pool, guard, pins, queue, now }: Services): FastifyPluginAsyncZod =>
  async (app) => {
    app.post(
      '/api/sites/:site/incidents/:incident/reopen',
      { schema: { params: named, body: reopenBody } },
      async (request) => {
        const { site: where, incident: id } = request.params
        const { person, pin, stations } = request.body
        const actor = await guard.actor(request, where, 'record')
        await pins.own(actor.tablet, person, pin, 'close-case')
        const found = (await stateOf(pool, where, 'incident', id))?.state as IncidentState | undefined
        if (!found || found.status === 'void') throw new Refusal('not_found')
        if (found.status !== 'open') throw new Refusal('incident_ended')
        const at = now()
        const known = await siteFor(pool, where)
        const items = incidentList(found, incidentKnown(found, known, at))
        const plan = planOnFile(known.site)
        const out = stationsOut(found)
        const back = [...new Set(stations)]
        const stranger = back.find((s) => !out.includes(s))
        if (stranger !== undefined) throw new Refusal('incident_not_its_station', { station: stranger })
        // What is for the whole site, with what is for these stations.
        const left = (back.length > 0 ? back : [null]).flatMap((s) => notYet(found, items, s, plan))
        const names = new Set(left.map((n) => (n.why === 'item' ? n.item.key : n.why)))
        if (names.size > 0) throw new Refusal('incident_not_ready', { left: names.size })
        const ends = out.every((s) => back.includes(s)) && mayEnd(items)
        if (back.length === 0 && !ends) throw new Refusal('incident_not_ready', { left: out.length || 1 })
        const outcomes = await appendSigned({ pool, queue }, where, at, [
          {
            type: 'incident.reopened@1',
            subject: { kind: 'incident', id },
            by: person,
            payload: { stations: back, ends },
          },
        ])
        return { outcomes }
      },
    )
  }
