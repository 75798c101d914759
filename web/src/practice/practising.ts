import { recipeRange, recipeSides } from '@tadka/core/house'
import {
  numberOf,
  procedureOfRun,
  startRun,
  stepsOf,
  waitEndsAt,
  type Position,
  type Procedure,
  type RunState,
} from '@tadka/core/procedure'
import { readyFor } from '@tadka/core/record'
import { washLabel } from '@tadka/core/reading'
import {
  judgeRecord,
  judgeTouch,
  practiceOf,
  scoreOf,
  usesUndrawn,
  type Practice,
  type PracticeKnown,
  type Touchable,
} from '@tadka/core/practice'
import { runFold, startInForce, type StationState } from '@tadka/core/procedure'
import { computed, provide, shallowRef } from 'vue'
import { useSession } from '../rights/session.ts'
import { siteKey, useSite, type Site } from '../site/site.ts'
import { clockKey, rightNow } from '../wire/clock.ts'
import { newId } from '../wire/device.ts'
import { usePracticeClock } from './practice-clock.ts'
import { practiceSite } from './practice-site.ts'

/** Real milliseconds that a wait lasts, or the time from one visit to the next. */
const [waitMs, visitMs] = [20_000, 14_000]

/** What of the site a practice run is drawn with. */
export function practiceKnown(site: Site, station: StationState): PracticeKnown {
  const products = site.all('product').filter((p) => 'name' in p)
  const mixes = (station.holds?.mixes ?? []).map((id) => site.one('mix', id))
  return {
    products: products as PracticeKnown['products'],
    instruments: site.all('instrument').filter((i) => 'kind' in i) as PracticeKnown['instruments'],
    family: station.plate?.family ?? '',
    recipe: Object.fromEntries(recipeSides.map((side) => [side, recipeRange(mixes, side)])),
    washLabel: washLabel(products, site.set?.schools ?? {}),
    preferred: site.set?.preferred ?? {},
    now: rightNow(),
  }
}

/** Uses that a practice run on a machine would need a strip for, where the site has none. */
export function stripsLacking(site: Site, station: StationState, procedure: Procedure): string[] {
  const ready = station.plate ? readyFor(procedure, station.plate, station.id) : station
  const { parameters = {}, options = {} } = startInForce(ready, procedure)
  const run: RunState = { ...runFold.initial('practice'), parameters, options, document: procedure }
  return [...new Set(usesUndrawn(procedure, run, practiceKnown(site, station)))]
}

/** How many times as fast a run's time goes: of the waits that are not over, the shortest takes as long as a look around. */
function rateOf(run: RunState | null, procedure: Procedure, at: number): number {
  if (!run) return 1
  const steps = stepsOf(procedure.nodes)
  const rates = Object.entries(run.waits)
    .filter(([key]) => !run.done[key] && at < (waitEndsAt(run, key) ?? 0))
    .map(([key, wait]) => {
      const step = steps.find((s) => s.id === key.split('.').at(-1))
      return step?.kind === 'tend'
        ? (numberOf(step.every, run.parameters) * 60_000) / visitMs
        : (wait.minutes * 60_000) / waitMs
    })
  return Math.max(1, Math.min(...(rates.length > 0 ? rates : [1])))
}

/** A practice run on a machine that stands in for a real one, beneath which every screen goes by its site and its clock. */
export function usePractising(on: StationState, procedure: Procedure, seed: number) {
  const real = useSite()
  const session = useSession()
  const id = newId()
  const clock = usePracticeClock((at) => rateOf(site.one('run', id), procedure, at))
  const ready = on.plate ? readyFor(procedure, on.plate, on.id) : on
  const practice = shallowRef<Practice | null>(null)
  const site: Site = practiceSite(
    real,
    on.holds ? { ...ready, holds: on.holds } : ready,
    clock,
    (draft) => {
      const now = current()
      if (practice.value && now) practice.value = judgeRecord(practice.value, draft, now)
    },
    () => session.acting?.id ?? '',
  )
  provide(siteKey, site)
  provide(clockKey, clock)

  const run = computed(() => site.one('run', id))
  const station = computed(() => site.one('station', on.id))
  function current() {
    return run.value && station.value
      ? { run: run.value, station: station.value, at: clock.rightNow() }
      : null
  }
  site.record('run.started@2', { kind: 'run', id }, startRun(id, on.id, procedure))
  const worked = run.value && procedureOfRun(run.value)
  if (run.value && worked) practice.value = practiceOf(worked, run.value, practiceKnown(real, on), seed)

  /** Touches a thing. Returns whether that changed anything: what was right stays as it is. */
  function touch(thing: Touchable, position: Position): boolean {
    const [was, now] = [practice.value, current()]
    if (!was || !now) return false
    const is = judgeTouch(was, thing, position, now)
    practice.value = is
    return is.faults !== was.faults || is.switched !== was.switched
  }
  const over = computed(() => {
    const status = run.value?.status
    const stop = run.value?.stop
    const isStopped = status === 'stopped' && (stop?.why === 'technician' || stop?.lost !== undefined)
    return status === 'finished' || status === 'abandoned' || isStopped
  })
  const score = computed(() => (practice.value && run.value ? scoreOf(practice.value, run.value) : null))
  return { id, run, station, practice, clock, touch, over, score }
}
