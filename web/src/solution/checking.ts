import { interval, millilitres, type Interval } from '@tadka/core/quantity'
import { sanitizerChecked, type Place, type ProductUse, type ReadingTaken } from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import { stripFit, type StripPick } from '@tadka/core/rules'
import { correct, type Correction } from '@tadka/core/solution'
import { useStorage } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import { useKit, type Product } from '../house/kit.ts'
import { rightNow } from '../wire/clock.ts'

export interface Checked {
  readonly product: Product
  readonly use: ProductUse
  /** Volume and capacity of the bath, mL; null where it is not known. */
  readonly bath: { readonly id: string | null; readonly volume: number; readonly capacity: number } | null
}

const number = (text: string): number | null => (text.trim() === '' ? null : Number(text.replace(',', '.')))

/** One sanitizer check as it is entered: the fields, the verdict as one types, and the way back into the band. */
export function useChecking(what: Ref<Checked>, place: () => Place) {
  const kit = useKit()
  const pick = ref<StripPick | null>(null)
  const phPick = ref<StripPick | null>(null)
  /** Drops counted, where a titration kit is used in the place of a strip. */
  const drops = ref('')
  const byDrops = ref(false)
  const temperature = ref('')
  /** Measured once a day and kept, mg/L. */
  const hardness = useStorage('tadka.hardness', '')
  const thermometerId = useStorage('tadka.thermometer', '')

  const titration = computed(() => kit.titrationFor(what.value.product.agent))
  const strip = computed(() => kit.stripFor(what.value.product.agent))
  const phStrip = computed(() =>
    what.value.product.agent === 'chlorine' || what.value.product.agent === 'iodine'
      ? kit.phStrip.value
      : null,
  )
  const needsHardness = computed(() => what.value.product.agent === 'quat')
  const thermometer = computed(
    () =>
      kit.thermometers.value.find((t) => t.id === thermometerId.value) ?? kit.thermometers.value[0] ?? null,
  )
  const faults = computed(() => ({
    temperature: faultIn(temperature.value),
    hardness: needsHardness.value ? faultIn(hardness.value) : '',
    drops: faultIn(drops.value),
  }))

  const result = computed<{ taken: ReadingTaken | null; refusal: Refusal | null }>(() => {
    const t = faults.value.temperature ? null : number(temperature.value)
    const h = needsHardness.value && !faults.value.hardness ? number(hardness.value) : null
    const counted = faults.value.drops ? null : number(drops.value)
    const viaKit = byDrops.value && titration.value
    const entry = {
      strength: viaKit
        ? counted === null
          ? null
          : { kit: viaKit, drops: counted }
        : strip.value && pick.value
          ? { strip: strip.value, pick: pick.value }
          : null,
      ph: phStrip.value && phPick.value ? { strip: phStrip.value, pick: phPick.value } : null,
      temperature:
        t === null
          ? null
          : { value: t, unit: thermometer.value?.unit ?? ('°C' as const), instrument: thermometer.value },
      hardness: h,
    }
    const used = [
      entry.strength && (viaKit ? viaKit.id : strip.value?.id),
      entry.ph && phStrip.value?.id,
      t === null ? null : thermometer.value?.id,
    ]
    try {
      const ids = used.filter((id): id is string => typeof id === 'string')
      return {
        taken: sanitizerChecked(
          place(),
          what.value.product,
          what.value.use.id,
          entry,
          ids,
          rightNow(),
          kit.rulesAt(rightNow()),
        ),
        refusal: null,
      }
    } catch (error) {
      if (error instanceof Refusal) return { taken: null, refusal: error }
      throw error
    }
  })

  const reading = computed<Interval | null>(() =>
    result.value.taken?.what === 'sanitizer' ? result.value.taken.reading.strength : null,
  )

  const correction = computed<Correction | null>(() => adviceFor(what.value, reading.value, kit.tools.value))

  function clear(): void {
    pick.value = null
    drops.value = ''
  }

  return {
    pick,
    drops,
    byDrops,
    titration,
    entered: computed(() => (byDrops.value ? drops.value.trim() !== '' : pick.value !== null)),
    stripFits: computed(() =>
      strip.value && what.value.use.range && !byDrops.value
        ? stripFit(strip.value, interval(what.value.use.range.lo, what.value.use.range.hi)).canShow
        : true,
    ),
    phPick,
    temperature,
    hardness,
    thermometerId,
    strip,
    phStrip,
    needsHardness,
    thermometer,
    thermometers: kit.thermometers,
    faults,
    result,
    reading,
    correction,
    clear,
  }
}

function faultIn(text: string): '' | 'notNumber' | 'negative' {
  const value = number(text)
  if (value === null) return ''
  if (!Number.isFinite(value)) return 'notNumber'
  return value < 0 ? 'negative' : ''
}

/** The move that brings a bath back, measured in the finest tool at hand; null where there is nothing to correct by. */
export function adviceFor(
  { product, use, bath }: Checked,
  reading: Interval | null,
  tools: readonly Parameters<typeof correct>[3][],
): Correction | null {
  const tool = tools.toSorted((a, b) => a.graduation - b.graduation)[0]
  if (!reading || !bath || !use.range || !tool || product.supply.kind !== 'strength') return null
  const { volume, capacity } = bath
  try {
    return correct(
      { volume: millilitres(volume), capacity: millilitres(capacity), reading },
      product.supply.stock,
      use.range,
      tool,
    )
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}
