import {
  changesBetween,
  heldNear,
  isWanted,
  otherwise,
  planViolations,
  shiftedPlan,
  shiftProblem,
  worthChanging,
  type Change,
  type Constraint,
  type Otherwise,
  type Pin,
  type Plan,
  type PlanProblem,
  type PlanSet,
  type Priced,
  type Reason,
  type Refused,
  type Repair,
  type WayOut,
} from '@tadka/core/plan'
import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { useSession } from '../rights/session.ts'
import { useSiteStore } from '../site/site.ts'
import { now } from '../wire/clock.ts'
import { askPlanner } from './ask-worker.ts'
import { useShiftInput } from './input.ts'

/** Iterations of a plan asked for, of the look that a tablet takes by itself, and of a price. */
const effort = { plan: 5000, look: 800, price: 1200 } as const

/** A tablet looks again once no record has come for so long. */
const settleMs = 3000

/** What stands and what could: the plan in force pushed by what really happened, and a better one. */
export interface Look {
  readonly problem: PlanProblem
  readonly kept: Plan | null
  readonly best: Plan
  /** Small changes of the plan in force that are better than it. */
  readonly repairs: readonly Repair[]
  /** No plan like the best one, and like the one in force, has the last person leave before this minute. */
  readonly bound: number
  readonly keptBound: number
  readonly changes: readonly Change[]
  readonly worth: boolean
}

/** What a drag would cost, or why it cannot be. */
export interface Price {
  readonly pin: Pin
  /** What its minutes count from, milliseconds UTC: when it was asked, however long ago. */
  readonly start: number
  readonly look: Look | null
  readonly refused: Refused | null
}

/** Whether a plan counts on somebody who is not there. */
const wrong = (plan: Plan, { people }: PlanProblem): boolean =>
  plan.placed.some((p) => p.person !== null && p.end > 0 && !people.some((x) => x.id === p.person))

/** Of a plan, the work that is still to do. */
const stillOf = (plan: Plan, { runs }: PlanProblem): Plan => ({
  ...plan,
  placed: plan.placed.filter((p) =>
    runs.some((r) => r.id === p.run && r.segments.some((s) => s.id === p.segment)),
  ),
})

/** A change of plan can be taken back for so long: later the evening has gone on by it. */
const takeBackMs = 10 * 60_000

/** The plan of the shift on this tablet: planning, replanning, dragging, and the look ahead as the evening goes. */
export const usePlanner = defineStore('planner', () => {
  const site = useSiteStore()
  const { set, day, roster, inForce, before: replaced, input, decisions, ready } = useShiftInput()
  const look = shallowRef<Look | null>(null)
  const price = shallowRef<Price | null>(null)
  const ways = shallowRef<{ ways: readonly Priced[]; reasons: readonly Reason[] | null } | null>(null)
  const working = ref<{ iterations: number; of: number } | null>(null)
  const whatIf = shallowRef<{ told: string; found: { plan: Plan; problem: PlanProblem } | null } | null>(null)
  const pricing = ref(false)
  /** Somebody looks at the shift otherwise. */
  const asking = ref(false)
  /** The rule that a plan of ours would break. */
  const fault = ref<Constraint | null>(null)
  let callOffWays: (() => void) | null = null
  let callOff: (() => void) | null = null
  const session = useSession()
  /** Whoever follows the plan and does not make it: crew of this shift see their own evening first. */
  const isOwn = computed(
    () =>
      inForce.value !== null &&
      !session.mayDo('plan-shift') &&
      roster.value?.shifts.some((s) => s.person === session.acting?.id && !s.away) === true,
  )
  /** What was last asked ways out of. */
  let asked = ''

  function problemNow(more: Partial<Pick<PlanSet, 'pins' | 'putIn' | 'putOff'>> = {}): PlanProblem | null {
    const from = input()
    return from && shiftProblem({ ...from, ...more })
  }

  function before(start: number): Plan | null {
    return inForce.value && shiftedPlan(toRaw(inForce.value), start)
  }

  /** Has the worker look for a plan and tells what it finds. */
  function search(
    problem: PlanProblem,
    iterations: number,
    told: (look: Look) => void,
    /** Whether people stay at what they do as long as that may be. */
    isCalm = false,
  ): () => void {
    const old = before(problem.start)
    const held = old ? heldNear(problem, old) : problem
    return askPlanner({ kind: 'plan', problem: held, before: old, seed: 1, iterations }, (said) => {
      if (said.kind === 'better' && working.value)
        working.value = { iterations: said.iterations, of: iterations }
      if (said.kind !== 'planned') return
      const { kept, repairs, keptBound } = said
      const [best, bound] = isCalm ? [said.calm, said.calmBound] : [said.plan, said.bound]
      told({
        problem: held,
        kept,
        best,
        repairs,
        bound: bound.last,
        keptBound: keptBound?.last ?? bound.last,
        changes: kept ? changesBetween(old && wrong(old, held) ? stillOf(old, held) : kept, best) : [],
        worth: kept === null || worthChanging(kept, best) || (old !== null && wrong(old, held)),
      })
    })
  }

  /** Plans anew; without a plan in force the first is put in force, else it is offered. */
  async function plan(more: Partial<Pick<PlanSet, 'pins' | 'putIn' | 'putOff'>> = {}): Promise<void> {
    await ready()
    const problem = problemNow(more)
    if (!problem) return
    callOff?.()
    working.value = { iterations: 0, of: effort.plan }
    const decided = { ...decisions(), ...more }
    callOff = search(problem, effort.plan, (found) => {
      working.value = null
      callOff = null
      if (inForce.value && Object.keys(more).length === 0)
        look.value = { ...found, worth: found.changes.length > 0 && found.worth }
      else accept(found, decided)
    })
  }

  /** A plan that its own check finds fault with is not put in force, and said. */
  function isSound({ problem, best }: Look): boolean {
    fault.value = planViolations(problem, best)[0]?.constraint ?? null
    return fault.value === null
  }

  function accept(found: Look, decided: Pick<PlanSet, 'pins' | 'putIn' | 'putOff'> = decisions()): void {
    if (day.value === null || !isSound(found)) return
    const { problem, best, bound } = found
    site.record(
      'plan.set@1',
      { kind: 'plan', id: day.value },
      {
        day: day.value,
        start: problem.start,
        plan: best,
        bound,
        ...decided,
      },
    )
    look.value = { ...found, kept: best, keptBound: bound, repairs: [], changes: [], worth: false }
    ways.value = null
  }

  /** Puts the plan back that was in force before this one; what was done since stays done. Again, it is the other way round. */
  function takeBack(): void {
    if (day.value === null || !replaced.value) return
    callOff?.()
    site.record('plan.set@1', { kind: 'plan', id: day.value }, toRaw(replaced.value))
    look.value = null
    price.value = null
    ways.value = null
  }
  /** Whether the plan was changed so lately that somebody may want the old one back. */
  const mayTakeBack = computed(
    () => replaced.value !== null && inForce.value !== null && now() - inForce.value.at < takeBackMs,
  )

  /** What a run put to a person or a time would cost the shift. */
  function ask(run: string, person: string | null, at: number | null): void {
    const minute = (ms: number) => Math.floor(ms / 60_000)
    const pin: Pin = { run, person, start: at === null ? null : Math.max(0, minute(at) - minute(now())) }
    const pins = [...decisions().pins.filter((p) => p.run !== run), pin]
    const problem = problemNow({ pins })
    if (!problem) return
    pricing.value = true
    search(problem, effort.price, (found) => {
      const stands = found.best.placed.some((p) => p.run === run) && problem.pins.some((p) => p.run === run)
      if (stands) {
        pricing.value = false
        price.value = { pin, start: problem.start, look: found, refused: null }
        return
      }
      askPlanner({ kind: 'why-not', problem, pin }, (said) => {
        pricing.value = false
        if (said.kind === 'why-not')
          price.value = { pin, start: problem.start, look: null, refused: said.refused }
      })
    })
  }

  /** Puts the run there: its pin holds from now on. */
  function putThere(): void {
    const asked = price.value
    if (!asked?.look) return
    accept(asked.look, { ...decisions(), pins: asked.look.problem.pins })
    price.value = null
  }

  function unpin(run: string): void {
    void plan({ pins: decisions().pins.filter((p) => p.run !== run) })
  }

  function take(way: WayOut): void {
    if (way.kind === 'put-off') void plan({ putOff: [...decisions().putOff, way.run] })
  }

  /** Puts work in tonight that is not yet aimed at, or takes back that it was put off. */
  function putIn(key: string): void {
    const { putIn, putOff } = decisions()
    void plan({ putIn: [...putIn, key], putOff: putOff.filter((k) => k !== key) })
  }

  /** The shift otherwise: planned beside the one in force, which it leaves alone. */
  function askWhatIf(told: string, other: Otherwise): void {
    const problem = problemNow()
    if (!problem) return
    const changed = otherwise(problem, other)
    whatIf.value = { told, found: null }
    askPlanner(
      { kind: 'plan', problem: changed, before: null, seed: 1, iterations: effort.look * 2 },
      (said) => {
        if (said.kind === 'planned' && whatIf.value?.told === told)
          whatIf.value = { told, found: { plan: said.plan, problem: changed } }
      },
    )
  }

  /** A look at how the evening goes: everyone's tablet pushes the plan by what was really done, and offers a better one. */
  async function glance(): Promise<void> {
    await ready()
    if (!inForce.value || working.value || document.hidden) return
    const problem = problemNow()
    if (!problem) return
    const heard = (found: Look) => {
      look.value = found
      const { unplaced, objective, told } = found.best
      const trouble = JSON.stringify([unplaced, objective.late, told, found.problem.closedBy])
      if (trouble === asked) return
      asked = trouble
      ways.value = null
      callOffWays?.()
      if (isWanted(found.problem, found.best)) return
      callOffWays = askPlanner({ kind: 'ways', problem: found.problem, plan: found.best }, (said) => {
        if (said.kind === 'ways') ways.value = { ways: said.ways, reasons: said.reasons }
      })
    }
    search(problem, effort.look, heard, true)
  }

  /** Puts one of the small changes in force instead of the whole new plan. */
  function repair(chosen: Repair): void {
    // What is proved of it is worked out by the look that follows.
    if (look.value) accept({ ...look.value, best: chosen.plan, bound: 0 })
  }

  /** Follows the evening while somebody watches: as records come, and every minute. */
  function follow(): () => void {
    const minute = computed(() => Math.floor(now() / 60_000))
    const soon = useDebounceFn(() => void glance(), settleMs, { maxWait: 5 * settleMs })
    const stops = [
      watch([() => inForce.value?.at, () => roster.value], () => void glance(), { immediate: true }),
      watch([() => site.seq, minute], () => void soon()),
    ]
    return () => stops.forEach((stop) => stop())
  }

  return {
    set,
    day,
    roster,
    inForce,
    look,
    price,
    ways,
    working,
    pricing,
    asking,
    isOwn,
    fault,
    plan,
    accept: () => look.value && accept(look.value),
    repair,
    ask,
    putThere,
    unpin,
    takeBack,
    mayTakeBack,
    take,
    putIn,
    whatIf,
    askWhatIf,
    follow,
    stopPlanning: () => callOff?.(),
    leaveIt: () => (price.value = null),
    keepIt: () => (look.value = look.value && { ...look.value, worth: false }),
  }
})
