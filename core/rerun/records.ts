import type { Fold } from '../stream/fold.ts'
import type { RulesOf } from '../stream/rules.ts'
import type { RerunEnded, RerunKept, RerunRead } from './container.ts'
import type { MixSet } from './mix.ts'

interface RerunPayloads {
  'mix.set@1': MixSet
  'rerun.kept@1': RerunKept
  'rerun.read@1': RerunRead
  'rerun.ended@1': RerunEnded
}

declare module '../stream/record.ts' {
  interface Payloads extends RerunPayloads {}
}

export const rerunRecords: RulesOf<keyof RerunPayloads> = {
  'mix.set@1': { needs: 'set-up-house' },
  'rerun.kept@1': { needs: 'record', typed: true },
  'rerun.read@1': { needs: 'record', typed: true },
  'rerun.ended@1': { needs: 'record', typed: true, tap: true },
}

export type MixState = { readonly id: string } & Partial<MixSet>

export const mixFold: Fold<MixState> = {
  initial: (id) => ({ id }),
  apply: (state, record) => (record.type === 'mix.set@1' ? { ...record.payload, id: state.id } : state),
}
