import type { AnyDraft, Payloads, RecordType, SubjectKind, SubjectRef } from '@tadka/core/stream'
import type { StationState } from '@tadka/core/procedure'
import { computed, reactive, shallowRef } from 'vue'
import type { Site } from '../site/site.ts'
import { foldDraft, nameOf } from '../stream/fold-draft.ts'
import { newDraft } from '../stream/new-draft.ts'
import { clockOffset } from '../wire/clock.ts'
import type { PracticeClock } from './practice-clock.ts'

/** What of the real site a practice run goes by: what stands there, not what was done. */
const taken = [
  'site',
  'product',
  'instrument',
  'rule',
  'procedure',
  'mix',
  'crew',
  'training',
] as const satisfies readonly SubjectKind[]

/**
 * A site of its own that stands in for the real one: the same products, rules and instruments, one machine, and what is done there folds as
 * it would. Nothing of it is kept or sent.
 * @param before is told each record before it is taken in.
 */
export function practiceSite(
  real: Site,
  station: StationState,
  clock: PracticeClock,
  before: (draft: AnyDraft) => void,
  by: () => string,
): Site {
  const states = shallowRef(
    new Map<string, unknown>([
      ...taken.flatMap((kind) => real.every(kind).map((s) => [nameOf(kind, s.id), s] as const)),
      [nameOf('station', station.id), station],
    ]),
  )
  const site = real.set?.id ?? ''
  let counted = 0
  const every = (kind: SubjectKind) =>
    [...states.value].flatMap(([name, state]) => (name.startsWith(`${kind}/`) ? [state] : []))

  function draftOf<T extends RecordType>(type: T, subject: SubjectRef, payload: Payloads[T]): AnyDraft {
    const observedAt = clock.rightNow() - clockOffset.value
    const maker = { site, by: by(), observedAt, device: 'practice', counter: ++counted }
    return newDraft(maker, type, subject, payload)
  }
  function commit(...drafts: AnyDraft[]): void {
    for (const draft of drafts) {
      before(draft)
      const map = new Map(states.value)
      foldDraft(map, draft)
      states.value = map
    }
  }
  function record<T extends RecordType>(type: T, subject: SubjectRef, payload: Payloads[T]): AnyDraft {
    const draft = draftOf(type, subject, payload)
    commit(draft)
    return draft
  }
  return reactive({
    isPractice: true as const,
    loaded: true,
    connected: true,
    one: (kind: SubjectKind, id: string) => states.value.get(nameOf(kind, id)) ?? null,
    all: every,
    every,
    draftOf,
    commit,
    record,
    set: computed(() => states.value.get(nameOf('site', site)) ?? null),
  }) as unknown as Site
}
