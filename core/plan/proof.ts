/** A task of a proof: a segment of a run, or somebody's break. */
export type ProofTask = readonly ['run' | 'break', of: string, id: string]

/**
 * Why no plan with everything in it (but `without`) is better, counted from the problem alone. `there`: when people come and counters need
 * them; `one-at-a-time`: whole runs on one machine, or of a keep-up group that lets one down; `hands`: work that its people have not the
 * time for until `to`, with `overtime` minutes past their hours. Of `late` and `paid` it is the weighted minutes, and the paid ones.
 */
export interface Certificate {
  readonly kind: 'there' | 'one-at-a-time' | 'hands' | 'late' | 'paid'
  readonly tasks: readonly ProofTask[]
  readonly people: readonly string[]
  readonly from: number
  readonly to: number
  /** The sum that gives the minute: of the tasks, or of what is past people's hours. */
  readonly minutes: number
  readonly overtime: number
  /** Runs left out by id, and breaks as `person id`. */
  readonly without: readonly string[]
  /** The last departure is no earlier; of `late` and `paid`: it is no less. */
  readonly minute: number
}
export type Claim = Pick<Certificate, 'kind' | 'tasks' | 'overtime' | 'without' | 'to'>

/** What a checker knows of a task: its earliest minute, how long it takes, what must come after it, and who may do it. */
export interface Known {
  readonly head: number
  readonly minutes: number
  readonly tail: number
  readonly people: readonly string[]
}
