import type { Interval } from '../quantity/index.ts'
import type {
  DishMachineReading,
  JudgedTemperature,
  Judgement,
  LocalRule,
  SanitizerReading,
  StripPick,
  UtensilsReading,
} from '../rules/index.ts'

/** Drops of a titration kit. */
export interface Drops {
  readonly drops: number
}

interface ReadingPlace {
  readonly station: string | null
  readonly run: string | null
  /** The step's key in its run. */
  readonly step: string | null
  readonly bath: string | null
  /** The corrective case that this reading rechecks. */
  readonly case: string | null
}

/** A reading, the limits in force and the verdict that the person was shown. */
export type ReadingTaken = ReadingPlace & {
  readonly judgement: Judgement
  readonly instruments: readonly string[]
  /** Which instrument each number was read on, by the field's name; a field left out was read on one that nobody entered. */
  readonly by?: Readonly<Record<string, string>> | undefined
  /** The local rules that were in force and were laid over the verdict; absent where there were none. */
  readonly local?: readonly LocalRule[]
} & (
    | {
        readonly what: 'sanitizer'
        readonly product: string | null
        /** The label's use that it is judged by; absent in records of before it was written down. */
        readonly use?: string | undefined
        /** Read at the rack of the station, a dish machine that sanitizes by it; absent for a bath. */
        readonly atRack?: true
        readonly reading: SanitizerReading
        /** As it was read off the strips. */
        readonly picks: {
          readonly strength: StripPick | Drops | null
          readonly ph: StripPick | null
        }
      }
    | {
        readonly what: 'cold-product'
        readonly reading: {
          readonly unit: '°C' | '°F'
          readonly value: number
          readonly interval: Interval
          /** Every mix in it is stated by its maker not to need time and temperature control. */
          readonly notTcs?: true | undefined
          /** Read where food is kept: one that is cold again says nothing of what stood warm there. */
          readonly store?: true | undefined
        }
      }
    | { readonly what: 'utensils'; readonly reading: UtensilsReading }
    | { readonly what: 'dish-machine'; readonly reading: DishMachineReading }
    | {
        readonly what: 'hot-water'
        readonly reading: { readonly temperature: JudgedTemperature | null; readonly seconds: number | null }
      }
    | {
        readonly what: 'wash-water'
        readonly reading: {
          readonly temperature: JudgedTemperature | null
          readonly label: { readonly c: number; readonly f: number } | null
        }
      }
  )

/** What the site's own records make of a reading, where that is another than what was sent: it stands in its place. */
export interface JudgedReading {
  readonly reading: ReadingTaken['reading']
  readonly judgement: Judgement
  readonly local: readonly LocalRule[]
}
