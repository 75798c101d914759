import type { Reported } from './gateway.ts'

/** An ice machine's panel: counts the ice cycles, and lights its lamp when it wants to be cleaned. Invented. */
export interface IcePanel {
  /** So many seconds on; what it reports of them. */
  readonly run: (seconds: number) => Reported[]
  /** Cleaned: the lamp goes out. */
  readonly cleaned: () => void
}

/** Seconds of one harvest after another, cycles to a clean, and seconds from one report of the count to the next. */
export interface IcePanelSettings {
  readonly harvest: number
  readonly cleanEvery: number
  readonly tellEvery: number
}

export const demoPanelSettings: IcePanelSettings = { harvest: 1080, cleanEvery: 14_000, tellEvery: 3600 }

/** @param begin cycles that it had counted at power-up. */
export function icePanel(begin: number, settings: IcePanelSettings = demoPanelSettings): IcePanel {
  const { harvest, cleanEvery, tellEvery } = settings
  let [second, since, lit] = [0, begin % cleanEvery, false]
  let total = begin
  return {
    run(seconds) {
      const events: Reported[] = []
      for (let i = 0; i < seconds; i++) {
        second++
        if (second % harvest === 0) {
          total++
          since++
        }
        if (!lit && since >= cleanEvery) {
          lit = true
          events.push({ what: 'clean-light', at: second, on: true })
        }
        if (second % tellEvery === 0) events.push({ what: 'cycles', at: second, total })
      }
      return events
    },
    cleaned: () => ([since, lit] = [0, false]),
  }
}
