import type { Page } from '@playwright/test'
import { practiceOf, type FaultKind, type PracticeKnown } from '@tadka/core/practice'
import {
  latestProcedure,
  runFold,
  servesFamily,
  startInForce,
  type RunState,
  type StationState,
} from '@tadka/core/procedure'
import { readyFor } from '@tadka/core/record'
import { instant } from '@tadka/core/quantity'
import { address } from './crew.ts'

interface State {
  readonly seq: number
  readonly states: readonly { readonly kind: string; readonly id: string; readonly state: object }[]
}

/** The site's states as the server has them, and how far its log goes. */
export async function stateOf(page: Page): Promise<State> {
  return (await (await page.request.get(address('/api/sites/gannet/state'))).json()) as State
}

/** The first seed with which this alone goes wrong in a practice run, or nothing at all. */
export async function seedWith(page: Page, procedureId: string, kind: FaultKind | null): Promise<number> {
  const { states } = await stateOf(page)
  const of = <T>(what: string) => states.filter((s) => s.kind === what).map((s) => s.state as T)
  const procedure = latestProcedure(procedureId)
  const station = of<StationState>('station').find(
    (s) => s.plate && procedure && servesFamily(procedure, s.plate.family),
  )
  if (!procedure || !station?.plate) throw new Error(`nothing is worked to ${procedureId}`)
  const known: PracticeKnown = {
    products: of('product'),
    instruments: of('instrument'),
    ...{ family: station.plate.family, recipe: {}, washLabel: null, preferred: {}, now: instant(0) },
  }
  const { parameters = {}, options = {} } = startInForce(readyFor(procedure, station.plate), procedure)
  const run: RunState = { ...runFold.initial('r'), parameters, options, document: procedure }
  for (let seed = 1; seed < 2000; seed++) {
    const { faults } = practiceOf(procedure, run, known, seed)
    if (faults.map((f) => f.kind).join() === (kind ?? '')) return seed
  }
  throw new Error(`no seed of ${procedureId} throws in ${kind}`)
}
