import type { Fold } from '../stream/fold.ts'
import type { InstrumentChecked, InstrumentSet } from './instrument.ts'
import type { MixSet } from './mix.ts'
import type { ConcentrateOpened, ProductSet } from './product.ts'
import type { CrewSet } from './roster.ts'
import type { HardnessMeasured, SiteSet } from './site.ts'
import type { SpareSet } from './spare.ts'
import type { PersonSet, SecretSet } from '../people/records.ts'
import { icePoint } from '../rules/index.ts'
import { correctedAt } from '../stream/record.ts'

interface Named {
  readonly id: string
}

/** What counts for what goes wrong only where it was entered before. */
const beforehand = ['timeOnly', 'outagePlan'] as const
type Entered = Readonly<Partial<Record<(typeof beforehand)[number], number>>>

export interface SiteKept {
  /** Since when its procedures for what goes wrong stand as they are, ms UTC; absent where it has none. */
  readonly entered?: Entered
  /** How hard the water is, as it was last measured; absent where nobody has. */
  readonly water?: HardnessMeasured & { readonly at: number; readonly by: string }
}

/** The site: as last set, with what was measured there. */
export const siteFold: Fold<Named & SiteKept & Partial<SiteSet>> = {
  initial: (id) => ({ id }),
  apply(state, record) {
    const { id, water } = state
    if (record.type === 'site.set@1') {
      const entered = enteredBy(state, record.payload, correctedAt(record))
      return { ...record.payload, id, ...(water ? { water } : {}), ...(entered ? { entered } : {}) }
    }
    if (record.type === 'water.measured@1')
      return { ...state, water: { ...record.payload, at: correctedAt(record), by: record.by } }
    return state
  },
}

/** When each was entered: it counts from when it was changed last. */
function enteredBy(was: SiteKept & Partial<SiteSet>, is: SiteSet, at: number): Entered | null {
  const found = beforehand.flatMap((what) => {
    if (is[what] === undefined) return []
    const same = JSON.stringify(is[what]) === JSON.stringify(was[what])
    return [[what, (same ? was.entered?.[what] : undefined) ?? at] as const]
  })
  return found.length > 0 ? Object.fromEntries(found) : null
}

export interface ProductKept {
  /** The container in use; null where nobody wrote it down. */
  readonly container: ConcentrateOpened | null
  /** What meters counted from it since it was opened, mL, and when last; null where none did. */
  readonly drawn: { readonly millilitres: number; readonly from: number; readonly at: number } | null
  /** What came last has another label than the one entered here, and that was not entered since; absent where it has not. */
  readonly otherLabel?: { readonly at: number; readonly lot: string }
  /** Empty containers of it that wait, and since when there is one. */
  readonly empties?: { readonly waiting: number; readonly since: number }
  /** Its data sheet; absent where nobody has brought one in. */
  readonly sheet?: { readonly sha256: string; readonly name: string; readonly at: number }
}
export type ProductState = Named & ProductKept & Partial<ProductSet>

/** A product: its label as last entered, and the container in use. */
export const productFold: Fold<ProductState> = {
  initial: (id) => ({ id, container: null, drawn: null }),
  apply(state, record) {
    if (record.type === 'product.set@1') {
      const { id, container, drawn, sheet, empties } = state
      const kept = { ...(sheet ? { sheet } : {}), ...(empties ? { empties } : {}) }
      return { ...record.payload, id, container, drawn, ...kept }
    }
    if (record.type === 'stock.came@1') {
      const { otherLabel: _, ...rest } = state
      const { label, lot } = record.payload
      return label === 'other' ? { ...rest, otherLabel: { at: correctedAt(record), lot } } : rest
    }
    if (record.type === 'container.emptied@1') {
      const { count, went } = record.payload
      return withEmpties(state, went === 'waits' ? count : 0, correctedAt(record))
    }
    if (record.type === 'container.gone@1')
      return withEmpties(state, -record.payload.count, correctedAt(record))
    if (record.type === 'product.sheet@1') {
      const { sheet: _, ...rest } = state
      const { sha256, name } = record.payload
      return sha256 === null ? rest : { ...rest, sheet: { sha256, name, at: correctedAt(record) } }
    }
    if (record.type === 'concentrate.opened@1') return { ...state, container: record.payload, drawn: null }
    if (record.type === 'concentrate.drawn@1') {
      const at = correctedAt(record)
      const { millilitres = 0, from = at } = state.drawn ?? {}
      return { ...state, drawn: { millilitres: millilitres + record.payload.millilitres, from, at } }
    }
    return state
  },
}

/** @param more empty containers that wait from now on; below zero: that went. */
function withEmpties({ empties, ...rest }: ProductState, more: number, at: number): ProductState {
  const { waiting = 0, since = at } = empties ?? {}
  // More cannot go than stood there.
  return waiting + more > 0 ? { ...rest, empties: { waiting: waiting + more, since } } : rest
}

export interface InstrumentKept {
  /** The newest last; at most the last thirty. */
  readonly checks: readonly (InstrumentChecked & { readonly at: number; readonly by: string })[]
  /** A thermometer's last check in melting ice was out. */
  readonly failed?: boolean
}
export type InstrumentState = (Named & InstrumentKept) | (Named & InstrumentKept & InstrumentSet)

const checksKept = 30

/** An instrument: as last entered, with its checks; a thermometer's check sets when it is due again. */
export const instrumentFold: Fold<InstrumentState> = {
  initial: (id) => ({ id, checks: [] }),
  apply(state, record) {
    if (record.type === 'instrument.set@1') {
      const { id, checks, failed } = state
      return { ...record.payload, id, checks, ...(failed === undefined ? {} : { failed }) }
    }
    if (record.type !== 'instrument.checked@1') return state
    const check = { ...record.payload, at: correctedAt(record), by: record.by }
    const checks = [...state.checks, check].slice(-checksKept)
    if (check.method === 'ice-point' && 'kind' in state && state.kind === 'thermometer') {
      // What it read in its own unit tells, not what was sent with it.
      const failed = icePoint(check.read, state.unit).verdict === 'out'
      return { ...state, checks, checkDue: check.due, failed }
    }
    return { ...state, checks }
  },
}

export type MixState = Named & Partial<MixSet>

/** A mix: as its maker's statement was last entered. */
export const mixFold: Fold<MixState> = {
  initial: (id) => ({ id }),
  apply: (state, record) => (record.type === 'mix.set@1' ? { ...record.payload, id: state.id } : state),
}

/** A spare: as last counted, less what was drawn since. Below nought: more was drawn than anyone counted. */
export const spareFold: Fold<SpareSet & Named> = {
  initial: (id) => ({ id, name: '', fits: [], count: 0 }),
  apply(state, record) {
    if (record.type === 'spare.set@1') return { ...record.payload, id: state.id }
    // Kept in stock, too, it is counted, comes and is lost there.
    if (record.type === 'stock.counted@1') return { ...state, count: record.payload.amount }
    if (record.type === 'stock.came@1') return { ...state, count: state.count + record.payload.amount }
    if (record.type === 'stock.lost@1') return { ...state, count: state.count - record.payload.amount }
    if (record.type === 'spare.drawn@1') return { ...state, count: state.count - record.payload.count }
    return state
  },
}

/** Somebody who works here, or did: who they are, and what they are signed off for. */
export type CrewState = Named &
  Partial<PersonSet> & {
    /** What is kept of their secrets, by its mark. */
    readonly marks?: Readonly<Partial<Record<SecretSet['what'], string>>>
    /** Who first said that they may do these alone, and when: by procedure or family. */
    readonly stated?: Readonly<Record<string, { readonly at: number; readonly by: string }>>
  } & (CrewSet | object)

export const crewFold: Fold<CrewState> = {
  initial: (id) => ({ id }),
  apply(state, record) {
    if (record.type === 'person.set@1') return { ...state, ...record.payload }
    if (record.type === 'crew.set@1') {
      const before = state.stated ?? {}
      // Nobody signs themselves off: what one adds to one's own is not taken.
      const signedOff = record.payload.signedOff.filter((n) => n in before || record.by !== state.id)
      const now = { at: correctedAt(record), by: record.by }
      const stated = Object.fromEntries(signedOff.map((n) => [n, before[n] ?? now]))
      return { ...state, ...record.payload, signedOff, stated }
    }
    if (record.type !== 'person.secret@1') return state
    const { what, mark } = record.payload
    return { ...state, marks: { ...state.marks, [what]: mark } }
  },
}
