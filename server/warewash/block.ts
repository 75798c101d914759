import type { Delivery } from '@tadka/contract/warewash'
import type { Trace } from '@tadka/core/warewash'

/** A minute of samples in 60 times ten bytes: tank, rinse in hundredths of °C, pressure in tenths of kPa, conductivity in hundredths of mS/cm, what is on, and whether it is there. */
const each = 10
export const seconds = 60
const unread = -32_768

const scales = { tank: 100, rinse: 100, pressure: 10, conductivity: 100 } as const
const columns = ['tank', 'rinse', 'pressure', 'conductivity'] as const

export const emptyBlock = (): Buffer => Buffer.alloc(each * seconds)

/** Puts the samples of one minute into its block; a second that is there already stays. Returns the earliest that was new, or null. */
export function putInto(block: Buffer, minute: number, d: Delivery): number | null {
  let earliest: number | null = null
  const first = Math.max(d.from, minute * seconds)
  const last = Math.min(d.from + d.tank.length, (minute + 1) * seconds)
  for (let s = first; s < last; s++) {
    const at = (s - minute * seconds) * each
    if (block[at + 9] === 1) continue
    const i = s - d.from
    columns.forEach((c, n) => {
      block.writeInt16LE(scaled(d[c]?.[i] ?? null, c), at + 2 * n)
    })
    block[at + 8] = d.on[i] ?? 0
    block[at + 9] = 1
    earliest ??= s
  }
  return earliest
}

/** A whole trace in its minutes, counted from its own second 0. @param conductivity mS/cm at each of its samples. */
export function minutesOf(
  t: Trace,
  conductivity: Float32Array | null,
): { readonly minute: number; readonly data: Buffer }[] {
  const blocks: { minute: number; data: Buffer }[] = []
  for (let i = 0; i < t.at.length; i++) {
    const second = t.at[i] as number
    const minute = Math.floor(second / seconds)
    if (blocks.at(-1)?.minute !== minute) blocks.push({ minute, data: emptyBlock() })
    const data = (blocks.at(-1) as { data: Buffer }).data
    const at = (second - minute * seconds) * each
    columns.forEach((c, n) => {
      const value = c === 'conductivity' ? (conductivity?.[i] ?? Number.NaN) : (t[c][i] as number)
      data.writeInt16LE(scaled(Number.isNaN(value) ? null : value, c), at + 2 * n)
    })
    data[at + 8] = t.on[i] as number
    data[at + 9] = 1
  }
  return blocks
}

const scaled = (value: number | null, column: (typeof columns)[number]): number =>
  Math.max(unread, Math.min(32_767, value === null ? unread : Math.round(value * scales[column])))

export interface Unpacked {
  readonly at: Float64Array
  readonly tank: Float32Array
  readonly rinse: Float32Array
  readonly pressure: Float32Array
  readonly conductivity: Float32Array
  readonly on: Uint8Array
}

/** The samples of blocks in order, from second `from` to `to`, both included. NaN is not read. */
export function unpack(
  blocks: readonly { readonly minute: number; readonly data: Buffer }[],
  from: number,
  to: number,
): Unpacked {
  const room = blocks.length * seconds
  const out: Unpacked = {
    at: new Float64Array(room),
    tank: new Float32Array(room),
    rinse: new Float32Array(room),
    pressure: new Float32Array(room),
    conductivity: new Float32Array(room),
    on: new Uint8Array(room),
  }
  let n = 0
  for (const { minute, data } of blocks)
    for (let i = 0; i < seconds; i++) {
      const second = minute * seconds + i
      if (data[i * each + 9] !== 1 || second < from || second > to) continue
      out.at[n] = second
      columns.forEach((c, k) => {
        const raw = data.readInt16LE(i * each + 2 * k)
        out[c][n] = raw === unread ? Number.NaN : raw / scales[c]
      })
      out.on[n] = data[i * each + 8] as number
      n++
    }
  return {
    at: out.at.subarray(0, n),
    tank: out.tank.subarray(0, n),
    rinse: out.rinse.subarray(0, n),
    pressure: out.pressure.subarray(0, n),
    conductivity: out.conductivity.subarray(0, n),
    on: out.on.subarray(0, n),
  }
}
