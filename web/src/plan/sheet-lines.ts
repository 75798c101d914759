import { laidOut, type Job, type Laid } from './jobs.ts'

/** A line of a row: a name and its bar below, px. */
export const lineHeight = 50
/** Above and below the lines of a row, px. */
const margin = 5
/** Wide letters of a name and of what is done, px. */
const [boldLetter, letter] = [7.7, 7.1]

/** How far a job's words reach, px. */
export const wordsWide = (name: string, what: string): number =>
  name.length * boldLetter + (what.length + 1) * letter

export interface Row {
  readonly person: string
  readonly top: number
  readonly height: number
  readonly laid: readonly (Laid & { readonly name: string; readonly what: string; readonly at: number })[]
}

/**
 * The rows of the sheet, one below the other: each as high as its jobs need lines. No name lies over another one.
 * @param x where an instant stands, px; @param end of the sheet, px: no name goes past it; @param least of a row, px.
 */
export function rowsOf(
  lanes: readonly { readonly person: string; readonly jobs: readonly Job[] }[],
  worded: (job: Job) => { readonly name: string; readonly what: string },
  x: (at: number) => number,
  end: number,
  least: number,
): Row[] {
  /** Where a job's words begin: at its bar, or so far before it that they end in the sheet. */
  const wordsAt = (job: Job) => {
    const { name, what } = worded(job)
    return Math.min(x(job.from) + 3, end - wordsWide(name, what))
  }
  let top = 0
  return lanes.map(({ person, jobs }) => {
    const laid = laidOut(jobs, (job) => {
      const { name, what } = worded(job)
      return [wordsAt(job), Math.max(x(job.to), wordsAt(job) + wordsWide(name, what)) + 10]
    }).map((l) => ({ ...l, ...worded(l.job), at: wordsAt(l.job) }))
    const lines = Math.max(1, ...laid.map((l) => l.line + 1))
    const height = Math.max(least, lines * lineHeight + 2 * margin)
    const row = { person, top: top + margin, height, laid }
    top += height
    return row
  })
}
