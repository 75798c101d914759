import type { Place, Procedure } from '../procedure/language.ts'
import type { ChemicalClass, Dispenser, MeasuringTool, Scale, Supply } from '../solution/index.ts'
import type { Agent, LocalRule } from '../rules/index.ts'

/** Local wall-clock time, "HH:MM"; a close after midnight belongs to the evening before and is written past 24:00, "24:30". */
export type LocalTime = string

export interface TradingHours {
  readonly open: LocalTime
  readonly close: LocalTime
}

export interface Sailing {
  readonly departs: LocalTime
  /** ISO weekdays, 1 is Monday. */
  readonly days: readonly number[]
  /** How many it brings to the counters, 1 being an ordinary rush. */
  readonly load: number
}

export interface SiteSet {
  readonly name: string
  readonly timeZone: string
  /** ISO 3166-1 alpha-2: dates are written as they are there; absent where nobody has said. */
  readonly country?: string | undefined
  /** By ISO weekday "1" to "7"; a day left out is closed. */
  readonly hours: Readonly<Record<string, TradingHours>>
  /** ISO dates on which the site does not trade. */
  readonly closedDays: readonly string[]
  readonly sailings: readonly Sailing[]
  readonly units: 'metric' | 'us'
  /** Hours after which a sanitized machine is sanitized again before use. */
  readonly freshHours: number
  readonly emergencyNumber: string
  /** Whom to call when a machine is stopped. */
  readonly contacts?: readonly Contact[]
  /** What the site chose where the trade's schools differ, question by question. */
  readonly schools?: Readonly<Record<string, string>>
  /** Hours after which a bath is tested again, and after which it is changed; the trade says every 2 to 4 h. */
  readonly bath?: { readonly testHours: number; readonly changeHours: number }
  /** Who must stay where while it trades. */
  readonly counters?: readonly Counter[]
  /** How many there are of each shared place or thing; one left out is plenty. */
  readonly shared?: Readonly<Partial<Record<Place, number>>>
  /** Stations of which at most so many may be down at once. */
  readonly keepUp?: readonly { readonly stations: readonly string[]; readonly mostDown: number }[]
  /** Stations that are closed down after all others: the dish machine. */
  readonly lastOfAll?: readonly string[]
}

export const contactKinds = ['technician', 'manager', 'supplier', 'poison'] as const

/** Somebody to call. */
export interface Contact {
  readonly kind: (typeof contactKinds)[number]
  readonly name: string
  readonly phone: string
}

export interface Counter {
  readonly id: string
  readonly name: string
  /** People who stay at it while it trades, in quiet hours and in a rush. */
  readonly quiet: number
  readonly rush: number
}

/** Who works on one trading day, from when to when. */
export interface RosterSet {
  /** ISO date of the trading day. */
  readonly day: string
  readonly shifts: readonly RosterShift[]
}

export interface RosterShift {
  readonly person: string
  readonly from: LocalTime
  readonly to: LocalTime
  /** A break of so many minutes, begun between these. */
  readonly breaks: readonly {
    readonly minutes: number
    readonly earliest: LocalTime
    readonly latest: LocalTime
  }[]
  /** Reported sick, or not come. */
  readonly away?: boolean
}

/** What a person is signed off for, by procedure or by family of machines, and where they serve. */
export interface CrewSet {
  readonly signedOff: readonly string[]
  readonly learning: readonly string[]
  /** Counters by id. */
  readonly serves: readonly string[]
  readonly home: string | null
}

export type Counted = 'racks' | 'shots' | 'litres' | 'cycles'

/** What makes a duty fall due. */
export type Trigger =
  | { readonly kind: 'each-close' }
  | { readonly kind: 'each-open' }
  /**
   * So many hours after it was last done. `in-use` counts from opening where it was done before; `clock` counts through the night.
   * `room`: by the temperature of the refrigerated room, as the code's table has it.
   */
  | { readonly kind: 'hours'; readonly hours: number | 'room'; readonly counts: 'in-use' | 'clock' }
  /** At the close of one weekday, 1 is Monday; at the next trading day's where the site is closed then. */
  | { readonly kind: 'weekly'; readonly day: number }
  /** Months from when it was last done. */
  | { readonly kind: 'months'; readonly months: number }
  | { readonly kind: 'count'; readonly of: Counted; readonly every: number }
  /** When somebody saw it: "scale", "grease grey". */
  | { readonly kind: 'sign'; readonly sign: string }
  /** When something is expected to cross its limit: a bath, a rinse temperature. */
  | { readonly kind: 'predicted'; readonly what: string }
  /** With another procedure of the same station. */
  | { readonly kind: 'linked'; readonly to: string }

export interface StationDuty {
  readonly procedure: string
  readonly trigger: Trigger
  /** Where the duty comes from: a code section, the manual, the site's own target. */
  readonly rule: string
}

export interface StationSet {
  readonly name: string
  /** A short number on its tag, for finding it. */
  readonly tag: string
  readonly place: string
  readonly family: string
  readonly model: string
  /** The data plate's numbers that procedures take: volumes in mL, times in minutes, counts. */
  readonly parameters: Readonly<Record<string, number>>
  readonly duties: readonly StationDuty[]
  /** What this model or site chose of its procedures' options. */
  readonly options?: Readonly<Record<string, string>>
  /** When it must be up: in the rushes, or as long as the site trades. */
  readonly up?: 'rush' | 'trading'
  /** Its numbers are those of a typical model: nobody has compared them with its own plate yet. */
  readonly typical?: true
  /** It stands here no more; what was done on it stays. */
  readonly retired?: true
}

/** One use that a label names. A detergent names a dose and no strength: then `range` and `target` are null. */
export interface ProductUse {
  readonly id: string
  readonly name: string
  /** ppm. */
  readonly range: { readonly lo: number; readonly hi: number } | null
  /** ppm aimed at, inside the range. */
  readonly target: number | null
  readonly temperature: { readonly c: number; readonly f: number } | null
  /** mg/L as CaCO3. */
  readonly hardestWater: number | null
  readonly contactSeconds: number | null
  readonly rinseAfter: boolean
  /** By its label one and the same agent washes and sanitizes (4-501.115); absent where nobody has entered it. */
  readonly alsoWashes?: boolean
}

export interface ProductSet {
  readonly name: string
  readonly purpose: string
  readonly chemicalClass: ChemicalClass
  readonly agent: Agent | null
  readonly supply: Supply
  readonly uses: readonly ProductUse[]
  readonly ppe: readonly string[]
  readonly firstAid: string
  /** What its label says it must never meet; null: nobody has entered it, which is not the same as nothing. */
  readonly neverWith: readonly ChemicalClass[] | null
}

export type InstrumentSet =
  | {
      readonly kind: 'strip'
      readonly name: string
      readonly unit: 'ppm' | 'pH'
      readonly agent: Agent | null
      readonly blocks: readonly number[]
      readonly colours: readonly string[]
      readonly bestBefore: number
      /** Products that it is made for; absent: any with its agent. */
      readonly madeFor?: readonly string[] | undefined
    }
  | {
      readonly kind: 'thermometer'
      readonly name: string
      readonly unit: '°C' | '°F'
      readonly accuracy: number
      readonly checkDue: number
      /** The station whose own gauge it is; absent: a probe that goes anywhere. */
      readonly station?: string | undefined
    }
  | {
      /** The gauge beside a dish machine's rinse valve. */
      readonly kind: 'pressure-gauge'
      readonly name: string
      readonly unit: 'kPa' | 'psi'
      /** In its own unit, either way. */
      readonly accuracy: number
      readonly checkDue: number
      readonly station: string
    }
  | {
      /** A label that turns for good at one temperature: run through a machine on the ware. */
      readonly kind: 'indicator'
      readonly name: string
      readonly unit: '°C' | '°F'
      readonly turnsAt: number
      readonly bestBefore: number
    }
  | {
      readonly kind: 'titration'
      readonly name: string
      readonly agent: Agent
      /** ppm a drop. */
      readonly perDrop: number
      readonly bestBefore: number
      readonly madeFor?: readonly string[] | undefined
    }
  | ({ readonly kind: 'tool' } & MeasuringTool)
  | ({ readonly kind: 'scale' } & Scale)
  /** `product`: what is in it. */
  | ({ readonly kind: 'dispenser'; readonly product: string } & Dispenser)

/** How hard the water is. */
export interface HardnessMeasured {
  /** mg/L as CaCO3. */
  readonly hardness: number
  /** What it was measured with: a strip, a kit, the waterworks' letter. */
  readonly with: string
}

/** A container was opened. Dates are milliseconds UTC. */
export interface ConcentrateOpened {
  readonly product: string
  readonly openedAt: number
  readonly bestBefore: number | null
  readonly daysOnceOpen: number | null
  /** mL in it when it was opened; absent where nobody said. */
  readonly holds?: number
}

/** A meter counted what was drawn from a container. */
export interface ConcentrateDrawn {
  readonly product: string
  /** The machine that it went to. */
  readonly station: string
  /** mL since the meter last said; 0 where nothing flowed. */
  readonly millilitres: number
}

/** An instrument was checked: a thermometer in melting ice, a dispenser into a cylinder. */
export type InstrumentChecked = { readonly instrument: string } & (
  | {
      readonly method: 'ice-point'
      readonly unit: '°C' | '°F'
      readonly read: number
      readonly verdict: 'in' | 'out'
      /** When it is due again; a failed one is due at once. */
      readonly due: number
    }
  | {
      readonly method: 'delivery'
      /** Strokes, or seconds. */
      readonly count: number
      /** mL caught. */
      readonly measured: number
      /** Measured over expected: 1 is right. */
      readonly ratio: number
    }
)

/** A spare as it lies on the shelf: set by counting it. */
export interface SpareSet {
  readonly name: string
  /** Families of machines that it fits; empty: any. */
  readonly fits: readonly string[]
  readonly count: number
}

/** A spare was built in, for what an inspection asked. */
export interface SpareDrawn {
  readonly spare: string
  readonly station: string
  readonly count: number
}

/** A site's own procedure: a copy of one of the library, with its own numbers. A version is never changed, only followed. */
export interface ProcedureSet {
  readonly document: Procedure
}

/** A rule of the site's own authority. It is ended by a new record with `until`, never taken out. */
export type RuleSet = Omit<LocalRule, 'id'>
