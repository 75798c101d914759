import type { AnyRecord, SubjectRef } from '@tadka/core/stream'
import type { CaseState } from '@tadka/core/case'
import type { RunState } from '@tadka/core/procedure'
import { computed, ref, watch, type Ref } from 'vue'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { loggedRuns } from '../site/names.ts'
import { useSiteStore } from '../site/site.ts'

export type LogRecord = AnyRecord & { readonly hash: string }

export const typesOf: Readonly<Record<string, string>> = {
  readings: 'reading.taken@1,food.received@1,food.read@1,food.opened@1,food.gone@1,record.amended@1',
  runs: [
    'run.started@1,run.started@2,run.finished@1,run.abandoned@1,run.entered@1,run.overridden@1,bath.mixed@1',
    'run.step.done@1,run.step.done@2,run.wait.started@1,run.wait.started@2,run.step.undone@1,run.step.undone@2',
    'run.part.missing@1,run.part.found@1,run.part.lost@1,run.help.called@1,run.help.answered@1',
  ].join(),
  cases:
    'charge.taken@1,note.left@1,note.settled@1,note.read@1,case.opened@1,case.told@1,case.action@1,case.closed@1,record.amended@1,shift.signed@1,shift.reviewed@1,station.stopped@1,station.returned@1,run.overridden@1,duty.closed@1,run.part.lost@1',
  trouble:
    'incident.opened@1,incident.counted@1,incident.known-good@1,incident.product@1,incident.done@1,incident.over@1,incident.extent@1,incident.approved@1,incident.reopened@1,incident.false-alarm@1',
  dish: 'cycle.judged@1,concentrate.drawn@1,rack.tallied@1,ware.rejected@1,dish.water-changed@1,dish.set-aside@1,dish.returned@1,logger.imported@1,logger.withdrawn@1',
  people:
    'crew.set@1,person.set@1,run.watched@1,run.shown@1,training.checked@1,training.signed@1,training.ended@1,training.paper@1,huddle.held@1',
  upkeep:
    'walk.begun@1,walk.looked@1,walk.ended@1,task.set@1,task.done@1,task.dropped@1,stock.counted@1,stock.came@1,stock.ordered@1,stock.lost@1,pest.seen@1,pest.caused@1,pest.settled@1,trap.looked@1,visit.set@1,visit.done@1,shelf.stands@1,slot.filled@1,container.emptied@1,container.gone@1,fault.seen@1,fault.called@1,fault.mended@1,fault.dropped@1,sample.taken@1,sample.result@1,record.amended@1',
  house:
    'shelf.set@1,round.set@1,stock.set@1,trap.set@1,site.set@1,station.set@1,product.set@1,product.sheet@1,instrument.set@1,rule.set@1',
}
export const logFilters = [
  'all',
  'readings',
  'runs',
  'cases',
  'trouble',
  'dish',
  'upkeep',
  'people',
  'house',
] as const
export type LogFilterName = (typeof logFilters)[number]

/** Every rack has its record, and every draw of a meter: they stand on their own pages. */
export const everyRack = 'cycle.judged@1,concentrate.drawn@1'
const page = 60

/** The log, newest first, a page at a time; new records come in at the top by themselves. */
export function useLog(
  filter: Ref<LogFilterName>,
  of: Ref<SubjectRef | null>,
  /** What else is looked for, as the server is asked. */
  found: Ref<Readonly<Record<string, string>>> = ref({}),
) {
  const session = useSession()
  const site = useSiteStore()
  const records = ref<LogRecord[]>([])
  /** Corrective cases by id, as they stood when the page was fetched. */
  const cases = ref<Record<string, CaseState>>({})
  const more = ref(false)
  const loading = ref(false)
  const failed = ref(false)
  let asked = 0

  const path = (before: number | null) => {
    const query = new URLSearchParams({ ...found.value, limit: String(page) })
    const types = typesOf[filter.value]
    if (types) query.set('types', types)
    else query.set('without', everyRack)
    if (of.value) {
      query.set('kind', of.value.kind)
      query.set('subject', of.value.id)
    }
    if (before !== null) query.set('before', String(before))
    return `/api/sites/${session.site}/log?${query}`
  }

  async function load(older: boolean): Promise<void> {
    const mine = ++asked
    loading.value = true
    failed.value = false
    try {
      const before = older ? (records.value.at(-1)?.seq ?? null) : null
      const got = await ask<{ records: LogRecord[]; cases: CaseState[]; runs: RunState[] }>(
        'GET',
        path(before),
      )
      if (mine !== asked) return
      more.value = got.records.length === page
      for (const one of got.runs) loggedRuns.set(one.id, one)
      cases.value = { ...cases.value, ...Object.fromEntries(got.cases.map((c) => [c.id, c])) }
      records.value = older ? [...records.value, ...got.records] : got.records
    } catch {
      failed.value = true
    } finally {
      loading.value = false
    }
  }
  watch([filter, of, found], () => void load(false), { immediate: true })
  watch(
    () => site.seq,
    () => void load(false),
  )

  /** Amendments by the record that they amend. */
  const amendments = computed(() => {
    const map = new Map<string, LogRecord & { type: 'record.amended@1' }>()
    for (const r of records.value)
      if (r.type === 'record.amended@1' && !map.has(r.payload.target)) map.set(r.payload.target, r)
    return map
  })
  return { records, cases, more, loading, failed, amendments, older: () => load(true) }
}
