import { foodStands, type FoodReading, type FoodStands, type FoodState } from '@tadka/core/food'
import { judgedTemperature } from '@tadka/core/reading'
import type { Payloads, RecordType } from '@tadka/core/stream'
import { computed, ref, toRef } from 'vue'
import { faultIn, numberIn } from '../pieces/field.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { useReadOn } from '../solution/read-on.ts'
import { nowByMinute, rightNow } from '../wire/clock.ts'

/** Food that came or was opened, what is to be done with each, and what is recorded of it. */
export function useFood() {
  const site = useSite()
  const { today } = useProcedures()
  const stands = (f: FoodState): FoodStands => foodStands(f, today.value, nowByMinute())
  const all = computed(() => site.all('food').map((food) => ({ food, stands: stands(food) })))
  const dayOf = (f: FoodState) => f.opened?.useBy ?? ''
  /** What is open, the first to go first. */
  const opened = computed(() =>
    all.value
      .filter((f) => f.food.opened && f.stands.is !== 'gone')
      .toSorted((a, b) => (dayOf(a.food) < dayOf(b.food) ? -1 : 1)),
  )
  /** What came warm by law and is not at 5 °C yet, or never was in time. */
  const cooling = computed(() =>
    all.value.filter(({ stands: s }) => s.is === 'cool' || (s.is === 'throw-out' && s.why === 'not-cooled')),
  )
  /** What came lately and is closed still. */
  const stored = computed(() => all.value.filter((f) => f.stands.is === 'stored').map((f) => f.food))
  const asking = computed(() => [
    ...cooling.value,
    ...opened.value.filter((f) => f.stands.is === 'throw-out' && f.stands.why === 'late'),
  ])
  const record = <T extends RecordType>(id: string, type: T, payload: Payloads[T]) =>
    site.record(type, { kind: 'food', id }, payload)
  const { isUs } = useUnitSystem()
  /** FDA Food Code 2022, 3-501.16(A)(2), as the site says it. */
  const limit = computed(() => (isUs.value ? '41 °F' : '5 °C'))
  return { opened, cooling, stored, asking, today, limit, record }
}

/** One temperature of food as it is typed: on which thermometer, and what is known of it by how that is trusted. */
export function useFoodTyped() {
  const { isUs } = useUnitSystem()
  const readOn = useReadOn(toRef('cold-product' as const), toRef(null))
  const typed = ref('')
  const probe = computed(() => {
    const on = readOn.chosen('product')
    return on?.kind === 'thermometer' ? on : null
  })
  const unit = computed(() => probe.value?.unit ?? (isUs.value ? '°F' : '°C'))
  const fault = computed(() => faultIn(typed.value, 'product', unit.value))
  const read = computed<FoodReading | null>(() => {
    const value = fault.value ? null : numberIn(typed.value, true)
    if (value === null) return null
    const judged = judgedTemperature(
      { value, unit: unit.value, thermometer: probe.value },
      rightNow(),
      'food',
    )
    return { unit: unit.value, value, interval: judged?.reading ?? { lo: null, hi: null } }
  })
  return { typed, unit, fault, read, readOn, on: computed(() => probe.value?.id ?? null) }
}
