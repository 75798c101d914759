import type { UnitSystem } from '../quantity/show.ts'

/** Places that several stations share. */
export const sharedPlaces = ['sink', 'table', 'pail', 'pot'] as const
export type SharedPlace = (typeof sharedPlaces)[number]

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

/** Hours of an ordinary week in which most guests come. */
export interface Rush {
  readonly from: LocalTime
  readonly to: LocalTime
  /** ISO weekdays, 1 is Monday. */
  readonly days: readonly number[]
  /** How many guests it brings, 1 being an ordinary rush. */
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
  readonly rushes?: readonly Rush[]
  readonly units: UnitSystem
  /** Hours after which a sanitized machine is sanitized again before use. */
  readonly freshHours: number
  /** Days that leftover mix is kept here, the first counted; absent: as long as the code and its maker allow. */
  readonly rerunDays?: number
  readonly emergencyNumber: string
  /** Where everybody meets outside; absent where nobody has said. */
  readonly meetingPoint?: string
  /** The site's written procedure for food held by time alone: hours, and where it is kept. FDA Food Code 2022, 3-501.19. */
  readonly timeOnly?: { readonly hours: 4 | 6; readonly written: string }
  /** The law here lets milk come at 7 °C (45 °F), to be at 5 °C within 4 h: FDA Food Code 2022, 3-202.11(B), 3-501.14(C). */
  readonly milkAt7?: true
  /** The plan that the authority approved for work without power or water, and its conditions. FDA Food Code 2022, 8-404.11(C). */
  readonly outagePlan?: { readonly approvedBy: string; readonly conditions: readonly string[] }
  /** Where the eye-wash is, and how it opens; absent where nobody has said. */
  readonly eyeWash?: string
  /** Whom to call when a machine is stopped. */
  readonly contacts?: readonly Contact[]
  /** What the site chose where the trade's schools differ, question by question. */
  readonly schools?: Readonly<Record<string, string>>
  /** What is asked before somebody works alone; absent where the site has chosen nothing. */
  readonly training?: {
    readonly watched: number
    readonly passPercent: number
    readonly months: number | null
  }
  /** Hours after which a bath is tested again, and after which it is changed; the trade says every 2 to 4 h. */
  readonly bath?: { readonly testHours: number; readonly changeHours: number }
  /** Who must stay where while it trades. */
  readonly counters?: readonly Counter[]
  /** How many there are of each shared place or thing; one left out is plenty. */
  readonly shared?: Readonly<Partial<Record<SharedPlace, number>>>
  /** Stations of which at most so many may be down at once. */
  readonly keepUp?: readonly { readonly stations: readonly string[]; readonly mostDown: number }[]
  /** Of several products for one use, the one that is offered first: product by use. */
  readonly preferred?: Readonly<Record<string, string>>
  /** Minutes that it takes to walk from one area to another, both ways alike; areas left out are next to each other. */
  readonly walks?: readonly Walk[]
  /** What the site asks of a shift's plan; what is left out is not asked. */
  readonly planning?: Planning
  /** What an hour's work and 1000 litres of water cost, in the site's own money; what is left out nobody has said. */
  readonly prices?: { readonly hour?: number; readonly water?: number }
  /** Stations that are closed down after all others: the dish machine. */
  readonly lastOfAll?: readonly string[]
}

/** What a plan is to be like, in plain settings. */
export const planWishes = ['home-soonest', 'even', 'fewest-changes'] as const
export type PlanWish = (typeof planWishes)[number]

export interface Planning {
  readonly wish?: PlanWish | undefined
  /** Nobody is the only one of the shift in the building. */
  readonly neverAlone?: boolean | undefined
  /** Somebody with keys stays to the end. */
  readonly keys?: boolean | undefined
  /** By when everybody is to be gone. */
  readonly closedBy?: LocalTime | undefined
  /** Nobody works longer than so many hours without a break of so many minutes. */
  readonly breaks?: { readonly hours: number; readonly minutes: number } | undefined
  /** The area in which each shared place stands; one left out is carried. */
  readonly placeAreas?: Readonly<Partial<Record<SharedPlace, string>>> | undefined
}

/** Two areas, as stations name them, and the minutes between them. */
export interface Walk {
  readonly between: readonly [string, string]
  readonly minutes: number
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

/** How hard the water is. */
export interface HardnessMeasured {
  /** mg/L as CaCO3. */
  readonly hardness: number
  /** What it was measured with: a strip, a kit, the waterworks' letter. */
  readonly with: string
}
