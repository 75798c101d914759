import {
  adviceOf,
  countForecast,
  dishFold,
  doseState,
  inDoubt,
  kindOf,
  likelyFaults,
  marksOf,
  rackRate,
  rinseOutlook,
  tankOf,
  type DishState,
} from '@tadka/core/warewash'
import { computed, type Ref } from 'vue'
import { useSite } from '../record/site.ts'
import { now } from '../wire/clock.ts'

/** A site's dish machines, with a probe or without. */
export function useDishMachines() {
  const site = useSite()
  return computed(() => site.all('station').filter((s) => kindOf(s.plate?.family ?? '') !== null))
}

/** What is known of one dish machine, and what follows from it. */
export function useDish(id: Ref<string>) {
  const site = useSite()
  const station = computed(() => site.one('station', id.value))
  const state = computed((): DishState => site.one('dish', id.value) ?? dishFold.initial(id.value))
  const parameters = computed(() => station.value?.plate?.parameters ?? {})
  const kind = computed(() => kindOf(station.value?.plate?.family ?? ''))
  const limits = computed(() => marksOf(kind.value ?? 'stationary-dual', parameters.value))
  const whole = computed(() => state.value.marks.filter((m) => m.ending === 'complete' && m.by === 'probe'))
  const rate = computed(() => rackRate(state.value, now()))
  const outlook = computed(() => rinseOutlook(state.value, limits.value.rinse))
  const detergent = computed(() => {
    const tank = tankOf(parameters.value)
    const setPoint = parameters.value['conductivity']
    if (!tank || setPoint === undefined) return 'cannot-tell' as const
    return doseState(
      tank,
      setPoint,
      whole.value.map((m) => m.conductivity),
    )
  })
  return {
    station,
    state,
    kind,
    limits,
    rate,
    rated: computed(() => parameters.value['racksAnHour'] ?? null),
    outlook,
    detergent,
    advice: computed(() => adviceOf(state.value, now())),
    doubt: computed(() => inDoubt(state.value)),
    last: computed(() => state.value.marks.findLast((m) => m.verdict !== null) ?? null),
    /** Whether anything was ever streamed from it. */
    streams: computed(() => state.value.marks.some((m) => m.by === 'probe')),
    water: computed(() => {
      const every = parameters.value['waterRacks']
      const { racks } = state.value.since.water
      return every === undefined ? null : { every, ...countForecast(state.value, racks, every, now()) }
    }),
    delime: computed(() => {
      const duty = station.value?.plate?.duties.find(
        (d) => d.trigger.kind === 'count' && d.trigger.of === 'racks',
      )
      const every = duty?.trigger.kind === 'count' ? duty.trigger.every : null
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
      }),
    ),
  }
}

export type Dish = ReturnType<typeof useDish>
