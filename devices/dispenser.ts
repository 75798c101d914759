import type { Reported } from './gateway.ts'

/** The meter of a detergent dispenser: each rack draws a charge; what flowed is told every few minutes. Invented. */
export interface DispenserMeter {
  readonly rack: () => void
  /** So many seconds on; what it reports of them. */
  readonly run: (seconds: number) => Reported[]
  /** The drum is empty, or full again. */
  readonly empty: (is: boolean) => void
}

/** mL a rack, and seconds from one report to the next. */
export interface DispenserSettings {
  readonly charge: number
  readonly tellEvery: number
}

export const demoDispenser: DispenserSettings = { charge: 4, tellEvery: 600 }

/** @param random numbers from 0 to 1. */
export function dispenserMeter(
  random: () => number,
  { charge, tellEvery }: DispenserSettings = demoDispenser,
): DispenserMeter {
  let [second, drawn, isEmpty, worked] = [0, 0, false, false]
  return {
    rack() {
      worked = true
      if (!isEmpty) drawn += charge * (0.9 + 0.2 * random())
    },
    empty: (is) => (isEmpty = is),
    run(seconds) {
      const events: Reported[] = []
      for (let i = 0; i < seconds; i++) {
        second++
        if (second % tellEvery !== 0 || !worked) continue
        events.push({ what: 'drawn', at: second, millilitres: Math.round(drawn * 10) / 10 })
        ;[drawn, worked] = [0, false]
      }
      return events
    },
  }
}
