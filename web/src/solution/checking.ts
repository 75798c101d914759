import { decimals, interval, type Interval } from '@tadka/core/quantity'
import { bathDue, wayBack } from '@tadka/core/bath'
import { sanitizerChecked, type Place, type ReadingTaken } from '@tadka/core/reading'
import { type ProductUse } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import { stripFit, type StripPick } from '@tadka/core/rules'
import type { Correction } from '@tadka/core/solution'
import { useStorage } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import { faultIn, numberIn } from '../pieces/field.ts'
import { useUnits } from '../site/units.ts'
import { useKit, type Product } from '../site/kit.ts'
import { useSite } from '../site/site.ts'
import { rightNow } from '../wire/clock.ts'

export interface Checked {
  readonly product: Product
  readonly use: ProductUse
  /** Volume and capacity of the bath, mL; null where it is not known. */
  readonly bath: {
    readonly id: string | null
    readonly volume: number
    readonly capacity: number
    readonly mixedAt?: number
  } | null
  /** ppm that the machine's manual asks for; absent where it says nothing. */
  readonly asked?: Interval | null
}

/** One sanitizer check as it is entered: the fields, the verdict as one types, and the way back into the band. */
export function useChecking(what: Ref<Checked>, place: () => Place) {
  const kit = useKit()
  const site = useSite()
  const units = useUnits()
  const pick = ref<StripPick | null>(null)
  const phPick = ref<StripPick | null>(null)
  /** Drops counted, where a titration kit is used in the place of a strip. */
  const drops = ref('')
  const byDrops = ref(false)
  const temperature = ref('')
  /** As the site has it, until another number is typed: then that is what was measured now, mg/L. */
  const water = computed(() => site.set?.water ?? null)
  const typedHardness = ref<string | null>(null)
  const hardnessUnit = computed(() => units.typed('hardness'))
  const asTyped = computed(() =>
    water.value ? decimals(hardnessUnit.value.typed(water.value.hardness), 1) : '',
  )
  const hardness = computed({
    get: () => typedHardness.value ?? asTyped.value,
    set: (v: string) => (typedHardness.value = v),
  })
  const hardnessWith = ref(water.value?.with ?? '')
  /** A number that is another than the site's was measured now, with something. */
  const measured = computed(() => {
    const value = needsHardness.value && !faults.value.hardness ? numberIn(hardness.value) : null
    // What stands there unchanged is the site's own number, to its last digit.
    return value === null || hardness.value === asTyped.value ? null : hardnessUnit.value.kept(value)
  })
  const hardnessNow = computed(() => {
    if (hardness.value === asTyped.value) return water.value?.hardness ?? null
    const value = numberIn(hardness.value)
    return value === null ? null : hardnessUnit.value.kept(value)
  })
  const thermometerId = useStorage('tadka.thermometer', '')

  const titration = computed(() => kit.titrationFor(what.value.product))
  /** Strips that may be dipped into it, the one that is made for it first. */
  const strips = computed(() => kit.stripsFor(what.value.product))
  const stripId = ref<string | null>(null)
  const strip = computed(() => strips.value.find((s) => s.id === stripId.value) ?? strips.value[0] ?? null)
  const phStrip = computed(() =>
    what.value.product.agent === 'chlorine' || what.value.product.agent === 'iodine'
      ? kit.phStrip.value
      : null,
  )
  const needsHardness = computed(() => what.value.product.agent === 'quat')
  /** Probes that are carried about: a machine's own gauge reads no bath. */
  const thermometers = computed(() => kit.thermometers.value.filter((t) => t.station === undefined))
  const thermometer = computed(() => {
    const [only, second] = thermometers.value
    if (thermometerId.value === 'none') return null
    return thermometers.value.find((t) => t.id === thermometerId.value) ?? (second ? null : (only ?? null))
  })
  const unit = computed(() => thermometer.value?.unit ?? units.degree.value)
  const faults = computed(() => ({
    temperature: faultIn(temperature.value, 'water', unit.value),
    hardness: needsHardness.value ? faultIn(hardness.value, 'hardness', hardnessUnit.value.unit) : null,
    drops: faultIn(drops.value, 'drops', 'drops'),
  }))

  const result = computed<{ taken: ReadingTaken | null; refusal: Refusal | null }>(() => {
    const t = faults.value.temperature ? null : numberIn(temperature.value, true)
    const h = needsHardness.value && !faults.value.hardness ? hardnessNow.value : null
    const counted = faults.value.drops ? null : numberIn(drops.value)
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
      temperature: t === null ? null : { value: t, unit: unit.value, instrument: thermometer.value },
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
          { ...place(), asked: what.value.asked ?? null },
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

  const correction = computed<Correction | null>(() => {
    const { taken } = result.value
    const { product, bath } = what.value
    const wrong = bath ? { ...bath, spoiled: bathTooOld(bath) } : { volume: null, capacity: null }
    return taken ? wayBack(product, wrong, reading.value, taken.judgement, kit.measure.value) : null
  })
  const bathTooOld = (bath: NonNullable<Checked['bath']>) =>
    bath.mixedAt !== undefined &&
    rightNow() >= bathDue({ mixedAt: bath.mixedAt, lastReading: null }, site.set?.bath).useBy
      ? ('old' as const)
      : undefined

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
    hardnessUnit,
    water,
    hardnessWith,
    measured,
    thermometerId,
    strip,
    phStrip,
    needsHardness,
    thermometer,
    thermometers,
    strips,
    stripId,
    unit,
    faults,
    result,
    reading,
    correction,
    clear,
  }
}
