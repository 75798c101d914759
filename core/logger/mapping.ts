/** What a column of a logger's file measured. */
export type Measure =
  /** The ware's surface: a logger that rides in the rack. */
  | 'ware'
  /** The wash tank, the rinse at the manifold, the pressure beside the rinse valve, the tank's conductivity. */
  | 'tank'
  | 'rinse'
  | 'pressure'
  | 'conductivity'
  /** On or off: the wash pump runs, the rinse valve is open, the door is open. */
  | 'pump'
  | 'valve'
  | 'door'
  /** Any other temperature: kept and drawn, judged by nothing. */
  | 'other'

export const measures = [
  'ware',
  'tank',
  'rinse',
  'pressure',
  'conductivity',
  'pump',
  'valve',
  'door',
  'other',
] as const satisfies readonly Measure[]

export type LoggerUnit = '°C' | '°F' | 'K' | 'kPa' | 'bar' | 'psi' | 'mS/cm' | 'µS/cm' | 'on/off'

const temperature = ['°C', '°F', 'K'] as const
const onOff = ['on/off'] as const

/** The units in which each may be logged; the first is the one it is kept in. */
export const unitsFor: Readonly<Record<Measure, readonly [LoggerUnit, ...LoggerUnit[]]>> = {
  ware: temperature,
  tank: temperature,
  rinse: temperature,
  other: temperature,
  pressure: ['kPa', 'bar', 'psi'],
  conductivity: ['mS/cm', 'µS/cm'],
  pump: onOff,
  valve: onOff,
  door: onOff,
}

/** In which order a file writes its dates: year first, day first, month first; or seconds or milliseconds since 1970. */
export type TimeOrder = 'ymd' | 'dmy' | 'mdy' | 'epoch-s' | 'epoch-ms'
export const timeOrders = ['ymd', 'dmy', 'mdy', 'epoch-s', 'epoch-ms'] as const satisfies readonly TimeOrder[]

export const delimiters = [',', ';', '\t', '|'] as const
export const encodings = ['utf-8', 'utf-16le', 'windows-1252'] as const

/** How a logger's file is read. Columns are counted from 0. */
export interface LoggerMapping {
  readonly encoding: (typeof encodings)[number]
  readonly delimiter: (typeof delimiters)[number]
  readonly decimal: '.' | ','
  /** Lines before the first reading. */
  readonly skip: number
  readonly time: {
    readonly column: number
    /** The column of the time of day where it stands apart from the date. */
    readonly clock: number | null
    readonly order: TimeOrder
    /** The zone of times that name none: IANA, "UTC", or an offset that holds all year, "+01:00". */
    readonly zone: string
  }
  readonly columns: readonly {
    readonly column: number
    readonly measures: Measure
    readonly unit: LoggerUnit
  }[]
  /** How well the logger reads, °C either way, by its sheet or its last check; null where nobody knows. */
  readonly accuracy: number | null
}

/** A number in `unit` as it is kept: °C, kPa, mS/cm. Pound per square inch by NIST Handbook 44, appendix C. */
export const keptFrom: Readonly<Record<Exclude<LoggerUnit, 'on/off'>, (value: number) => number>> = {
  '°C': (v) => v,
  '°F': (v) => ((v - 32) * 5) / 9,
  K: (v) => v - 273.15,
  kPa: (v) => v,
  bar: (v) => v * 100,
  psi: (v) => v * 6.894757,
  'mS/cm': (v) => v,
  'µS/cm': (v) => v / 1000,
}

/** What no such logger reads, as it is kept: beyond it the unit or the column is wrong. */
export const soundRange: Readonly<Record<Measure, readonly [number, number]>> = {
  ware: [-60, 200],
  tank: [-60, 200],
  rinse: [-60, 200],
  other: [-60, 300],
  pressure: [-100, 3000],
  conductivity: [0, 300],
  pump: [0, 1],
  valve: [0, 1],
  door: [0, 1],
}
