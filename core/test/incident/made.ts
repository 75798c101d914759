import { bathFold, type BathState } from '../../bath/index.ts'
import { typicalStation } from '../../house/index.ts'
import {
  incidentFold,
  incidentKnown,
  type IncidentKnown,
  type IncidentSite,
  type IncidentState,
} from '../../incident/index.ts'
import { stationFold, type StationState } from '../../procedure/index.ts'
import type { Payloads, RecordType } from '../../stream/index.ts'
import { recordOf } from '../records.ts'

export const minute = 60_000

/** A site of machines as a typical one has them. */
export class Site {
  readonly stations = new Map<string, StationState>()
  baths: BathState[] = []
  incident: IncidentState = incidentFold.initial('i')
  set: IncidentSite['site'] = {
    ...{
      name: 'Site',
      timeZone: 'Europe/Berlin',
      hours: { '1': { open: '06:00', close: '23:00' } },
      closedDays: [],
    },
    ...{ sailings: [], units: 'metric', freshHours: 4, emergencyNumber: '112' },
  }
  #n = 0

  constructor(...families: readonly string[]) {
    for (const family of families) this.stations.set(family, this.#station(family))
  }

  #station(family: string): StationState {
    const typical = typicalStation(family, 'metric')
    if (!typical) throw new Error(family)
    const plate = { name: family, tag: '1', place: 'galley', model: 'm', ...typical, family }
    const state = stationFold.initial(family)
    const facets = { ...state.facets, contents: 'product' as const, hygiene: 'sanitized' as const }
    return { ...state, plate, facets, sanitizedAt: 1 }
  }

  /** Something goes into the log at a minute, and into all that it is about. */
  record<T extends RecordType>(at: number, type: T, payload: Payloads[T], ...stations: string[]): void {
    const record = recordOf(at, type, { kind: 'incident', id: 'i' }, payload, ++this.#n)
    this.incident = incidentFold.apply(this.incident, record)
    for (const id of stations) this.stations.set(id, stationFold.apply(this.at(id), record))
  }
  at(id: string): StationState {
    const found = this.stations.get(id)
    if (!found) throw new Error(id)
    return found
  }
  change(id: string, change: Partial<StationState>): void {
    this.stations.set(id, { ...this.at(id), ...change })
  }
  bath(id: string, mixedAt: number, where = id): void {
    const at = mixedAt * minute
    this.baths.push({ ...bathFold.initial(id), where, mixedAt: at, since: at })
  }
  known(at: number): IncidentKnown {
    const site: IncidentSite = {
      ...{ site: this.set, stations: [...this.stations.values()], baths: this.baths, reruns: [] },
      ...{ mixOf: () => null, ownProcedure: () => null },
      productOf: () => ({ uses: [{ id: 'body-fluids', contactSeconds: 300 } as never] }),
    }
    return incidentKnown(this.incident, site, at * minute)
  }
}
