import {
  celsius,
  interval,
  showDifference,
  showHardness,
  showMeasured,
  showPressure,
  showRead,
  showTemperature,
  showVolume,
  toFahrenheit,
  typedUnit,
  type Interval,
  type Kept,
  type Shown,
} from '@tadka/core/quantity'
import { showLimit, showPressureLimit } from '@tadka/core/rules'
import { computed } from 'vue'
import { useUnitSystem } from './unit-system.ts'

const said = ({ value, unit }: Shown) => `${value} ${unit}`

/** Quantities as this site writes them: metric or US. What is not known is a dash. */
export function useUnits() {
  const { system, isUs } = useUnitSystem()
  const inDegrees = (at: number): number => (isUs.value ? toFahrenheit(celsius(at)) : at)
  const orDash =
    (show: (value: number, in_: 'metric' | 'us') => Shown) =>
    (value: number | null): string =>
      value === null ? '–' : said(show(value, system.value))
  return {
    system,
    degree: computed(() => (isUs.value ? ('°F' as const) : ('°C' as const))),
    /** Number of a temperature in the site's degrees, for a chart's axis. @param at °C. */
    inDegrees,
    /** A reading's span in the site's degrees. @param read °C. */
    spanInDegrees: ({ lo, hi }: Interval): Interval =>
      interval(lo === null ? null : inDegrees(lo), hi === null ? null : inDegrees(hi)),
    /** In whole °F, or °C to a tenth. @param at °C. */
    temperature: orDash(showTemperature),
    /** As a probe reads it, to a tenth. @param at °C. */
    read: orDash(showRead),
    /** The number alone of what a probe reads. @param at °C. */
    readNumber: (at: number | null): string => (at === null ? '–' : showRead(at, system.value).value),
    /** By how much it changed. @param by °C. */
    difference: (by: number, digits = 1): string => said(showDifference(by, system.value, digits)),
    /** As the code pairs it. @param at °C. */
    limit: (at: number): string => said(showLimit(at, system.value)),
    /** @param at kPa. */
    pressure: orDash(showPressure),
    pressureUnit: computed(() => showPressure(0, system.value).unit),
    pressureNumber: (at: number | null): string => (at === null ? '–' : showPressure(at, system.value).value),
    /** As the code pairs it; the number alone. @param at kPa. */
    pressureLimit: (at: number): string => showPressureLimit(at, system.value).value,
    /** As it was measured out: what was poured is not rounded to look well. @param mL millilitres. */
    measured: (mL: number): string => said(showMeasured(mL, system.value)),
    /** @param mL millilitres. */
    volume: (mL: number): string => said(showVolume(mL, system.value)),
    /** What people here type a quantity in. @param what by the unit that it is kept in. */
    typed: (what: Kept) => typedUnit(what, system.value),
    /** @param mgPerL as CaCO3. */
    hardness: (mgPerL: number): string => said(showHardness(mgPerL, system.value)),
  }
}
