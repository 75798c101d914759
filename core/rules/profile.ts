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
  contact: { source: '4-703.11(C)', chlorine: 10, chlorineShort: 7, other: 30 },
}
