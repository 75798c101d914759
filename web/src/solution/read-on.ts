import type { HeatField, HeatInstrument, HeatWhat } from '@tadka/core/reading'
import { useStorage } from '@vueuse/core'
import type { Ref } from 'vue'
import { useKit } from '../site/kit.ts'

/** Fields that are read on a clock or a calendar. */
const timed: readonly HeatField[] = ['seconds', 'hours']

/**
 * Which instrument each number is read on: a machine's own gauge first, then the probes. What was last named at that place is named
 * again; where there is but one, it is that one; else the person says, or the reading is as wide as the code allows.
 */
export function useReadOn(what: Ref<HeatWhat>, station: Ref<string | null>) {
  const kit = useKit()
  const named = useStorage<Record<string, string>>('tadka.read-on', {})
  const key = (field: HeatField) => `${station.value ?? ''} ${what.value} ${field}`

  function candidates(field: HeatField): HeatInstrument[] {
    if (timed.includes(field)) return []
    const here = station.value
    if (field === 'pressure') return kit.pressureGauges.value.filter((g) => g.station === here)
    const probes = kit.thermometers.value
    const own = field === 'product' ? [] : probes.filter((p) => p.station !== undefined && p.station === here)
    const loose = probes.filter((p) => p.station === undefined)
    return field === 'surface' ? [...kit.indicators.value, ...loose] : [...own, ...loose]
  }
  function chosen(field: HeatField): HeatInstrument | undefined {
    const all = candidates(field)
    const before = named.value[key(field)]
    if (before === 'none') return undefined
    return all.find((i) => i.id === before) ?? (all.length === 1 || isOwn(all[0]) ? all[0] : undefined)
  }
  const isOwn = (i: HeatInstrument | undefined) => i?.kind === 'thermometer' && i.station !== undefined
  const choose = (field: HeatField, id: string) => (named.value = { ...named.value, [key(field)]: id })

  return { candidates, chosen, choose }
}
