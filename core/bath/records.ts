import { subject, type RulesOf } from '../stream/rules.ts'

/** A basket of parts or ware went into a bath of sanitizer: its contact time begins. */
export interface WareIn {
  readonly bath: string
  /** What the bath is made of: its label says how long. */
  readonly product: string
  readonly basket: string
  readonly boot?: string
}

/** It came out again: sanitized where its contact time had passed, else to go in again. */
export interface WareOut {
  readonly bath: string
  readonly basket: string
  readonly boot?: string
}

/** A solution was made in a vessel. */
export interface BathMixed {
  readonly bath: string
  readonly where: string
  readonly station: string | null
  readonly run: string | null
  readonly product: string
  /** The label's use that it is mixed for; absent in records of before it was written down. */
  readonly use?: string | undefined
  readonly productName: string
  /** mL of solution. */
  readonly volume: number
  /** mL of concentrate, as shown by the tool. */
  readonly poured: number
  readonly tool: string
  /** What was measured out where that was no volume: grams, pieces, strokes or seconds. */
  readonly measured?: { readonly amount: number; readonly unit: 'g' | 'pieces' | 'strokes' | 's' }
  /** ppm aimed at; null where the label gives a dose only. */
  readonly target: number | null
  /** mL that the vessel holds. */
  readonly capacity: number
}

interface BathPayloads {
  'bath.mixed@1': BathMixed
  'ware.in@1': WareIn
  'ware.out@1': WareOut
}

declare module '../stream/record.ts' {
  interface Payloads extends BathPayloads {}
}

const ofBath = ({ bath }: { readonly bath: string }) => subject('bath', bath)

export const bathRecords: RulesOf<keyof BathPayloads> = {
  'bath.mixed@1': { needs: 'record', typed: true, concerns: ofBath },
  'ware.in@1': { needs: 'record', concerns: ofBath },
  'ware.out@1': { needs: 'record', concerns: ofBath },
}
