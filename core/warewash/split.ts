import { doorBit, part, pumpBit, valveBit, type Trace } from './trace.ts'

/** How a cycle ended. Only `complete` is a cycle in the counts; `gap` may have been one. */
export const endings = ['complete', 'door', 'stopped', 'gap'] as const
export type Ending = (typeof endings)[number]

/** A cycle as it was cut out of a stream: its samples, from the pump's start to its end. */
export interface CutCycle {
  readonly ending: Ending
  readonly trace: Trace
  /** Seconds missing within it. */
  readonly missing: number
}

export interface SplitSettings {
  /** A change of pump, valve or door shorter than this is noise, s. */
  readonly bounce: number
  /** A rinse shorter than this is none, s. */
  readonly leastRinse: number
  /** A pump that stands still for so long without a rinse has been stopped, s. */
  readonly longestPause: number
  /** Within a cycle, samples missing for longer than this leave it unknown, s. */
  readonly longestGap: number
}

/** The site's own figures may differ by model. Common practice, no source. */
export const splitSettings: SplitSettings = { bounce: 2, leastRinse: 5, longestPause: 90, longestGap: 20 }

export type Phase = 'idle' | 'wash' | 'pause' | 'rinse'

export interface Splitter {
  /** Takes the next samples, later than all before, and gives the cycles that ended within them. */
  readonly push: (trace: Trace) => CutCycle[]
  /** What the machine does after the last sample, and since when (s, by the trace's clock). */
  readonly now: () => { readonly phase: Phase; readonly since: number }
  /** The cycle under way, as far as it has come. */
  readonly underWay: () => Trace | null
}

const room = 1024

/**
 * Splits a stream into cycles. A cycle begins when the pump has run for the bounce, and ends when the rinse valve has closed
 * after a rinse (complete), when the door is opened (cut short), or when the pump stood still too long without a rinse (stopped);
 * where samples are missing for too long within it, or before its begin, nobody can say (gap).
 */
export function cycleSplitter(settings: SplitSettings = splitSettings): Splitter {
  const { bounce, leastRinse, longestPause, longestGap } = settings
  let kept = emptyTrace(room)
  // How many samples of the cycle under way are kept; 0 is none. While idle, those of a pump that has just started.
  let n = 0
  let inCycle = false
  // Too much of the cycle is missing to say what it was; and whether the next one's begin would be.
  let lost = false
  let blind = true
  let [valveOn, valveOff, doorOn, pumpOff, missing] = [0, 0, 0, 0, 0]
  // How many of those kept belong to the cycle when it ends now: what bounced since is not of it.
  let lastOn = 0
  let before = Number.NEGATIVE_INFINITY
  let phase: Phase = 'idle'
  let since = Number.NEGATIVE_INFINITY

  const turn = (to: Phase, at: number) => {
    if (phase === to) return
    phase = to
    since = at
  }
  const keep = (t: Trace, i: number) => {
    if (n === kept.at.length) kept = grown(kept)
    kept.at[n] = t.at[i] as number
    kept.tank[n] = t.tank[i] as number
    kept.rinse[n] = t.rinse[i] as number
    kept.pressure[n] = t.pressure[i] as number
    kept.on[n] = t.on[i] as number
    n++
  }
  const clear = () => {
    n = 0
    inCycle = lost = false
    valveOn = valveOff = doorOn = pumpOff = missing = lastOn = 0
  }
  const cut = (ending: Ending, length: number): CutCycle => {
    const cycle = { ending: lost ? ('gap' as const) : ending, trace: copyOf(part(kept, 0, length)), missing }
    clear()
    return cycle
  }

  function push(t: Trace): CutCycle[] {
    const cycles: CutCycle[] = []
    const { at, on } = t
    for (let i = 0; i < at.length; i++) {
      const now = at[i] as number
      const bits = on[i] as number
      const pump = (bits & pumpBit) !== 0
      const valve = (bits & valveBit) !== 0
      const door = (bits & doorBit) !== 0
      const gap = now - before - 1
      before = now
      if (!inCycle) {
        if (!pump || door || (gap > 0 && n > 0)) n = 0
        // Nobody saw how long a pump had run that runs when samples begin, or begin again.
        if (!pump) blind = false
        else if (gap > longestGap) blind = true
        if (pump && !door) {
          keep(t, i)
          if (n >= bounce) {
            inCycle = true
            lost = blind
            blind = false
            lastOn = n
            turn('wash', kept.at[0] as number)
          }
        } else if (phase !== 'idle') turn('idle', now)
        continue
      }
      if (gap > 2 * longestPause) {
        cycles.push(cut('gap', lastOn))
        turn('idle', now)
        blind = true
        i--
        continue
      }
      if (gap > 0) missing += gap
      if (gap > longestGap) lost = true
      keep(t, i)
      doorOn = door ? doorOn + 1 : 0
      if (valve) {
        valveOn++
        valveOff = 0
        lastOn = n
        if (valveOn >= bounce) turn('rinse', now - valveOn + 1)
      } else if (valveOn > 0) {
        valveOff++
        if (valveOff >= bounce && valveOn < leastRinse) valveOn = 0
      }
      pumpOff = pump || valve ? 0 : pumpOff + 1
      if (pump) {
        if (valveOn === 0) turn('wash', now)
        lastOn = n
      } else if (pumpOff === bounce && valveOn === 0) turn('pause', now)
      if (doorOn >= bounce) {
        const whole = valveOn >= leastRinse && valveOff > doorOn
        cycles.push(cut(whole ? 'complete' : 'door', whole ? lastOn : n - doorOn))
        turn('idle', now)
      } else if (valveOn >= leastRinse && valveOff >= bounce) {
        cycles.push(cut('complete', lastOn))
        turn('idle', now)
      } else if (pumpOff > longestPause) {
        cycles.push(cut('stopped', lastOn))
        turn('idle', now)
      }
    }
    return cycles
  }
  return {
    push,
    now: () => ({ phase, since }),
    underWay: () => (inCycle ? copyOf(part(kept, 0, n)) : null),
  }
}

const emptyTrace = (size: number): Trace => ({
  at: new Float64Array(size),
  tank: new Float32Array(size),
  rinse: new Float32Array(size),
  pressure: new Float32Array(size),
  on: new Uint8Array(size),
})

function grown(t: Trace): Trace {
  const next = emptyTrace(t.at.length * 2)
  for (const k of ['at', 'tank', 'rinse', 'pressure', 'on'] as const) next[k].set(t[k] as never)
  return next
}

const copyOf = (t: Trace): Trace => ({
  at: t.at.slice(),
  tank: t.tank.slice(),
  rinse: t.rinse.slice(),
  pressure: t.pressure.slice(),
  on: t.on.slice(),
})
