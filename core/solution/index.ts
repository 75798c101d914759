export * from './supply.ts'
export { freshDose, strengthOf, type Dose } from './dose.ts'
export { pourWith, bestTool, nearestMark, type Pour } from './pour.ts'
export { correct, type Bath, type Correction, type Move } from './correct.ts'
