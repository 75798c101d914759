import type { Agent } from '../rules/index.ts'
import type { ChemicalClass, Supply } from '../solution/index.ts'

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
  /** Bar codes on its bottles, each size its own. */
  readonly codes?: readonly string[] | undefined
}

/** A product's safety data sheet, as its maker gives it out. */
export interface DataSheetSet {
  readonly product: string
  /** The PDF by the hash of its bytes; null: taken off. */
  readonly sha256: string | null
  /** The file's name, by which somebody tells two editions apart. */
  readonly name: string
}

/** A container was opened. Dates are milliseconds UTC. */
export interface ConcentrateOpened {
  readonly product: string
  readonly openedAt: number
  readonly bestBefore: number | null
  readonly daysOnceOpen: number | null
  /** mL in it when it was opened; absent where nobody said. */
  readonly holds?: number
  /** The lot printed on it; absent where nobody read it. */
  readonly lot?: string
}

/** A meter counted what was drawn from a container. */
export interface ConcentrateDrawn {
  readonly product: string
  /** The machine that it went to. */
  readonly station: string
  /** mL since the meter last said; 0 where nothing flowed. */
  readonly millilitres: number
}
