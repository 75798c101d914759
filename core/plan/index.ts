export * from './problem.ts'
export { priceOf, weightsFor, weightsOf } from './weights.ts'
export { handoversOf, type Handover } from './handovers.ts'
export { latenessOf, type Lateness } from './late.ts'
export { planFold, planRecords, type PlanSet, type PlanState } from './records.ts'
export { planSearch, type Repair, type Search } from './search.ts'
export { boundOf, type Bound, type LeftOut } from './bound.ts'
export { isProved, proofOf } from './certificate.ts'
export type { Certificate, Claim, ProofTask } from './proof.ts'
export { planViolations } from './check/index.ts'
export { contradictionOf, type Contradiction, type PlanKnown } from './check/against-log.ts'
export type { Constraint, Violation } from './check/violation.ts'
export { followUpKey, followUpProcedure } from './follow-ups.ts'
export { planKey, shiftProblem, waitsForService, type ShiftInput } from './shift-problem.ts'
export {
  calmest,
  changesBetween,
  heldNear,
  leastGain,
  nearMinutes,
  shiftedPlan,
  worthChanging,
  type Change,
} from './replan.ts'
export {
  atOnce,
  isWanted,
  reasonsFor,
  relieved,
  waysOut,
  type Priced,
  type Reason,
  type WayOut,
} from './ways-out.ts'
export { whyNot, type Refused } from './why-not.ts'
export { otherwise, type Otherwise } from './what-if.ts'
