import {
  adviceOf,
  countForecast,
  dishFold,
  doseOutlook,
  doseState,
  fedState,
  handDoseOf,
  handDosePlan,
  inDoubt,
  kindOf,
  loadOf,
  likelyFaults,
  marksOf,
  meteredState,
  rackRate,
  rinseOutlook,
  scaleLoad,
  tankOf,
  waterDue,
  withRacks,
  type DishState,
} from '@tadka/core/warewash'
import { containerOutlook } from '@tadka/core/solution'
import { computed, type Ref } from 'vue'
import { useKit } from '../house/kit.ts'
import { useSite } from '../record/site.ts'
import { now } from '../wire/clock.ts'

/** A site's dish machines, with a probe or without. */
export function useDishMachines() {
  const site = useSite()
  return computed(() => site.all('station').filter((s) => kindOf(s.plate?.family ?? '') !== null))
}

/** A site's sinks of three compartments. */
export function useSinks() {
  const site = useSite()
  return computed(() => site.all('station').filter((s) => s.plate?.family === 'sink'))
}

/** What is known of one dish machine, and what follows from it. */
export function useDish(id: Ref<string>) {
  const site = useSite()
  const kit = useKit()
  const station = computed(() => site.one('station', id.value))
  const state = computed((): DishState => site.one('dish', id.value) ?? dishFold.initial(id.value))
  const parameters = computed(() => station.value?.plate?.parameters ?? {})
  const kind = computed(() => kindOf(station.value?.plate?.family ?? ''))
  const limits = computed(() => marksOf(kind.value ?? 'stationary-dual', parameters.value))
  const whole = computed(() => state.value.marks.filter((m) => m.ending === 'complete' && m.by === 'probe'))
  const rate = computed(() => rackRate(state.value, now()))
  const outlook = computed(() => rinseOutlook(state.value, limits.value.rinse))
  /** What the meters of its detergents, or of its sanitizers, counted. */
  const fedBy = (sanitizer: boolean) =>
    state.value.fed.filter(
      (f) => ((kit.products.value.find((p) => p.id === f.product)?.agent ?? null) !== null) === sanitizer,
    )
  /** Too little sanitizer by the last test, or nothing fed by its meter; too much by the test. */
  const sanitizer = computed(() => {
    const off = state.value.rackTests.at(-1)?.off ?? null
    return meteredState(fedBy(true)) === 'empty' ? ('weak' as const) : off
  })
  const detergent = computed(() => {
    const tank = tankOf(parameters.value)
    const setPoint = parameters.value['conductivity']
    const told =
      tank && setPoint !== undefined
        ? doseState(
            tank,
            setPoint,
            whole.value.map((m) => m.conductivity),
          )
        : 'cannot-tell'
    return fedState(told, meteredState(fedBy(false)))
  })
  /** Whether its ware is tested at the rack: it sanitizes by a chemical, or goes on so while its heat fails. */
  const byChemical = computed(() => kind.value === 'chemical')
  const delimeCount = computed(() => {
    const tuned = station.value && withRacks(station.value, state.value)
    const duty = tuned?.plate?.duties.find((d) => d.trigger.kind === 'count' && d.trigger.of === 'racks')
    return duty?.trigger.kind === 'count' ? duty.trigger.every : null
  })
  const rackTest = computed(() => state.value.rackTests.at(-1) ?? null)
  return {
    station,
    byChemical,
    rackTest,
    testsRack: computed(() => byChemical.value || state.value.aside?.way === 'chemical'),
    /** The drum that its detergent's meter counts, and when it is empty; null where no meter does. */
    drum: computed(() => {
      const last = fedBy(false).at(-1)
      const product = kit.products.value.find((p) => p.id === last?.product)
      const found = product && containerOutlook(product.container?.holds, product.drawn)
      return found ? { name: product.name, ...found } : null
    }),
    /** Detergent by hand, where nothing feeds it; null where its label is not entered. */
    handDose: computed(() => {
      const [tank, dose] = [tankOf(parameters.value), handDoseOf(parameters.value)]
      return tank && dose && handDosePlan(tank, dose.band, dose.tool)
    }),
    /** Grams of mineral that the water brought since the last delime, and at the count at which it falls due; null where its hardness is not known. */
    scale: computed(() => {
      const { rinseWater } = parameters.value
      // What the plate says of the machine's own water, else the site's.
      const hardness = parameters.value['hardness'] ?? site.set?.water?.hardness
      if (hardness === undefined || rinseWater === undefined || delimeCount.value === null) return null
      const due = loadOf(hardness, rinseWater, delimeCount.value)
      return { ...scaleLoad(hardness, rinseWater, state.value.since.delime.racks, due), due }
    }),
    state,
    kind,
    limits,
    rate,
    rated: computed(() => parameters.value['racksAnHour'] ?? null),
    outlook,
    /** When the detergent's feed will no longer keep up, by its days; null where it does, or nobody can tell. */
    doseMisses: computed(() => {
      const setPoint = parameters.value['conductivity']
      return setPoint === undefined ? null : doseOutlook(state.value, setPoint).misses
    }),
    detergent,
    advice: computed(() => adviceOf(state.value, now(), byChemical.value)),
    doubt: computed(() => inDoubt(state.value, byChemical.value)),
    last: computed(() => state.value.marks.findLast((m) => m.verdict !== null) ?? null),
    /** Whether anything was ever streamed from it. */
    streams: computed(() => state.value.marks.some((m) => m.by === 'probe')),
    water: computed(() => waterDue(state.value, parameters.value, now())),
    delime: computed(() => {
      const every = delimeCount.value
      return every === null
        ? null
        : { every, ...countForecast(state.value, state.value.since.delime.racks, every, now()) }
    }),
    likely: computed(() =>
      likelyFaults({
        cycles: whole.value.slice(-30),
        rate: { racks: rate.value.lastHour, rated: parameters.value['racksAnHour'] ?? null },
        limits: limits.value,
        rinseTrend: outlook.value.trend,
        detergent: detergent.value,
        sanitizer: sanitizer.value,
      }),
    ),
  }
}

export type Dish = ReturnType<typeof useDish>
