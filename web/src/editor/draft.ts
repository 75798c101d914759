import { readProcedure, type ProcedureFault } from '@tadka/contract/procedure'
import {
  baseOf,
  compared,
  latestProcedure,
  namesTaken,
  ownCopy,
  ownId,
  type OwnProcedure,
  type Procedure,
} from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import { useLocalStorage, watchDebounced } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { useContactCheck } from '../site/contact-check.ts'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { unitOf } from './plate-names.ts'

/** How many changes can be taken back. */
const mostBack = 200
/** Checked once nothing was typed for so long, ms: every way is walked. */
const restMs = 200

const keysOf = (site: string | null) => `tadka.draft.${site}.`
const keyOf = (site: string | null, id: string) => keysOf(site) + ownId(id)
const asJson = {
  read: (text: string) => JSON.parse(text) as Procedure | null,
  write: (value: Procedure | null) => JSON.stringify(value),
}

/** Puts a procedure on this tablet as a draft, to be changed before it is in force. */
export function keepDraft(site: string | null, procedure: Procedure): void {
  localStorage.setItem(keyOf(site, procedure.id), asJson.write(procedure))
}

/** Drafts on this tablet, those not in force yet among them. */
export const draftsHere = (site: string | null): Procedure[] =>
  Object.keys(localStorage)
    .filter((key) => key.startsWith(keysOf(site)))
    .flatMap((key) => asJson.read(localStorage.getItem(key) ?? 'null') ?? [])
    .toSorted((a, b) => (a.name < b.name ? -1 : 1))

export const dropDraft = (site: string | null, id: string): void => localStorage.removeItem(keyOf(site, id))

/** The plate's numbers that its steps take, each with its unit. */
const withParameters = (p: Procedure): Procedure => ({
  ...p,
  parameters: Object.fromEntries(
    namesTaken(p.nodes).map((name) => [name, p.parameters[name] ?? unitOf(name)]),
  ),
})

/** What is wrong with a procedure as it stands; what cannot be checked is a fault too. */
function faultsOf(procedure: Procedure): readonly ProcedureFault[] {
  try {
    return readProcedure(procedure).faults
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return [{ kind: 'name', at: '', why: error.message }]
  }
}

/**
 * A procedure that is being changed on this tablet. It stays here, through reloads, until it is put in force or thrown away; each
 * change can be taken back.
 */
export function useProcedureDraft(id: () => string) {
  const site = useSite()
  const session = useSession()
  const procedures = useProcedures()
  const tooShort = useContactCheck()
  const kept = useLocalStorage<Procedure | null>(keyOf(session.site, id()), null, {
    serializer: asJson,
    shallow: true,
  })
  const own = computed<OwnProcedure | null>(() => site.one('procedure', ownId(id())))
  const inForce = computed(() => procedures.latest(id()))
  const library = computed(() => latestProcedure(baseOf(id())))
  /** What was written, where it comes into force on a later day and none is now. */
  const document = computed(() => kept.value ?? inForce.value ?? own.value?.versions.at(-1) ?? null)

  const past = shallowRef<readonly Procedure[]>([])
  const future = shallowRef<readonly Procedure[]>([])
  /** What was changed last: one field typed in is one change. */
  let last: string | null = null
  /** @param what names the field that is typed in; none where each change is one of its own. */
  function set(next: Procedure, what: string | null = null): void {
    const isSame = what !== null && what === last && past.value.length > 0
    last = what
    if (document.value && !isSame) past.value = [...past.value, document.value].slice(-mostBack)
    future.value = []
    kept.value = withParameters(next)
  }
  function undo(): void {
    const before = past.value.at(-1)
    last = null
    if (!before || !document.value) return
    future.value = [document.value, ...future.value]
    past.value = past.value.slice(0, -1)
    // As it is in force is no draft.
    kept.value = before === inForce.value ? null : before
  }
  function redo(): void {
    const [next, ...rest] = future.value
    if (!next || !document.value) return
    past.value = [...past.value, document.value]
    future.value = rest
    kept.value = next
  }
  function drop(): void {
    kept.value = null
    past.value = []
    future.value = []
  }

  const settled = shallowRef(document.value)
  watchDebounced(document, (now) => (settled.value = now), { debounce: restMs })
  const checking = computed(() => settled.value !== document.value)
  const faults = computed(() => (settled.value ? faultsOf(settled.value) : []))
  /** Contact times that are too short, in sentences. */
  const short = computed(() =>
    settled.value && faults.value.length === 0 ? tooShort(settled.value, {}) : [],
  )
  const isChanged = computed(() => {
    const [before, after] = [inForce.value, kept.value]
    if (!after) return false
    if (!before) return true
    const { head, lines } = compared(before, after)
    return head.length > 0 || lines.some((l) => l.change !== 'same')
  })

  /** Puts it in force from a trading day on, ISO date, as the version that follows. */
  function putInForce(from: string): void {
    if (!document.value) return
    const made = ownCopy(document.value, own.value?.versions ?? [])
    const subject = { kind: 'procedure', id: made.id } as const
    site.commit(
      site.draftOf('procedure.set@1', subject, { document: made }),
      site.draftOf('procedure.put@1', subject, { version: made.version, from }),
    )
    drop()
  }
  /** Goes back to an earlier version from a trading day on; null to the library's. */
  function goBack(version: number | null, from: string): void {
    site.record('procedure.put@1', { kind: 'procedure', id: ownId(id()) }, { version, from })
  }

  return {
    document,
    own,
    inForce,
    library,
    /** What comes into force on a later day. */
    coming: computed(() => own.value?.puts.filter((p) => p.from > procedures.today.value) ?? []),
    isDraft: computed(() => kept.value !== null),
    isChanged,
    faults,
    short,
    checking,
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    set,
    undo,
    redo,
    drop,
    putInForce,
    goBack,
  }
}
