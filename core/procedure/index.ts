export * from './facets.ts'
export * from './language.ts'
export * from './nodes.ts'
export * from './parameter.ts'
export * from './payloads.ts'
export { procedureRecords } from './records.ts'
export type { InLane, Position } from './frame.ts'
export * from './outline.ts'
export { isJudged, plateStrength, readLimits, readVerdict } from './read-off.ts'
export {
  optionalNames,
  countFacts,
  forMachine,
  isUncounted,
  mostOfPart,
  movedParts,
  neededNames,
  machineNumbers,
  wholeCount,
} from './counts.ts'
export * from './in-force.ts'
export { fullCleans, waitsForFullClean, type MixChange } from './mix-change.ts'
export { runFold } from './run.ts'
export * from './run-state.ts'
export { judgeStep, type Taken } from './step-taken.ts'
export * from './waiting.ts'
export { stationFold } from './station.ts'
export * from './station-state.ts'
export { cleanedSince, isClosed, isOut, type Closure } from './station-closed.ts'
export { watchKey, watchesBeforeDecision } from './station-outcome.ts'
export * from './library/index.ts'
export * from './acts.ts'
export * from './begin.ts'
export { facetsSaid } from './effects.ts'
export * from './safety.ts'
export { putsHandsIn, safetyRules, type SafetyRule } from './safety-rules.ts'
export * from './condition.ts'
export * from './segments.ts'
export * from './listing.ts'
export * from './tend.ts'
export * from './own.ts'
export * from './contact-entry.ts'
export * from './minutes.ts'
export { rinsedWater } from './rinsed.ts'
export { mixesOf } from './mixes.ts'
export { procedureFold, type OwnProcedure, type PutInForce } from './own-fold.ts'
export * from './in-use.ts'
export { isWaterBack, waterBackOf } from './water-back.ts'
export * from './edit.ts'
export { compared, type Compared, type ComparedLine, type LineChange } from './compare.ts'
export * from './missing.ts'
