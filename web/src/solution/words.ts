import { showVolume, type UnitSystem } from '@tadka/core/quantity'

/** A volume in the site's units: "3.8 L". @param mL millilitres. */
export function volumeWords(mL: number, units: UnitSystem | undefined): string {
  const shown = showVolume(mL, units ?? 'metric')
  return `${shown.value} ${shown.unit}`
}
