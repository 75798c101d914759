/** How far a check is: records of the chain, then states folded anew. */
export interface VerifyProgress {
  readonly part: 'records' | 'states'
  readonly done: number
  readonly of: number
}
export type OnProgress = (progress: VerifyProgress) => void | Promise<void>
