export {
  falseAlarmKinds,
  faultKinds,
  type FalseAlarm,
  type FaultKind,
  type FaultState,
  type Practice,
  type PracticeKnown,
} from './fault.ts'
export { usesUndrawn, type CloseLook, type DrawnStrip, type Gauges } from './drawn.ts'
export { faultsPossible, practiceOf } from './throw.ts'
export { sceneOf, touchable, type Thing, type Touchable } from './scene.ts'
export { judgeRecord, judgeTouch, type PracticeNow } from './judge.ts'
export { scoreOf, type Score } from './score.ts'
