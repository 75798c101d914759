import { rejectSigns, type RejectSign } from './records.ts'
import type { Instant } from '../quantity/index.ts'
import type { StationState } from '../procedure/index.ts'
import type { ProductKept, SiteKept } from '../house/folds.ts'
import type { ProductSet } from '../house/product.ts'
import { containerOutlook } from '../solution/index.ts'
import { doseState, fedState, handDosePlan, meteredState } from './detergent.ts'
import type { DishState } from './dish.ts'
import { likelyFaults } from './fault.ts'
import {
  adviceOf,
  countForecast,
  doseOutlook,
  inDoubt,
  rackRate,
  rinseOutlook,
  waterDue,
  withRacks,
} from './outlook.ts'
import { handDoseOf, kindOf, marksOf, tankOf } from './plate.ts'
import { loadOf, scaleLoad } from './scale.ts'

type Known = Partial<ProductSet> & Partial<ProductKept> & { readonly id: string }

/** What a site knows that bears on one dish machine. */
export interface AroundMachine {
  readonly site: SiteKept | null
  readonly products: readonly Known[]
}

/** Racks that the likely faults are told from. Common practice, no source. */
const looked = 30

/**
 * A dish machine at one moment, worked out of its plate, its counts and what the site knows: the same for whoever asks.
 * @param now milliseconds UTC.
 */
export function machineNow(
  station: StationState | null,
  state: DishState,
  around: AroundMachine,
  now: Instant,
) {
  const parameters = station?.plate?.parameters ?? {}
  const kind = kindOf(station?.plate?.family ?? '')
  const byChemical = kind === 'chemical'
  const limits = marksOf(kind ?? 'stationary-dual', parameters)
  const whole = state.marks.filter((m) => m.ending === 'complete' && m.by === 'probe')
  const rate = rackRate(state, now)
  const rated = parameters['racksAnHour'] ?? null
  const outlook = rinseOutlook(state, limits.rinse)
  const tank = tankOf(parameters)
  const setPoint = parameters['conductivity'] ?? null
  const byHand = handDoseOf(parameters)
  const fed = fedBy(state, around.products)
  const detergent = fedState(
    tank !== null && setPoint !== null
      ? doseState(
          tank,
          setPoint,
          whole.map((m) => m.conductivity),
        )
      : 'cannot-tell',
    meteredState(fed.detergent),
  )
  // Too little sanitizer by the last test, or nothing fed by its meter; too much by the test.
  const sanitizer =
    meteredState(fed.sanitizer) === 'empty' ? ('weak' as const) : (state.rackTests.at(-1)?.off ?? null)
  const every = delimeCount(station, state)
  const rejects = rejectsOfLate(state, now)
  return {
    kind,
    limits,
    byChemical,
    /** Whether it can go on by a chemical while its heat fails. */
    hasChemical: !byChemical && (parameters['chemicalMode'] ?? 0) > 0,
    rate,
    rated,
    outlook,
    detergent,
    rackTest: state.rackTests.at(-1) ?? null,
    /** Whether its ware is tested at the rack: it sanitizes by a chemical, or goes on so while its heat fails. */
    testsRack: byChemical || state.aside?.way === 'chemical',
    drum: drumOf(fed.detergent.at(-1)?.product, around.products),
    /** Detergent by hand, where nothing feeds it; null where its label is not entered. */
    handDose: tank && byHand && handDosePlan(tank, byHand.band, byHand.tool),
    scale: mineralSince(state, parameters, around.site?.water?.hardness ?? null, every),
    /** When the detergent's feed will no longer keep up, by its days; null where it does, or nobody can tell. */
    doseMisses: setPoint === null ? null : doseOutlook(state, setPoint).misses,
    advice: adviceOf(state, now, byChemical),
    doubt: inDoubt(state, byChemical),
    last: state.marks.findLast((m) => m.verdict !== null) ?? null,
    /** Whether anything was ever streamed from it. */
    streams: state.marks.some((m) => m.by === 'probe'),
    water: waterDue(state, parameters, now),
    delime: every === null ? null : { every, ...countForecast(state, state.since.delime.racks, every, now) },
    likely: likelyFaults({
      cycles: whole.slice(-looked),
      rate: { racks: rate.lastHour, rated },
      limits,
      rinseTrend: outlook.trend,
      detergent,
      sanitizer,
      rejects,
    }),
    /** Ware sent back at inspection in the last hours, by what for. */
    rejects,
  }
}
/** How long a piece that was sent back counts, ms. Common practice, no source. */
const rejectCountsMs = 2 * 3_600_000

function rejectsOfLate({ rejects = [] }: DishState, now: number): Partial<Record<RejectSign, number>> {
  const late = rejects.filter((r) => r.at > now - rejectCountsMs)
  return Object.fromEntries(rejectSigns.map((sign) => [sign, late.filter((r) => r.sign === sign).length]))
}

export type MachineNow = ReturnType<typeof machineNow>

/** What the meters of its detergents, and of its sanitizers, counted. */
function fedBy(state: DishState, products: readonly Known[]) {
  const sanitizes = (id: string) => (products.find((p) => p.id === id)?.agent ?? null) !== null
  return {
    sanitizer: state.fed.filter((f) => sanitizes(f.product)),
    detergent: state.fed.filter((f) => !sanitizes(f.product)),
  }
}

/** The drum that its detergent's meter counts, and when it is empty; null where no meter does. */
function drumOf(id: string | undefined, products: readonly Known[]) {
  const product = products.find((p) => p.id === id)
  const found = product?.name ? containerOutlook(product.container?.holds, product.drawn ?? null) : null
  return product?.name && found ? { name: product.name, ...found } : null
}

/** Racks between two delimes, by its plate's duty and how much it did. */
function delimeCount(station: StationState | null, state: DishState): number | null {
  const duties = (station && withRacks(station, state))?.plate?.duties ?? []
  const duty = duties.find((d) => d.trigger.kind === 'count' && d.trigger.of === 'racks')
  return duty?.trigger.kind === 'count' ? duty.trigger.every : null
}

/**
 * Grams of mineral that the water brought since the last delime, and at the count at which it falls due; null where its hardness is
 * not known. What the plate says of the machine's own water goes before the site's.
 */
function mineralSince(
  state: DishState,
  parameters: Readonly<Record<string, number>>,
  ofSite: number | null,
  every: number | null,
) {
  const { rinseWater } = parameters
  const hardness = parameters['hardness'] ?? ofSite
  if (hardness === null || rinseWater === undefined || every === null) return null
  const due = loadOf(hardness, rinseWater, every)
  return { ...scaleLoad(hardness, rinseWater, state.since.delime.racks, due), due }
}
