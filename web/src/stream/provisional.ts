import {
  defaultFreshHours,
  findProcedure,
  type OwnProcedure,
  type RunState,
  type StationState,
} from '@tadka/core/procedure'
import { inForceFor, upcast } from '@tadka/core/record'
import { type AnyDraft, type AnyRecord, type SubjectKind } from '@tadka/core/stream'
import { type MixSet, type ProductSet, type SiteSet } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import { clockOffset, rightNow } from '../wire/clock.ts'
import { boot } from '../wire/device.ts'

type StateOf = (kind: SubjectKind, id: string) => unknown

/** An unsent draft as the server will store it, as far as this tablet knows; what is in force comes from its own states. */
export function provisional(draft: AnyDraft, stateOf: StateOf): AnyRecord {
  const inForce = inForceOf(draft, stateOf)
  const madeHere = (draft.payload as { boot?: string }).boot === boot
  const corrected = draft.observedAt + clockOffset.value
  return upcast({
    ...draft,
    seq: 0,
    // What an earlier start of this tablet saw reaches the server only now.
    receivedAt: madeHere || !('boot' in (draft.payload as object)) ? corrected : rightNow(),
    clockOffset: clockOffset.value,
    prev: '',
    flags: [],
    ...(inForce ? { inForce } : {}),
  } as AnyRecord)
}

function inForceOf(draft: AnyDraft, stateOf: StateOf) {
  try {
    return inForceFor(draft, {
      station: (id) => stateOf('station', id) as StationState | null,
      run: (id) => stateOf('run', id) as RunState | null,
      procedure: (id, version) =>
        findProcedure(id, version) ??
        (stateOf('procedure', id) as OwnProcedure | null)?.versions.find((v) => v.version === version) ??
        null,
      product: (id) => stateOf('product', id) as Partial<ProductSet> | null,
      mix: (id) => stateOf('mix', id) as Partial<MixSet> | null,
      freshHours: (stateOf('site', draft.site) as Partial<SiteSet> | null)?.freshHours ?? defaultFreshHours,
    })
  } catch (error) {
    // The server will say why; until then it changes nothing here.
    if (error instanceof Refusal) return undefined
    throw error
  }
}
