import type { RulesOf } from '../stream/rules.ts'

/** What a laboratory is sent: frozen dessert as it is served, a swab of a surface, water, ice. */
export const sampleKinds = ['frozen-dessert', 'swab', 'ice', 'water'] as const
export type SampleKind = (typeof sampleKinds)[number]

/** A sample was taken, and sent. */
export interface SampleTaken {
  readonly kind: SampleKind
  /** The machine that it is from; null: none. */
  readonly station: string | null
  /** Where exactly: which spout, which surface. */
  readonly where: string
  readonly lab: string
  /** As it stands on it. */
  readonly number: string
}

/** What laboratories count, as rules of the authority name it. */
export const countedGerms = ['coliform', 'plateCount', 'listeria'] as const
export type CountedGerms = (typeof countedGerms)[number]
export const sampleUnits = ['/g', '/mL', '/cm²', '/100 mL', '/swab'] as const
export type SampleUnit = (typeof sampleUnits)[number]

/** One number of a laboratory's report. */
export interface SampleFound {
  readonly of: CountedGerms
  readonly value: number
  /** Reported as "less than" or "more than" that number. */
  readonly bound: 'less' | 'more' | null
  readonly unit: SampleUnit
}

/** What the laboratory found. */
export interface SampleResult {
  readonly found: readonly SampleFound[]
  /** Its report, by the hash of its photo. */
  readonly report: string | null
}

interface LabPayloads {
  'sample.taken@1': SampleTaken
  'sample.result@1': SampleResult
}

declare module '../stream/record.ts' {
  interface Payloads extends LabPayloads {}
}

export const labRecords: RulesOf<keyof LabPayloads> = {
  'sample.taken@1': { needs: 'record', typed: true, tap: true },
  'sample.result@1': { needs: 'record', typed: true, tap: true },
}
