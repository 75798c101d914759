/** A limit that the code gives as a °C and a rounded °F pair; judged in the unit of the instrument that was read. */
export interface TemperaturePair {
  readonly c: number
  readonly f: number
}

export interface ChlorineRow {
  /** mg/L available chlorine from which this row applies. */
  readonly from: number
  /** Minimum water temperature at pH 10 or less, and at pH 8 or less. */
  readonly ph10: TemperaturePair
  readonly ph8: TemperaturePair
}

/** A base profile: a published code as data. Shipped read-only, versioned. */
export interface Profile {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly chlorine: {
    readonly source: string
    readonly rows: readonly ChlorineRow[]
    readonly highestPh: number
    /** mg/L above which a potable rinse must follow. */
    readonly ceiling: number
    readonly ceilingSource: string
  }
  readonly iodine: {
    readonly source: string
    readonly range: { readonly lo: number; readonly hi: number }
    readonly temperature: TemperaturePair
    readonly highestPh: number
  }
  readonly quat: {
    readonly source: string
    readonly temperature: TemperaturePair
    readonly hardestWater: number
  }
  /** TCS product kept cold. */
  readonly coldHolding: { readonly source: string; readonly temperature: TemperaturePair }
  readonly dishMachine: {
    readonly wash: Readonly<
      Record<
        'stationary-single' | 'stationary-dual' | 'conveyor-dual' | 'conveyor-multi' | 'chemical',
        { readonly pair: TemperaturePair; readonly section: string }
      >
    >
    readonly rinse: {
      readonly section: string
      readonly leastSingle: TemperaturePair
      readonly leastOther: TemperaturePair
      readonly most: TemperaturePair
    }
    /** As the code pairs them: each gauge is held to the figures of its own unit. */
    readonly pressure: { readonly section: string } & Readonly<
      Record<'kPa' | 'psi', { lo: number; hi: number }>
    >
    readonly surface: { readonly section: string; readonly pair: TemperaturePair }
  }
  readonly hotWaterByHand: {
    readonly section: string
    readonly pair: TemperaturePair
    readonly seconds: number
  }
  /** Wash water in the sink. */
  readonly washWater: { readonly section: string; readonly pair: TemperaturePair }
  readonly utensils: {
    readonly source: string
    readonly roomHours: number
    /** By the room's temperature, coldest first. */
    readonly refrigerated: readonly { readonly upTo: TemperaturePair; readonly hours: number }[]
  }
  /** What instruments must be accurate to, either way. */
  readonly accuracy: {
    readonly food: { readonly section: string } & TemperaturePair
    readonly water: { readonly section: string } & TemperaturePair
    readonly pressure: { readonly section: string; readonly kPa: number; readonly psi: number }
  }
  readonly contact: {
    readonly source: string
    readonly chlorine: number
    readonly chlorineShort: number
    readonly other: number
  }
}

/** FDA Food Code 2022, chapter 4 (and 3-501.16), with 40 CFR 180.940 for the chlorine ceiling. */
export const modelCode: Profile = {
  id: 'food-code-2022',
  version: 1,
  name: 'FDA Food Code 2022',
  chlorine: {
    source: '4-501.114(A)',
    rows: [
      { from: 25, ph10: { c: 49, f: 120 }, ph8: { c: 49, f: 120 } },
      { from: 50, ph10: { c: 38, f: 100 }, ph8: { c: 24, f: 75 } },
      { from: 100, ph10: { c: 13, f: 55 }, ph8: { c: 13, f: 55 } },
    ],
    highestPh: 10,
    ceiling: 200,
    ceilingSource: '40 CFR 180.940',
  },
  iodine: {
    source: '4-501.114(B)',
    range: { lo: 12.5, hi: 25 },
    temperature: { c: 20, f: 68 },
    highestPh: 5,
  },
  quat: { source: '4-501.114(C)', temperature: { c: 24, f: 75 }, hardestWater: 500 },
  coldHolding: { source: '3-501.16(A)(2)', temperature: { c: 5, f: 41 } },
  dishMachine: {
    wash: {
      'stationary-single': { pair: { c: 74, f: 165 }, section: '4-501.110(A)(1)' },
      'stationary-dual': { pair: { c: 66, f: 150 }, section: '4-501.110(A)(2)' },
      'conveyor-dual': { pair: { c: 71, f: 160 }, section: '4-501.110(A)(3)' },
      'conveyor-multi': { pair: { c: 66, f: 150 }, section: '4-501.110(A)(4)' },
      chemical: { pair: { c: 49, f: 120 }, section: '4-501.110(B)' },
    },
    rinse: {
      section: '4-501.112',
      leastSingle: { c: 74, f: 165 },
      leastOther: { c: 82, f: 180 },
      most: { c: 90, f: 194 },
    },
    pressure: { section: '4-501.113', kPa: { lo: 35, hi: 200 }, psi: { lo: 5, hi: 30 } },
    surface: { section: '4-703.11(B)', pair: { c: 71, f: 160 } },
  },
  hotWaterByHand: { section: '4-501.111', pair: { c: 77, f: 171 }, seconds: 30 },
  washWater: { section: '4-501.19', pair: { c: 43, f: 110 } },
  utensils: {
    source: '4-602.11',
    roomHours: 4,
    refrigerated: [
      { upTo: { c: 5, f: 41 }, hours: 24 },
      { upTo: { c: 7.2, f: 45 }, hours: 20 },
      { upTo: { c: 10, f: 50 }, hours: 16 },
      { upTo: { c: 12.8, f: 55 }, hours: 10 },
    ],
  },
  accuracy: {
    food: { section: '4-203.11', c: 1, f: 2 },
    water: { section: '4-203.12', c: 1.5, f: 3 },
    pressure: { section: '4-203.13', kPa: 14, psi: 2 },
  },
  contact: { source: '4-703.11(C)', chlorine: 10, chlorineShort: 7, other: 30 },
}
