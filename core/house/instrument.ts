import type { Agent } from '../rules/index.ts'
import type { Dispenser, MeasuringTool, Scale } from '../solution/index.ts'

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
