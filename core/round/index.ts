export * from './records.ts'
export { pestPoints, sectionOf, usualPoints, type UsualPoint } from './usual.ts'
export { roundFold, unseenOf, type RoundState, type WalkOpen, type WalkOver } from './round.ts'
export { mayWalk, roundDue, roundWindow, roundsLeft, type RoundDue, type RoundLeft } from './due.ts'
