import type { Procedure } from '../procedure/index.ts'

/** What is worded or drawn, or told for the plan alone: who was shown the steps has been shown them still. */
const wording = new Set([
  ...['title', 'text', 'right', 'pictures', 'picture', 'says', 'why', 'name', 'question', 'late'],
  ...['duty', 'watch'],
  ...['minutes', 'handover', 'expected', 'usualRounds', 'fallback'],
])

/** All of a procedure that somebody does otherwise where it is otherwise: steps, their order, amounts, waits, limits, parts, cautions. */
function matterOf(procedure: Procedure): string {
  const { nodes, isolation, begins, ends, cautions } = procedure
  const found =
    known.get(procedure) ??
    JSON.stringify({ nodes, isolation, begins, ends, cautions }, (key, value: unknown) =>
      wording.has(key) ? undefined : value,
    )
  known.set(procedure, found)
  return found
}
const known = new WeakMap<Procedure, string>()

/** Whether somebody who was taught one version has to be shown the other. */
export const changedInWhatMatters = (before: Procedure, after: Procedure): boolean =>
  before !== after && matterOf(before) !== matterOf(after)
