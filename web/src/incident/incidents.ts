import type { SiteKept, SiteSet } from '@tadka/core/house'
import {
  cleansBefore,
  incidentKnown,
  incidentList,
  incidentRules,
  planOnFile,
  stationsTouched,
  type IncidentDone,
  type IncidentItem,
  type IncidentKind,
  type IncidentState,
} from '@tadka/core/incident'
import type { AnyDraft, Payloads, RecordType } from '@tadka/core/stream'
import { computed } from 'vue'
import { useProcedures } from '../site/procedures.ts'
import { useSiteStore } from '../site/site.ts'
import { nowByMinute } from '../wire/clock.ts'
import { newId } from '../wire/device.ts'

type Where = { readonly station: string | null; readonly place: string }

/** What went wrong at the site, what its list asks for, and what is recorded about it. Works without network, but for the signature. */
export function useIncidents() {
  const site = useSiteStore()
  const procedures = useProcedures()
  const set = computed(() => site.set as (SiteSet & SiteKept) | null)
  const plan = computed(() => planOnFile(set.value ?? {}))

  /** The list of one, from the log as this tablet has it. */
  function itemsOf(incident: IncidentState, now = nowByMinute()): IncidentItem[] {
    if (!set.value?.hours) return []
    const known = incidentKnown(
      incident,
      {
        site: set.value,
        stations: site.all('station'),
        baths: site.all('bath'),
        reruns: site.all('rerun'),
        mixOf: (id) => site.one('mix', id),
        productOf: (id) => site.one('product', id),
        ownProcedure: (id) => site.one('procedure', id),
      },
      now,
    )
    return incidentList(incident, known)
  }

  const touched = (kind: IncidentKind, where: Where) => stationsTouched(kind, site.all('station'), where)
  const cleansOf = (kind: IncidentKind, ids: readonly string[]) =>
    Object.fromEntries(
      ids.flatMap((id) => {
        const station = site.one('station', id)
        return station ? [[id, cleansBefore(kind, station, procedures.latest)]] : []
      }),
    )

  const record = <T extends RecordType>(id: string, type: T, payload: Payloads[T]): AnyDraft =>
    site.record(type, { kind: 'incident', id }, payload)

  return {
    plan,
    itemsOf,
    touched,
    open: computed(() =>
      site
        .all('incident')
        .filter((i) => i.status === 'open')
        .toSorted((a, b) => a.at - b.at),
    ),
    /** It is on record from now on; what it touches is out of service. Returns its id. */
    call(kind: IncidentKind, where: Where): string {
      const id = newId()
      const stations = touched(kind, where)
      const cleans = incidentRules[kind].lasts ? null : cleansOf(kind, stations)
      record(id, 'incident.opened@1', { kind, ...where, stations, cleans })
      return id
    },
    /** Back, lifted, cleared: what was begun before on its machines ends here. */
    over(incident: IncidentState, at: number, reason: string): void {
      const out = new Set(incident.stations)
      for (const run of site.all('run'))
        if (out.has(run.station) && (run.status === 'running' || run.status === 'parked'))
          site.record(
            'run.abandoned@1',
            { kind: 'run', id: run.id },
            { run: run.id, station: run.station, reason },
          )
      record(incident.id, 'incident.over@1', { at, cleans: cleansOf(incident.kind, incident.stations) })
    },
    did: (incident: IncidentState, done: Pick<IncidentDone, 'task'> & Partial<IncidentDone>): AnyDraft =>
      record(incident.id, 'incident.done@1', { station: null, note: '', photo: null, ...done }),
    record,
  }
}
