import type { Interval } from '@tadka/core/quantity'
import { useSpanWords } from '../pieces/span-words.ts'
import { judge, labelOf } from '@tadka/core/reading'
import { meetsInBath, useOfBath, wayBack } from '@tadka/core/bath'
import { type ProductUse } from '@tadka/core/house'
import type { Bath } from '@tadka/core/solution'
import { computed, ref } from 'vue'
import { useKit, type Product } from '../site/kit.ts'
import { useSite } from '../site/site.ts'
import { now, rightNow } from '../wire/clock.ts'
import { useBaths, type StandingBath } from './baths.ts'
import { parseField } from '../pieces/field.ts'
import { useVolumeUnit } from '../site/volume-unit.ts'

export const correctFields = ['from', 'to', 'volume', 'holds'] as const
export type CorrectField = (typeof correctFields)[number]

/** What a person says got into a bath beside the product. */
export const gotIn = ['nothing', 'detergent', 'soiled'] as const

const blank: Record<CorrectField, string> = { from: '', to: '', volume: '', holds: '' }

/**
 * A bath that reads wrong. One that stands has its own product and use, which nobody chooses here; another is told what it is made
 * of. What the reading leaves open stays open, and a volume that is not typed is not known.
 */
export function useCorrecting() {
  const span = useSpanWords()
  const site = useSite()
  const kit = useKit()
  const baths = useBaths()

  const bathId = ref<string | null>(null)
  const productKey = ref<string | null>(null)
  const typed = ref({ ...blank })
  /** "So much or more": its upper end is not known. */
  const orMore = ref(false)
  const inIt = ref<(typeof gotIn)[number]>('nothing')

  const { unit: volumeUnit, typed: typedVolume, inMillilitres } = useVolumeUnit()

  const choices = computed(() =>
    kit.products.value.flatMap((product) =>
      product.uses
        .filter((u) => u.range)
        .map((use) => ({
          value: `${product.id} ${use.id}`,
          label: `${product.name}: ${use.name}`,
          product,
          use,
        })),
    ),
  )
  const bath = computed(() => baths.value.find((b) => b.id === bathId.value) ?? null)
  const made = computed<{ product: Product; use: ProductUse } | null>(() => {
    if (!bath.value) return choices.value.find((c) => c.value === productKey.value) ?? null
    const product = kit.products.value.find((p) => p.id === bath.value?.product) ?? null
    const use = useOfBath(bath.value, product)
    return product && use ? { product, use } : null
  })

  function take(b: StandingBath): void {
    bathId.value = b.id
    const strength = b.lastReading?.strength ?? null
    orMore.value = strength !== null && strength.hi === null
    typed.value = {
      from: strength ? String(strength.lo ?? 0) : '',
      to: strength?.hi === null || !strength ? '' : String(strength.hi),
      volume: typedVolume(b.volume),
      holds: typedVolume(b.capacity),
    }
    inIt.value = 'nothing'
  }
  function another(): void {
    bathId.value = null
    orMore.value = false
    typed.value = { ...blank }
    inIt.value = 'nothing'
  }

  const optional = (text: string) =>
    text.trim() === '' ? { value: null, fault: null } : parseField(text, { positive: true })
  const parsed = computed(() => ({
    from: parseField(typed.value.from),
    to: parseField(typed.value.to === '' ? typed.value.from : typed.value.to),
    volume: optional(typed.value.volume),
    holds: optional(typed.value.holds),
  }))
  /** The key of what is wrong with a field, among the Bench's words. */
  function faultOf(name: CorrectField): string | null {
    const p = parsed.value
    if (typed.value.from === '' && (name === 'from' || name === 'to')) return null
    if (name === 'to' && orMore.value) return null
    if (p[name].fault) return p[name].fault
    if (name === 'to' && (p.to.value ?? 0) < (p.from.value ?? 0)) return 'fieldOrder'
    const over = p.holds.value !== null && p.volume.value !== null && p.holds.value < p.volume.value
    return name === 'holds' && over ? 'fieldOver' : null
  }
  const reading = computed<Interval | null>(() => {
    const sound = correctFields.every((n) => faultOf(n) === null)
    if (!sound || parsed.value.from.value === null) return null
    return { lo: parsed.value.from.value, hi: orMore.value ? null : parsed.value.to.value }
  })

  const clash = computed(() => {
    const station = bath.value?.station
    const contents = station ? (site.one('station', station)?.facets.contents ?? null) : null
    return made.value && bath.value ? meetsInBath(made.value.product, contents) : null
  })
  const spoiled = computed<Bath['spoiled']>(() => {
    if (inIt.value !== 'nothing') return inIt.value
    return bath.value && now() >= bath.value.due.useBy ? 'old' : undefined
  })
  const judgement = computed(() => {
    const m = made.value
    if (!m || !reading.value) return null
    const read = {
      agent: m.product.agent ?? ('other' as const),
      strength: reading.value,
      temperature: null,
      ph: null,
      hardness: null,
      label: labelOf(m.product, m.use.id),
    }
    return judge({ what: 'sanitizer', reading: read }, kit.rulesAt(rightNow()))
  })
  const advice = computed(() => {
    const [m, j] = [made.value, judgement.value]
    if (!m || !j || clash.value) return null
    const wrong = {
      volume: inMillilitres(parsed.value.volume.value),
      capacity: inMillilitres(parsed.value.holds.value),
      spoiled: spoiled.value,
    }
    return wayBack(m.product, wrong, reading.value, j, kit.measure.value)
  })
  const readingOf = (b: StandingBath) =>
    b.lastReading?.strength ? span(b.lastReading.strength, 'ppm') : null

  return {
    baths,
    bath,
    take,
    another,
    choices,
    productKey,
    made,
    typed,
    orMore,
    inIt,
    faultOf,
    volumeUnit,
    clash,
    judgement,
    advice,
    readingOf,
  }
}
