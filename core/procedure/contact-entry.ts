import { stepsOf } from './nodes.ts'
import { type Procedure } from './language.ts'
import { latestProcedure } from './library/index.ts'
import { knownNumber } from './parameter.ts'
import { baseOf } from './own.ts'
import { leastContactSeconds, waitKindOf } from './waiting.ts'
import { useOf, type LabelInForce } from './in-force.ts'

/** A contact time that is entered shorter than it may be. Minutes. */
export interface ShortContact {
  readonly title: string
  readonly minutes: number
  readonly least: number
  readonly because: 'code' | 'label' | 'library'
  /** The product whose label asks for it. */
  readonly product?: string
}

/** Seconds that the code asks of the quickest sanitizer: FDA Food Code 2022, 4-703.11(C)(1). Nothing shorter is contact. */
const quickest = 10

/** Seconds. */
const asks = (label: LabelInForce) => label.contactSeconds ?? 0
const byCode = (label: LabelInForce) =>
  label.agent ? leastContactSeconds({ ...label, contactSeconds: null }) : quickest

/**
 * Contact times of a procedure that a site's own minutes or plate would put below the code, the label of the site's product
 * for the mix or the check before it, or the library's own. A longer one of them would win in a run all the same: it is refused when entered, so
 * that nobody believes the shorter one.
 * @param parameters the plate's numbers; @param labelsFor the labels of every product that
 * the site has for a use: any of them may be chosen in the run, so the slowest counts.
 */
export function contactsTooShort(
  procedure: Procedure,
  parameters: Readonly<Record<string, number>>,
  labelsFor: (use: string) => readonly LabelInForce[],
): ShortContact[] {
  const library = latestProcedure(baseOf(procedure.id))
  // By the step's id: a site may say it in other words.
  const shipped = new Map(
    stepsOf(library?.nodes ?? []).flatMap((s) =>
      (s.kind === 'wait' || s.kind === 'tend') && typeof s.length === 'number' ? [[s.id, s.length]] : [],
    ),
  )
  let labels: readonly LabelInForce[] = []
  return stepsOf(procedure.nodes).flatMap((step): ShortContact[] => {
    const use = useOf(step)
    if (use !== null) {
      const found = labelsFor(use)
      if (found.length > 0) labels = found
    }
    if ((step.kind !== 'wait' && step.kind !== 'tend') || waitKindOf(step) !== 'contact') return []
    const minutes = knownNumber(step.length, parameters)
    if (minutes === undefined) return []
    const code = Math.max(quickest, ...labels.map(byCode)) / 60
    const ours = shipped.get(step.id) ?? 0
    const slowest = labels.reduce<LabelInForce | null>((a, b) => (a && asks(a) >= asks(b) ? a : b), null)
    const asked = slowest ? asks(slowest) / 60 : 0
    const least = Math.max(code, ours, asked)
    if (minutes >= least) return []
    const found = { title: step.title, minutes, least }
    if (slowest && asked === least) return [{ ...found, because: 'label', product: slowest.name }]
    return [{ ...found, because: code === least ? 'code' : 'library' }]
  })
}
