import {
  currentPosition,
  forbiddenActs,
  lastDone,
  procedureOfRun,
  stepsOf,
  waitEndsAt,
  walk,
  type Act,
  type Forbidden,
  type Position,
} from '@tadka/core/procedure'
import { computed, ref } from 'vue'
import { useSite } from '../record/site.ts'
import { now } from '../wire/clock.ts'

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

  const forbidden = computed<Forbidden[]>(() => {
    const s = station.value
    if (!s) return []
    const hours = s.sanitizedAt === null ? null : (now() - s.sanitizedAt) / 3_600_000
    return forbiddenActs(s.facets, hours, site.set?.freshHours ?? 4, procedure.value?.freezesSolution)
  })
  const acts = computed<Set<Act>>(
    () => new Set(stepsOf(procedure.value?.nodes ?? []).flatMap((s) => s.act ?? [])),
  )
  /** What is shown beside the step: the acts that this machine knows and that are forbidden now. */
  const warnings = computed(() => forbidden.value.filter((f) => acts.value.has(f.act)))
  const blocked = computed(() => {
    const p = position.value
    return p?.kind === 'step' && p.step.act
      ? (forbidden.value.find((f) => f.act === p.step.act) ?? null)
      : null
  })
  return { run, station, procedure, positions, position, before, warnings, blocked, lane, lanes }
}
