import {
  conflictsAt,
  currentPosition,
  defaultFreshHours,
  forbiddenActs,
  isClosed,
  lastDone,
  procedureOfRun,
  stepsOf,
  toMakeSafe,
  waitEndsAt,
  walk,
  type Act,
  type Forbidden,
  type Position,
  type SafetyRule,
} from '@tadka/core/procedure'
import { computed, ref } from 'vue'
import { useSite } from '../site/site.ts'
import { useClock } from '../wire/clock.ts'

export interface LaneNow {
  readonly key: string
  readonly name: string
  readonly position: Position
  /** When its timer ends, or null where none runs. */
  readonly endsAt: number | null
}

/** A run as its screen needs it: where it stands, lane by lane, and what the machine's state forbids. */
export function useRunView(id: () => string) {
  const site = useSite()
  const { now } = useClock()
  const run = computed(() => site.one('run', id()))
  const station = computed(() => (run.value ? site.one('station', run.value.station) : null))
  const procedure = computed(() => (run.value ? procedureOfRun(run.value) : null))
  const walked = computed(() =>
    procedure.value && run.value ? walk(procedure.value, run.value) : { positions: [], open: [] },
  )
  const positions = computed<Position[]>(() => walked.value.positions)
  /** The lane that the person took; until then the next one that is free. */
  const lane = ref<string | null>(null)
  const lanes = computed<LaneNow[]>(() =>
    walked.value.open.flatMap((position) =>
      position.lane && run.value
        ? [
            {
              key: position.lane.key,
              name: position.lane.name,
              position,
              endsAt: waitEndsAt(run.value, position.key),
            },
          ]
        : [],
    ),
  )
  const position = computed(() => {
    if (!procedure.value || !run.value) return null
    const taken = walked.value.open.find((p) => p.lane !== null && p.lane.key === lane.value)
    return taken ?? currentPosition(procedure.value, run.value)
  })
  const before = computed(() =>
    run.value ? lastDone(positions.value, run.value, position.value?.lane?.key ?? null) : null,
  )

  const moment = () => ({ at: now(), freshHours: site.set?.freshHours ?? defaultFreshHours })
  const forbidden = computed<Forbidden[]>(() => {
    const [s, p, r] = [station.value, procedure.value, run.value]
    return s && p && r ? forbiddenActs(p, r, s, position.value?.lane ?? null, moment()) : []
  })
  const acts = computed<Set<Act>>(
    () => new Set(stepsOf(procedure.value?.nodes ?? []).flatMap((s) => s.act ?? [])),
  )
  /** What is shown beside the step: the acts that this machine knows and that are forbidden now. */
  const warnings = computed(() => forbidden.value.filter((f) => acts.value.has(f.act) && f.why !== 'closed'))
  /** Why the step at hand may not be done as things stand; none where it may. */
  const blocked = computed<SafetyRule | null>(() => {
    const [s, p, r, at] = [station.value, procedure.value, run.value, position.value]
    if (s && r && isClosed(s, r.id)) return 'closed'
    return s && p && r && at ? (conflictsAt(p, r, s, at, moment())[0] ?? null) : null
  })
  const safe = computed(() => (station.value ? toMakeSafe(station.value.facets) : []))
  return { run, station, procedure, positions, position, before, warnings, blocked, lane, lanes, safe }
}
