import {
  heatFieldsOf,
  judge,
  namedOn,
  taken as takenOf,
  washLabel,
  type HeatField,
  type HeatWhat,
  type Place,
  type ReadingTaken,
} from '@tadka/core/reading'
import { anyTcs, coldStore } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import { kindOf } from '@tadka/core/warewash'
import { computed, ref, toRef } from 'vue'
import { useKit } from '../site/kit.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { rightNow } from '../wire/clock.ts'
import { faultIn } from '../pieces/field.ts'
import { emptyFields, fieldsRead, kindOfField, readTyped, type Typed } from './heat.ts'
import { useReadOn } from './read-on.ts'

export interface HeatAsked {
  readonly what: HeatWhat
  readonly recheckOf: string | null
  /** Where the reading that is rechecked was taken. */
  readonly recheckAt?: string | null | undefined
  /** The step of a run that it belongs to; without one the person says where. */
  readonly place?: Place | undefined
}

/** One check of heat as it is typed: where, on what, the numbers, and what they come to. @param named a station that the address names. */
export function useHeatChecking(asked: HeatAsked, named: string | null) {
  const site = useSite()
  const kit = useKit()

  const stations = computed(() => {
    const all = site.all('station').filter((s) => s.plate !== null)
    if (asked.what === 'dish-machine') return all.filter((s) => kindOf(s.plate?.family ?? '') !== null)
    // Washing and sanitizing by hand is done at a sink, where the site has one.
    const sinks = all.filter((s) => s.plate?.family === 'sink')
    const byHand = asked.what === 'wash-water' || asked.what === 'hot-water'
    return byHand && sinks.length > 0 ? sinks : all
  })
  /** Nothing stands here until somebody chose it: it decides where the reading is filed. */
  const stationId = ref<string | null>(named ?? asked.recheckAt ?? null)
  const station = computed(
    () => stations.value.find((s) => s.id === (asked.place?.station ?? stationId.value)) ?? null,
  )
  /** A dish machine's limits hang on its kind: until it is chosen there is nothing to type. */
  const kind = computed(() => kindOf(station.value?.plate?.family ?? ''))
  const known = computed(() => asked.what !== 'dish-machine' || kind.value !== null)

  const fields = ref<Record<HeatField, string>>({ ...emptyFields })
  const turned = ref<boolean | null>(null)
  const kept = ref<Typed['kept']>('room')
  const shown = computed(() =>
    known.value ? heatFieldsOf(asked.what, kind.value ?? 'stationary-dual', kept.value) : [],
  )
  const readOn = useReadOn(
    toRef(() => asked.what),
    computed(() => station.value?.id ?? null),
  )
  const { isUs: us } = useUnitSystem()
  const units = computed<Typed['units']>(() => ({
    temperature: us.value ? '°F' : '°C',
    pressure: us.value ? 'psi' : 'kPa',
  }))
  function unit(name: HeatField): string {
    if (name === 'seconds') return 's'
    if (name === 'hours') return 'h'
    const on = readOn.chosen(name)
    if (name === 'pressure') return on?.unit ?? units.value.pressure
    return on?.unit ?? units.value.temperature
  }
  const fault = (name: HeatField) => faultIn(fields.value[name], kindOfField(name, asked.what), unit(name))
  /** Thermometers that failed in melting ice, of those that are read on. */
  const failed = computed(() => {
    const names = shown.value.flatMap((name) => {
      const on = readOn.chosen(name)
      return on?.kind === 'thermometer' && on.failed ? [on.name] : []
    })
    return [...new Set(names)]
  })

  const typed = computed<Typed>(() => ({
    fields: fields.value,
    on: Object.fromEntries(shown.value.flatMap((f) => (readOn.chosen(f) ? [[f, readOn.chosen(f)]] : []))),
    turned: turned.value,
    kind: kind.value ?? 'stationary-dual',
    kept: kept.value,
    units: units.value,
    plate: station.value?.plate?.parameters ?? null,
    schools: site.set?.schools ?? {},
    label: washLabel(kit.products.value, site.set?.schools ?? {}),
    isStore: station.value?.plate?.family === coldStore,
    notTcs: !anyTcs((station.value?.holds?.mixes ?? []).map((id) => site.one('mix', id))),
  }))
  const touched = computed(() => (known.value ? fieldsRead(asked.what, typed.value) : []))
  const sound = computed(() => shown.value.every((name) => fault(name) === null))
  const read = computed(() => {
    if (touched.value.length === 0 || !sound.value) return { read: null, refusal: null }
    try {
      return { read: readTyped(asked.what, typed.value, rightNow()), refusal: null }
    } catch (error) {
      if (error instanceof Refusal) return { read: null, refusal: error }
      throw error
    }
  })
  const judgement = computed(() => (read.value.read ? judge(read.value.read, kit.rulesAt(rightNow())) : null))
  /** Whether a number was typed that no instrument was named for. */
  const unnamed = computed(() =>
    touched.value.some((f) => f !== 'seconds' && f !== 'hours' && !readOn.chosen(f)),
  )

  /** Puts the reading in the log; null where there is none, or nobody said where it is. */
  function keep(): ReadingTaken | null {
    if (!read.value.read || !station.value) return null
    const place = asked.place ?? {
      station: station.value.id,
      run: null,
      step: null,
      bath: null,
      case: asked.recheckOf,
    }
    const by = namedOn(typed.value.on, touched.value)
    const payload = takenOf(
      readTyped(asked.what, typed.value, rightNow()),
      place,
      [...new Set(Object.values(by))],
      kit.rulesAt(rightNow()),
      by,
    )
    const { run } = place
    site.record(
      'reading.taken@1',
      run ? { kind: 'run', id: run } : { kind: 'station', id: station.value.id },
      payload,
    )
    fields.value = { ...emptyFields }
    turned.value = null
    return payload
  }

  return {
    stations,
    station,
    stationId,
    fields,
    turned,
    kept,
    shown,
    readOn,
    unit,
    fault,
    failed,
    read,
    judgement,
    unnamed,
    keep,
  }
}
