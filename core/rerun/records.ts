import type { RulesOf } from '../stream/rules.ts'
import type { RerunEnded, RerunKept, RerunRead, RerunTakenBack } from './container.ts'

interface RerunPayloads {
  'rerun.kept@1': RerunKept
  'rerun.read@1': RerunRead
  'rerun.ended@1': RerunEnded
  'rerun.taken-back@1': RerunTakenBack
}

declare module '../stream/record.ts' {
  interface Payloads extends RerunPayloads {}
}

export const rerunRecords: RulesOf<keyof RerunPayloads> = {
  'rerun.kept@1': { needs: 'record', typed: true },
  'rerun.read@1': { needs: 'record', typed: true },
  'rerun.ended@1': { needs: 'record', typed: true, tap: true },
  'rerun.taken-back@1': { needs: 'record' },
}
