/** A probe's samples, one a second where nothing is missing: columns of equal length, in order of `at`. */
export interface Trace {
  /** Seconds, on any one clock. */
  readonly at: Float64Array
  /** °C of the wash tank, °C at the final rinse manifold, kPa beside the rinse control valve. NaN is not read. */
  readonly tank: Float32Array
  readonly rinse: Float32Array
  readonly pressure: Float32Array
  /** What is on: the bits below. */
  readonly on: Uint8Array
}

/** The wash pump runs; the final rinse valve is open; the door is open. */
export const pumpBit = 1
export const valveBit = 2
export const doorBit = 4

export interface Sample {
  readonly at: number
  readonly tank: number
  readonly rinse: number
  readonly pressure: number
  readonly pump: boolean
  readonly valve: boolean
  readonly door: boolean
}

/** Samples in whatever order they came, doubled ones once (the first that came counts), as a trace. */
export function traceOf(samples: readonly Sample[]): Trace {
  const once = new Map<number, Sample>()
  for (const s of samples) if (!once.has(s.at)) once.set(s.at, s)
  const sorted = [...once.values()].sort((a, b) => a.at - b.at)
  return {
    at: Float64Array.from(sorted, (s) => s.at),
    tank: Float32Array.from(sorted, (s) => s.tank),
    rinse: Float32Array.from(sorted, (s) => s.rinse),
    pressure: Float32Array.from(sorted, (s) => s.pressure),
    on: Uint8Array.from(
      sorted,
      (s) => (s.pump ? pumpBit : 0) | (s.valve ? valveBit : 0) | (s.door ? doorBit : 0),
    ),
  }
}

/** The part of a trace from index `from` to before `to`; it shares its columns. */
export const part = (t: Trace, from: number, to: number): Trace => ({
  at: t.at.subarray(from, to),
  tank: t.tank.subarray(from, to),
  rinse: t.rinse.subarray(from, to),
  pressure: t.pressure.subarray(from, to),
  on: t.on.subarray(from, to),
})
