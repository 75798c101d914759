import {
  currentPosition,
  findProcedure,
  forbiddenActs,
  lastDone,
  outline,
  type Act,
  type Forbidden,
  type Position,
} from '@tadka/core/procedure'
import { computed } from 'vue'
import { useSite } from '../record/site.ts'
import { now } from '../wire/clock.ts'

/** A run as its screen needs it: where it stands, what the machine's state forbids. */
export function useRunView(id: () => string) {
  const site = useSite()
  const run = computed(() => site.one('run', id()))
  const station = computed(() => (run.value ? site.one('station', run.value.station) : null))
  const procedure = computed(() =>
    run.value ? findProcedure(run.value.procedure.id, run.value.procedure.version) : null,
  )
  const positions = computed<Position[]>(() =>
    procedure.value && run.value ? outline(procedure.value, run.value) : [],
  )
  const position = computed(() => (run.value ? currentPosition(positions.value, run.value) : null))
  const before = computed(() => (run.value ? lastDone(positions.value, run.value) : null))

  const forbidden = computed<Forbidden[]>(() => {
    const s = station.value
    if (!s) return []
    const hours = s.sanitizedAt === null ? null : (now() - s.sanitizedAt) / 3_600_000
    return forbiddenActs(s.facets, hours, site.set?.freshHours ?? 4)
  })
  const acts = computed<Set<Act>>(() => {
    const used = (procedure.value?.nodes ?? []).flatMap((n) => (n.kind === 'until' ? n.steps : [n]))
    return new Set(used.flatMap((s) => s.act ?? []))
  })
  /** What is shown beside the step: the acts that this machine knows and that are forbidden now. */
  const warnings = computed(() => forbidden.value.filter((f) => acts.value.has(f.act) || f.act === 'freeze'))
  const blocked = computed(() => {
    const p = position.value
    return p?.kind === 'step' && p.step.act
      ? (forbidden.value.find((f) => f.act === p.step.act) ?? null)
      : null
  })
  return { run, station, procedure, positions, position, before, warnings, blocked }
}
