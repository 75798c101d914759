import {
  foldKey,
  followsOn,
  type AnyDraft,
  type AnyRecord,
  type FoldKey,
  type Payloads,
  type RecordType,
  type SubjectKind,
  type SubjectRef,
} from '@tadka/core/stream'
import { foldOf, upcast, subjectsOf, type ShiftState } from '@tadka/core/record'
import { type BathState } from '@tadka/core/bath'
import { type CaseState } from '@tadka/core/case'
import {
  type CrewState,
  type InstrumentKept,
  type InstrumentSet,
  type ProductKept,
  type SpareSet,
  type ProductSet,
  type RosterSet,
  type RuleSet,
  type SiteKept,
  type SiteSet,
} from '@tadka/core/house'
import { type OwnProcedure, type RunState, type StationState } from '@tadka/core/procedure'
import { type PlanState } from '@tadka/core/plan'
import type { MixState } from '@tadka/core/house'
import type { IncidentState } from '@tadka/core/incident'
import type { TrainingState } from '@tadka/core/training'
import type { FoodState } from '@tadka/core/food'
import type { RoundState } from '@tadka/core/round'
import type { StockState } from '@tadka/core/stock'
import type { PestState, TrapState } from '@tadka/core/pest'
import type { VisitState } from '@tadka/core/visit'
import type { ShelfState } from '@tadka/core/shelf'
import type { FaultState } from '@tadka/core/fault'
import type { SampleState } from '@tadka/core/lab'
import type { TaskState } from '@tadka/core/task'
import type { RerunState } from '@tadka/core/rerun'
import type { LoggerState } from '@tadka/core/logger'
import type { DishState } from '@tadka/core/warewash'
import { defineStore } from 'pinia'
import { computed, hasInjectionContext, inject, ref, shallowRef, triggerRef, type InjectionKey } from 'vue'
import { useSession } from '../rights/session.ts'
import { ask, Unreachable } from '../wire/api.ts'
import { knownOffset, learnServerTime, ownClock } from '../wire/clock.ts'
import { deviceId, nextCount } from '../wire/device.ts'
import { isChainLost, moveHead, rememberHead } from '../stream/head.ts'
import { forgetOldPhotos, sendPhotosAgain } from '../stream/kept-photos.ts'
import { forgetBackedUp } from '../stream/outbox.ts'
import { foldDraft, nameOf } from '../stream/fold-draft.ts'
import { newDraft } from '../stream/new-draft.ts'
import { makeSender } from '../stream/sender.ts'
import { endsSoon } from '../wire/soon.ts'
import { picturesShown } from './pictures-shown.ts'
import { readKeptStates, makeKeeper } from '../stream/kept-states.ts'
import { followEvents } from '../stream/stream.ts'

interface Kinds {
  site: Partial<SiteSet> & SiteKept & { id: string }
  station: StationState
  run: RunState
  bath: BathState
  case: CaseState
  product: ProductSet & ProductKept & { id: string }
  instrument: InstrumentSet & InstrumentKept & { id: string }
  rule: RuleSet & { id: string }
  procedure: OwnProcedure
  spare: SpareSet & { id: string }
  shift: ShiftState
  roster: (RosterSet & { id: string }) | { id: string }
  crew: CrewState
  plan: PlanState
  dish: DishState
  logger: LoggerState
  mix: MixState
  rerun: RerunState
  food: FoodState
  round: RoundState
  task: TaskState
  stock: StockState
  pest: PestState
  trap: TrapState
  visit: VisitState
  shelf: ShelfState
  fault: FaultState
  sample: SampleState
  training: TrainingState
  incident: IncidentState
}

interface Held {
  state: unknown
  last: FoldKey | null
}

interface Snapshot {
  serverTime: number
  seq: number
  hash: string
  backedUpTo: number
  states: { kind: SubjectKind; id: string; state: unknown; last: FoldKey | null }[]
}

/** The site as this tablet knows it: the server's states, and on top what is not yet sent. */
export const useSiteStore = defineStore('site', () => {
  const session = useSession()
  const base = shallowRef(new Map<string, Held>())
  /** Made here and not yet seen to come back in the stream. */
  const mine = shallowRef<AnyDraft[]>([])
  /** Where in the chain those of them lie that the server has taken, and this tablet has not come to yet. */
  const placed = new Map<string, number>()
  const seq = ref(0)
  const loaded = ref(false)
  const connected = ref(false)
  const unknownType = ref(false)
  const sender = makeSender(() => session.site, {
    settled: (id, at) => {
      if (at === null || at <= seq.value) drop(id)
      else placed.set(id, at)
    },
    joined: (drafts) => {
      const here = new Set(mine.value.map((d) => d.id))
      mine.value = [...mine.value, ...drafts.filter((d) => d.site === session.site && !here.has(d.id))]
    },
  })
  let stop: (() => void) | null = null
  const keeper = makeKeeper(() => ({ site: session.site, seq: seq.value, states: base.value }))

  function drop(id: string): void {
    placed.delete(id)
    mine.value = mine.value.filter((d) => d.id !== id)
  }

  const shown = computed(() => {
    const map = new Map([...base.value].map(([name, held]) => [name, held.state]))
    for (const draft of mine.value) foldDraft(map, draft)
    return map
  })

  const one = <K extends SubjectKind>(kind: K, id: string): Kinds[K] | null =>
    (shown.value.get(nameOf(kind, id)) as Kinds[K] | undefined) ?? null

  const isRetired = (state: object) =>
    'plate' in state && (state.plate as StationState['plate'])?.retired === true
  /** All of a kind that are here; stations that were retired are not. */
  const all = <K extends SubjectKind>(kind: K): Kinds[K][] => every(kind).filter((s) => !isRetired(s))
  const every = <K extends SubjectKind>(kind: K): Kinds[K][] =>
    [...shown.value].filter(([name]) => name.startsWith(`${kind}/`)).map(([, state]) => state as Kinds[K])

  async function load(): Promise<void> {
    stop?.()
    const site = session.site
    if (!site) return
    const asked = snapshot(site)
    if (!(await endsSoon(asked)) || !loaded.value) await takeKept(site)
    if (!loaded.value) await asked
    void sender.restore().then((old) => {
      const here = new Set(mine.value.map((d) => d.id))
      const beyond = old.filter((o) => !here.has(o.draft.id) && (o.at === null || o.at > seq.value))
      for (const { draft, at } of beyond) if (at !== null) placed.set(draft.id, at)
      mine.value = [...beyond.map((o) => o.draft), ...mine.value]
    })
    stop = followEvents(site, () => seq.value, {
      record: (record) => void take(record),
      time: learnServerTime,
      open: (up) => {
        connected.value = up
        if (up) void sender.send()
      },
      again: () => snapshot(site),
    })
  }

  /** What an inspector's link shows of the site: asked once, and nothing of it is kept on their device. */
  async function lookAt(): Promise<void> {
    const got = await ask<Snapshot>('GET', `/api/sites/${session.site}/state`)
    learnServerTime(got.serverTime)
    base.value = new Map(got.states.map((s) => [nameOf(s.kind, s.id), { state: s.state, last: s.last }]))
    loaded.value = true
  }

  async function snapshot(site: string): Promise<void> {
    try {
      const askedAt = ownClock()
      const got = await ask<Snapshot>('GET', `/api/sites/${site}/state`)
      learnServerTime(got.serverTime, askedAt)
      const isLost = await isChainLost(site)
      base.value = new Map(got.states.map((s) => [nameOf(s.kind, s.id), { state: s.state, last: s.last }]))
      seq.value = got.seq
      for (const [id, at] of placed) if (at <= got.seq) drop(id)
      loaded.value = true
      keeper.anew()
      if (isLost) await Promise.all([sender.sendAgain(), sendPhotosAgain()])
      else
        void forgetBackedUp(got.backedUpTo, got.serverTime)
          .then(() => forgetOldPhotos(ownClock(), new Set(picturesShown({ all }))))
          .catch(() => {})
      // Last: a page that is closed in between finds the same again.
      rememberHead({ site, seq: got.seq, hash: got.hash })
    } catch (error) {
      if (!(error instanceof Unreachable)) throw error
    }
  }

  /** Without network the tablet goes on from what it knew. */
  async function takeKept(site: string): Promise<void> {
    const kept = await readKeptStates(site)
    if (loaded.value || !kept) return
    base.value = new Map(kept.states)
    seq.value = kept.seq
    loaded.value = true
  }

  /** A record from the stream: folded here as the server folded it; where it came late, the state is fetched. */
  async function take(stored: AnyRecord): Promise<void> {
    const record = upcast(stored)
    if (record.seq <= seq.value) return
    seq.value = record.seq
    moveHead({ site: record.site, seq: record.seq - 1, hash: record.prev })
    const late: SubjectRef[] = []
    for (const subject of subjectsOf(record)) {
      if (!takeInto(subject, record)) late.push(subject)
    }
    triggerRef(base)
    keeper.changed(subjectsOf(record).map((s) => nameOf(s.kind, s.id)))
    drop(record.id)
    for (const subject of late) await refetch(subject)
  }

  function takeInto({ kind, id }: SubjectRef, record: AnyRecord): boolean {
    const fold = foldOf(kind) as ReturnType<typeof foldOf> | undefined
    if (!fold) {
      unknownType.value = true
      return true
    }
    const name = nameOf(kind, id)
    const held = base.value.get(name) ?? { state: fold.initial(id), last: null }
    if (!followsOn(held.last, record)) return false
    base.value.set(name, { state: fold.apply(held.state, record), last: foldKey(record) })
    return true
  }

  async function refetch({ kind, id }: SubjectRef): Promise<void> {
    const path = `/api/sites/${session.site}/subjects/${kind}/${id}`
    const name = nameOf(kind, id)
    try {
      for (;;) {
        const before = base.value.get(name)
        const got = await ask<Snapshot['states'][number]>('GET', path)
        // Something came meanwhile that the answer may not hold: asked anew.
        if (base.value.get(name) !== before) continue
        base.value.set(name, { state: got.state, last: got.last })
        triggerRef(base)
        keeper.changed([name])
        return
      }
    } catch {
      // The next snapshot brings it.
    }
  }

  function draftOf<T extends RecordType>(type: T, subject: SubjectRef, payload: Payloads[T]): AnyDraft {
    const [site, by] = [session.site, session.acting?.id]
    if (!site || !by) throw new Error('nobody is signed in')
    const maker = { site, by, observedAt: ownClock(), device: deviceId(), counter: nextCount() }
    return newDraft(maker, type, subject, payload)
  }

  /** Puts drafts in the log: shown at once, kept on the tablet, sent by themselves. */
  function commit(...drafts: AnyDraft[]): void {
    mine.value = [...mine.value, ...drafts]
    const pass = session.passOf(drafts[0]?.by)
    sender.add(drafts, { pass, offset: knownOffset() })
  }

  function record<T extends RecordType>(type: T, subject: SubjectRef, payload: Payloads[T]): AnyDraft {
    const draft = draftOf(type, subject, payload)
    commit(draft)
    return draft
  }

  return {
    ...sender,
    seq,
    loaded,
    connected,
    unknownType,
    one,
    all,
    every,
    load,
    lookAt,
    draftOf,
    commit,
    record,
    set: computed(() => (session.site ? one('site', session.site) : null)),
  }
})

/** A site as screens know it: what stands there, and what is done. */
export type Site = Pick<
  ReturnType<typeof useSiteStore>,
  'loaded' | 'connected' | 'one' | 'all' | 'every' | 'draftOf' | 'commit' | 'record' | 'set'
> & {
  /** It stands in for the real one: what is done there reaches no log. */
  readonly isPractice?: true
}

/** What stands in for the site beneath a component. */
export const siteKey: InjectionKey<Site> = Symbol('site')

/** The site here: the real one, but where another stands in for it. */
export const useSite = (): Site => (hasInjectionContext() ? inject(siteKey, null) : null) ?? useSiteStore()
