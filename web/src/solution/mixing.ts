import { instant, millilitres } from '@tadka/core/quantity'
import { bathDue, type BathMixed } from '@tadka/core/bath'
import { mixesOf, proceduresOf } from '@tadka/core/procedure'
import type { StationSet } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import { aimedBand, aimedTarget, checkTarget } from '@tadka/core/rules'
import {
  concentrateWarnings,
  leftIn,
  mayPour,
  measureFor,
  vesselsOf,
  type InVessel,
  type Measured,
  type PourVerdict,
  type Vessel,
} from '@tadka/core/solution'
import { computed, ref, watch } from 'vue'
import { useKit, type Product } from '../site/kit.ts'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'
import { rightNow } from '../wire/clock.ts'
import { parseField } from '../pieces/field.ts'
import { useVolumeUnit } from '../site/volume-unit.ts'

export interface KnownVessel extends Vessel {
  /** The station and the use: a machine takes several solutions. */
  readonly key: string
  readonly station: string
  readonly name: string
}

/** A pail as most are, mL: in whole litres, or in whole gallons. */
const ownVessel = { L: { volume: 4000, holds: 10_000 }, gal: { volume: 3785.411784, holds: 11_356.235352 } }
/** °C of the chemical store; used for warnings alone. */
const storeWarmth = 21

/** A fresh mix as it is chosen: the vessel and what is in it, the product and use, the amount. */
export function useMixing() {
  const site = useSite()
  const kit = useKit()

  const known = (vesselsIn: (plate: StationSet) => Vessel[]) =>
    site.all('station').flatMap((s): KnownVessel[] => {
      const { plate } = s
      return plate
        ? vesselsIn(plate).map((v) => ({
            ...v,
            key: `${s.id} ${v.use} ${v.volume}`,
            station: s.id,
            name: plate.name,
          }))
        : []
    })
  const vessels = computed(() => known((plate) => vesselsOf(plate.family, plate.parameters)))
  /** Machines that a solution is mixed for, by what their procedures mix. */
  const machines = computed(() =>
    known((plate) => (isVessel(plate) ? [] : mixesOf(plate, proceduresOf(plate.family)))),
  )
  const isVessel = (plate: StationSet) => vesselsOf(plate.family, plate.parameters).length > 0
  const chosen = ref<string | null>(null)
  const vessel = computed(
    () => [...vessels.value, ...machines.value].find((v) => v.key === chosen.value) ?? null,
  )

  const choices = computed(() =>
    // What is mixed most comes first: what sanitizes, then the rest, by name.
    kit.products.value
      .toSorted((a, b) => Number(b.agent !== null) - Number(a.agent !== null) || a.name.localeCompare(b.name))
      .flatMap((product) => product.uses.map((use) => ({ key: `${product.id} ${use.id}`, product, use }))),
  )
  const key = ref<string | null>(null)
  const fitting = computed(() => choices.value.find((c) => c.use.id === vessel.value?.use))
  const choice = computed(() => choices.value.find((c) => c.key === key.value) ?? fitting.value ?? null)
  const { unit, typed, inMillilitres } = useVolumeUnit()
  const own = computed(() => ownVessel[unit.value])
  const amount = ref(typed(own.value.volume))
  const target = ref('')
  // The site's units may come after the page has opened.
  watch(unit, () => (amount.value = typed(vessel.value?.volume ?? own.value.volume)))
  const volume = computed(() => parseField(amount.value, { positive: true }))
  const aim = computed(() =>
    target.value.trim() === '' ? null : parseField(target.value, { positive: true }),
  )

  const schools = computed(() => site.set?.schools ?? {})
  const aimed = computed(() =>
    choice.value ? aimedBand(choice.value.product.agent, choice.value.use, schools.value) : null,
  )
  const labelTarget = computed(() => {
    const c = choice.value
    return c ? aimedTarget(c.product.agent, c.use, schools.value, kit.stripFor(c.product)) : null
  })

  /** Said by the person; until then what the records know. */
  const said = ref<InVessel | null>(null)
  const inside = computed<InVessel | null>(() => {
    if (said.value) return said.value
    if (!vessel.value) return null
    const last = site
      .all('bath')
      .filter((b) => b.station === vessel.value?.station)
      .toSorted((a, b) => b.mixedAt - a.mixedAt)[0]
    const lastClass = kit.products.value.find((p) => p.id === last?.product)?.chemicalClass ?? null
    return leftIn(site.one('station', vessel.value.station)?.facets.contents ?? null, lastClass)
  })
  const may = computed<PourVerdict | null>(() =>
    inside.value && choice.value ? mayPour(choice.value.product.chemicalClass, [inside.value]) : null,
  )

  const measured = computed<{ measured: Measured | null; refusal: Refusal | null }>(() => {
    const c = choice.value
    if (!c || volume.value.value === null || aim.value?.fault) return { measured: null, refusal: null }
    try {
      const use = { range: c.use.range, target: aim.value?.value ?? labelTarget.value }
      if (use.target !== null) checkTarget(c.product.agent, c.use, use.target)
      const total = millilitres(inMillilitres(volume.value.value) ?? 0)
      return {
        measured: measureFor(c.product.supply, use, total, kit.measuring(c.product.id)),
        refusal: null,
      }
    } catch (error) {
      if (error instanceof Refusal) return { measured: null, refusal: error }
      throw error
    }
  })

  function choose(key_: string | null): void {
    chosen.value = key_
    said.value = null
    key.value = null
    target.value = ''
    amount.value = typed(vessel.value?.volume ?? own.value.volume)
  }

  const warnings = (product: Product) =>
    concentrateWarnings(
      {
        openedAt: product.container ? instant(product.container.openedAt) : null,
        bestBefore: product.container?.bestBefore ? instant(product.container.bestBefore) : null,
        daysOnceOpen: product.container?.daysOnceOpen ?? null,
      },
      product.chemicalClass === 'hypochlorite',
      storeWarmth,
      rightNow(),
    )

  /** Writes the bath down; returns what its container's label says. */
  function keep(kept: Pick<BathMixed, 'poured' | 'tool' | 'measured'>, total: number, where: string) {
    const c = choice.value
    if (!c) return null
    const id = newId()
    const mixed: BathMixed = {
      bath: id,
      where,
      station: vessel.value?.station ?? null,
      run: null,
      product: c.product.id,
      use: c.use.id,
      productName: c.product.name,
      volume: total,
      ...kept,
      target: aim.value?.value ?? labelTarget.value,
      capacity: vessel.value?.holds ?? Math.max(total, own.value.holds),
    }
    const draft = site.record('bath.mixed@1', { kind: 'bath', id }, mixed)
    const due = bathDue({ mixedAt: draft.observedAt, lastReading: null }, site.set?.bath)
    return { ...mixed, mixedAt: draft.observedAt, by: draft.by, useBy: due.useBy }
  }

  return {
    vessels,
    machines,
    vessel,
    chosen,
    choose,
    choices,
    choice,
    key,
    amount,
    unit,
    total: computed(() => inMillilitres(volume.value.value) ?? 0),
    target,
    volume,
    aim,
    aimed,
    labelTarget,
    said,
    inside,
    may,
    measured,
    warnings,
    keep,
  }
}
