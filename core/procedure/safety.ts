import { forMachine, movedParts } from './counts.ts'
import { isJudged } from './read-off.ts'
import { keyed, type NodeKey } from './edit.ts'
import { belongs, isStep } from './nodes.ts'
import { type Branch, type Node, type Part, type Procedure, type Step } from './language.ts'
import { changeBy, changeDuring } from './effects.ts'
import type { Facets } from './facets.ts'
import { Refusal } from '../refusal/index.ts'
import { conflictsOf, endConflicts, type Condition, type SafetyRule } from './safety-rules.ts'

interface Finding {
  readonly outcome: string
  readonly choice?: string
}

/** What the checker knows at one point of one way through. */
interface Way {
  readonly facets: Partial<Facets>
  readonly worn: readonly string[]
  /** Uses of the products mixed. */
  readonly mixed: readonly string[]
  /** Parts that are out, by id, each with its count and the plate's name for it. */
  readonly out: Readonly<Record<string, string>>
  /** Of those, named ones that this cycle runs without. */
  readonly left: readonly string[]
  readonly counting: boolean
  /** What the inspections made so far found. */
  readonly findings: Readonly<Record<string, Finding>>
}

const firstWay = (procedure: Procedure): Way => ({
  facets: { contact: 'none', residue: 'none', ...procedure.begins },
  worn: [],
  mixed: [],
  out: {},
  left: [],
  counting: false,
  findings: {},
})

function conditionOn(way: Way): Condition {
  const out = Object.keys(way.out)
  return {
    facets: way.facets,
    worn: way.worn,
    // That the label says so is asked where it is mixed; the procedure must name it.
    mixed: way.mixed.map((use) => ({ use, alsoWashes: true })),
    leftOut: out.length > 0 && out.every((id) => way.left.includes(id)),
    counting: way.counting,
    stale: false,
    outOfService: false,
    mixChanged: false,
  }
}

/** The rules that a step breaks on this way. */
const breaches = (procedure: Procedure, way: Way, step: Step): SafetyRule[] => [
  ...conflictsOf(procedure, conditionOn(way), step),
  ...(step.kind === 'parts' && step.direction === 'in' && !sameParts(way, step)
    ? (['parts-differ'] as const)
    : []),
]

const countOf = (p: Part) => [p.count, p.per, p.of].join(' ')

function sameParts(way: Way, step: Step & { kind: 'parts' }): boolean {
  // Parts that came out in an earlier run are counted against that run's tray, not here.
  if (Object.keys(way.out).length === 0) return true
  return movedParts(step).every((p) => way.out[p.id] === countOf(p))
}

/** The way after a step that was done as it should be; what it broke is told once, and walked on from. */
function after(way: Way, step: Step): Way {
  const during = { ...way.facets, ...changeDuring(step) }
  const facets = { ...during, ...changeBy(step, during, { whole: true, broke: [] }) }
  const worn =
    step.kind === 'gate' && step.wear ? [...new Set([...way.worn, ...step.wear])].toSorted() : way.worn
  const mixed = step.kind === 'mix' ? [...new Set([...way.mixed, step.use])].toSorted() : way.mixed
  const counting = way.counting || (step.kind === 'parts' && step.direction === 'in')
  return { ...way, facets, worn, mixed, counting, ...partsAfter(way, step) }
}

function partsAfter(way: Way, step: Step): Pick<Way, 'out' | 'left'> {
  if (step.kind !== 'parts') return { out: way.out, left: way.left }
  const moved = movedParts(step)
  if (step.direction === 'out')
    return {
      out: { ...way.out, ...Object.fromEntries(moved.map((p) => [p.id, countOf(p)])) },
      left: [...way.left, ...(step.leave ?? [])],
    }
  const back = new Set(moved.map((p) => p.id))
  return {
    out: Object.fromEntries(Object.entries(way.out).filter(([id]) => !back.has(id))),
    left: [...new Set([...way.left.filter((id) => !back.has(id)), ...(step.leave ?? [])])],
  }
}

export interface Violation {
  readonly rule: SafetyRule
  /** The key of the step where it breaks; none where what is wrong is how it ends. */
  readonly at: NodeKey
  /** The titles of the steps that lead to it, the one where it breaks last. */
  readonly path: readonly string[]
  readonly options: Readonly<Record<string, string>>
}

type Note = (rule: SafetyRule, path: readonly string[], step: Step | null) => void

interface Walked {
  readonly way: Way
  readonly path: readonly string[]
}

/** Ways that are alike are walked once: what counts is the state, not how it came about. */
const nameOf = (walked: Walked): string => JSON.stringify(walked.way)
const distinct = (all: readonly Walked[]): Walked[] => [...new Map(all.map((w) => [nameOf(w), w])).values()]

/**
 * Walks every way through a procedure: every choice of its options, every outcome of its inspections, one round and more of
 * what is repeated, every order in which lanes may interleave. Returns what breaks, each rule once at a step for each set of options,
 * with the path that leads to it; nothing where the procedure is safe.
 * Rules: common practice, no source, but for food contact after sanitizing (FDA Food Code 2022, 4-702.11).
 * @param budget nodes that may be walked. Throws `procedure_too_large` where the ways through it are more than can be walked.
 */
export function violationsOf(procedure: Procedure, budget: WalkBudget = walkBudget): Violation[] {
  const left = { nodes: budget.nodes }
  if (optionSetsOf(procedure) > budget.optionSets) throw new Refusal('procedure_too_large')
  return optionSets(procedure).flatMap((options) => {
    const found = new Map<string, Violation>()
    const chosen = forMachine(procedure, {}, options)
    const keys = new Map(keyed(chosen.nodes).map(({ key, node }) => [node, key]))
    const note: Note = (rule, path, step) => {
      const at = step ? (keys.get(step) ?? '') : ''
      if (!found.has(`${rule} ${at}`)) found.set(`${rule} ${at}`, { rule, at, path, options })
    }
    const walker = new Walker(chosen, options, note, left)
    const ends = walker.sequence(chosen.nodes, [{ way: firstWay(procedure), path: [] }])
    for (const end of ends)
      for (const rule of endConflicts(procedure, end.way.facets)) note(rule, end.path, null)
    return [...found.values()]
  })
}

/** How much is walked before a procedure is too large to be checked. */
export interface WalkBudget {
  readonly optionSets: number
  readonly nodes: number
}

/** Many times what the largest procedure of the library takes. */
export const walkBudget: WalkBudget = { optionSets: 256, nodes: 20_000 }

const optionSetsOf = (procedure: Procedure): number =>
  (procedure.options ?? []).reduce((n, option) => n * option.choices.length, 1)

/** Every combination of the options' choices. */
export function optionSets(procedure: Procedure): Record<string, string>[] {
  return (procedure.options ?? []).reduce<Record<string, string>[]>(
    (sets, option) => sets.flatMap((set) => option.choices.map((c) => ({ ...set, [option.id]: c.id }))),
    [{}],
  )
}

function branchesOf(nodes: readonly Node[]): Branch[] {
  return nodes.flatMap((n): Branch[] => {
    if (isStep(n)) return []
    if (n.kind === 'together') return n.lanes.flatMap((l) => branchesOf(l.steps))
    return [...(n.kind === 'branch' ? [n] : []), ...branchesOf(n.steps)]
  })
}

/**
 * What a step can find: the choices of an inspection, the first verdict of a check, the verdict on a reading.
 * @param each whether branches tell its choices apart.
 */
function findingsOf(step: Step, each: boolean): Finding[] {
  if (step.kind === 'check') return ['in', 'too-close', 'out', 'cannot-tell'].map((outcome) => ({ outcome }))
  if (step.kind === 'read')
    return isJudged(step) ? ['in', 'out', 'cannot-tell'].map((outcome) => ({ outcome })) : []
  if (step.kind !== 'inspect') return []
  return each
    ? step.choices.map((c) => ({ outcome: c.outcome, choice: c.id }))
    : [...new Set(step.choices.map((c) => c.outcome))].map((outcome) => ({ outcome }))
}

const opens = ({ is, chose = [] }: Branch, { outcome, choice }: Finding): boolean =>
  (is as readonly string[]).includes(outcome) || (choice !== undefined && chose.includes(choice))

class Walker {
  readonly #procedure: Procedure
  readonly #asked: ReadonlySet<string>
  /** Steps whose choices open branches one by one. */
  readonly #chosen: ReadonlySet<string>
  readonly #options: Readonly<Record<string, string>>
  readonly #note: Note
  readonly #left: { nodes: number }

  constructor(
    procedure: Procedure,
    options: Readonly<Record<string, string>>,
    note: Note,
    left: { nodes: number },
  ) {
    this.#procedure = procedure
    this.#asked = new Set(branchesOf(procedure.nodes).map((b) => b.on))
    this.#chosen = new Set(branchesOf(procedure.nodes).flatMap((b) => (b.chose ? [b.on] : [])))
    this.#options = options
    this.#note = note
    this.#left = left
  }

  sequence(nodes: readonly Node[], from: readonly Walked[]): Walked[] {
    return nodes.reduce<Walked[]>(
      (ways, node) => distinct(ways.flatMap((w) => this.node(node, w))),
      [...from],
    )
  }

  node(node: Node, from: Walked): Walked[] {
    if (--this.#left.nodes < 0) throw new Refusal('procedure_too_large')
    if (!belongs(this.#procedure, node, this.#options)) return [from]
    if (isStep(node)) return this.step(node, from)
    if (node.kind === 'branch') return this.branch(node, from)
    if (node.kind === 'until') return this.again(node.steps, from)
    if (node.kind === 'each') return this.sequence(node.steps, [from])
    return this.interleaved(
      node.lanes.map((l) => l.steps),
      from,
    )
  }

  step(step: Step, from: Walked): Walked[] {
    const path = [...from.path, step.title]
    for (const rule of breaches(this.#procedure, from.way, step)) this.#note(rule, path, step)
    const way = after(from.way, step)
    // Outcomes that no branch opens on make no other way.
    const found = this.#asked.has(step.id) ? findingsOf(step, this.#chosen.has(step.id)) : []
    if (found.length === 0) return [{ way, path }]
    return found.map((finding) => ({
      way: { ...way, findings: { ...way.findings, [step.id]: finding } },
      path: [...path, finding.choice ?? finding.outcome],
    }))
  }

  branch(node: Branch, from: Walked): Walked[] {
    const found = from.way.findings[node.on]
    return found && opens(node, found) ? this.sequence(node.steps, [from]) : [from]
  }

  /** Round after round until no new state comes of it. */
  again(steps: readonly Node[], from: Walked): Walked[] {
    const seen = new Map<string, Walked>()
    let rounds = this.sequence(steps, [from])
    while (rounds.some((w) => !seen.has(nameOf(w)))) {
      const fresh = rounds.filter((w) => !seen.has(nameOf(w)))
      for (const w of fresh) seen.set(nameOf(w), w)
      rounds = this.sequence(steps, fresh)
    }
    return [...seen.values()]
  }

  /** Every order of the lanes' steps that keeps each lane's own. */
  interleaved(lanes: readonly (readonly Node[])[], from: Walked): Walked[] {
    const seen = new Set<string>()
    const ends: Walked[] = []
    const go = (at: readonly number[], walked: Walked) => {
      const name = `${at.join()} ${nameOf(walked)}`
      if (seen.has(name)) return
      seen.add(name)
      if (at.every((n, i) => n === lanes[i]?.length)) return void ends.push(walked)
      for (const [i, lane] of lanes.entries()) {
        const node = lane[at[i] ?? 0]
        if (!node) continue
        const next = at.map((n, j) => (i === j ? n + 1 : n))
        for (const w of this.node(node, walked)) go(next, w)
      }
    }
    go(
      lanes.map(() => 0),
      from,
    )
    return distinct(ends)
  }
}
