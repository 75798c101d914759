import { millilitres, volumeFrom, volumeIn } from '@tadka/core/quantity'
import { computed } from 'vue'
import { useUnitSystem } from './unit-system.ts'

/** The unit that a bath's volume is typed in on this site, and the way there and back. */
export function useVolumeUnit() {
  const { isUs } = useUnitSystem()
  const unit = computed(() => (isUs.value ? ('gal' as const) : ('L' as const)))
  return {
    unit,
    /** As it stands in a field. @param mL millilitres. */
    typed: (mL: number) => String(Number(volumeIn(millilitres(mL), unit.value).toFixed(2))),
    /** Millilitres; null stays null. */
    inMillilitres: (value: number | null) => (value === null ? null : volumeFrom(value, unit.value)),
  }
}
