import type { LoggerDrawing } from '@tadka/contract/logger'
import type { LoggerSeries, Measure } from '@tadka/core/logger'

/** Rows in one part. */
const partRows = 8192

export interface Part {
  readonly from: number
  readonly to: number
  readonly data: Buffer
}

/** A series in parts: the instants as doubles, then each column as floats, in this machine's order of bytes. */
export function partsOf({ at, columns }: LoggerSeries): Part[] {
  const parts: Part[] = []
  for (let begin = 0; begin < at.length; begin += partRows) {
    const end = Math.min(at.length, begin + partRows)
    const bytes = (a: Float64Array | Float32Array) => {
      const piece = a.subarray(begin, end)
      return Buffer.from(piece.buffer, piece.byteOffset, piece.byteLength)
    }
    parts.push({
      from: at[begin] as number,
      to: at[end - 1] as number,
      data: Buffer.concat([bytes(at), ...columns.map((c) => bytes(c.values))]),
    })
  }
  return parts
}

interface Rows {
  readonly at: Float64Array
  readonly columns: readonly Float32Array[]
}

/** A part's rows. @param width how many columns it has. */
export function unpackPart(data: Buffer, width: number): Rows {
  const n = data.length / (8 + 4 * width)
  // Copied: what comes off the wire need not lie on a boundary of eight.
  const { buffer } = new Uint8Array(data)
  return {
    at: new Float64Array(buffer, 0, n),
    columns: Array.from({ length: width }, (_, i) => new Float32Array(buffer, 8 * n + 4 * n * i, n)),
  }
}

/** The least and the most of each column in each of `stretches` of equal length from `from` to `to`; stretches without rows are left out. */
export function drawingOf(
  parts: readonly { readonly data: Buffer }[],
  measures: readonly Measure[],
  from: number,
  to: number,
  stretches: number,
): LoggerDrawing {
  const each = Math.max(1, (to - from + 1) / stretches)
  const low = measures.map(() => new Float64Array(stretches).fill(Number.NaN))
  const high = measures.map(() => new Float64Array(stretches).fill(Number.NaN))
  const seen = new Uint8Array(stretches)
  for (const part of parts) {
    const { at, columns } = unpackPart(part.data, measures.length)
    for (let i = 0; i < at.length; i++) {
      const slot = Math.floor(((at[i] as number) - from) / each)
      if (slot < 0 || slot >= stretches) continue
      seen[slot] = 1
      columns.forEach((c, k) => {
        const v = c[i] as number
        const [l, h] = [low[k] as Float64Array, high[k] as Float64Array]
        if (!(v >= (l[slot] as number))) l[slot] = v === v ? v : (l[slot] as number)
        if (!(v <= (h[slot] as number))) h[slot] = v === v ? v : (h[slot] as number)
      })
    }
  }
  const slots = [...seen.keys()].filter((s) => seen[s] === 1)
  const told = (a: Float64Array | undefined) =>
    slots.map((s) => {
      const v = a?.[s] ?? Number.NaN
      return Number.isNaN(v) ? null : Math.round(v * 100) / 100
    })
  return {
    at: slots.map((s) => Math.round(from + s * each)),
    columns: measures.map((m, k) => ({ measures: m, low: told(low[k]), high: told(high[k]) })),
  }
}
