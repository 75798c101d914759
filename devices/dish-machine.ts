import type { Sample } from '@tadka/core/warewash'

/** What can go wrong, on command. */
export interface Faults {
  /** The tank is short of water: its heater is off, and it cools. */
  readonly lowTank?: boolean
  /** Feed water to the booster, °C; 50 where it is well. */
  readonly feed?: number
  /** One of the booster's elements is out. */
  readonly elementOut?: boolean
  /** How much of the rinse arm is clogged, 0 to 1. */
  readonly clogged?: number
  readonly detergentEmpty?: boolean
  /** This probe reads the same whatever happens. */
  readonly stuck?: 'tank' | 'rinse' | 'pressure'
}

export interface MachineSample extends Sample {
  /** Conductivity of the wash tank, mS/cm. */
  readonly conductivity: number
}

/** A door-type machine with a booster. All of it is invented; the physics is a heat balance in lumps. */
export interface MachineSettings {
  /** L, and of the booster; L/s of the rinse. */
  readonly tank: number
  readonly booster: number
  readonly flow: number
  /** kW. */
  readonly tankHeater: number
  readonly boosterHeater: number
  /** °C aimed at. */
  readonly tankAt: number
  readonly boosterAt: number
  /** How much scale a rack leaves in the booster, as a share of its power: hardness made visible. */
  readonly scaleARack: number
}

export const demoMachine: MachineSettings = {
  tank: 40,
  booster: 12,
  flow: 0.25,
  tankHeater: 9,
  boosterHeater: 14,
  tankAt: 69,
  boosterAt: 88,
  scaleARack: 0.00004,
}

/** What the machine is told to do in one second. */
export interface Doing {
  readonly pump: boolean
  readonly valve: boolean
  readonly door: boolean
}

const heatOfWater = 4.186
const room = 22
/** Seconds in which the probes follow by two thirds. */
const lag = { tank: 4, rinse: 1.3 } as const
const setConductivity = 2.2

export interface DishMachine {
  /** One second on. @param at seconds, for the sample's own clock. */
  readonly step: (at: number, doing: Doing) => MachineSample
  readonly fault: (change: Faults) => void
  /** The tank emptied and filled anew; the scale taken off. */
  readonly refill: () => void
  readonly delime: () => void
  readonly scale: () => number
  /** Leaves so much scale, 0 to 1. */
  readonly scaleUp: (share: number) => void
}

/** @param random numbers from 0 to 1, for the probes' unrest. */
export function dishMachine(random: () => number, settings: MachineSettings = demoMachine): DishMachine {
  const { tank, booster, flow } = settings
  let faults: Faults = {}
  let [tankT, boosterT, pipeT, probeT, tankProbe] = [
    settings.tankAt,
    settings.boosterAt,
    58,
    58,
    settings.tankAt,
  ]
  let [scale, dose, stuckAt] = [0, 1, Number.NaN]
  let was: Doing = { pump: false, valve: false, door: false }
  const unrest = (by: number) => (random() + random() - 1) * by

  function heat(): void {
    const power = settings.boosterHeater * (1 - scale) * (faults.elementOut ? 0.12 : 1)
    // Scale keeps the heat from the water: what the thermostat feels is hotter than what flows out.
    const aim = settings.boosterAt - 14 * scale
    if (boosterT < aim) boosterT = Math.min(aim, boosterT + power / (booster * heatOfWater))
    boosterT -= (boosterT - room) * 4e-5
    if (!faults.lowTank && tankT < settings.tankAt) tankT += settings.tankHeater / (tank * heatOfWater)
    tankT -= (tankT - room) * (faults.lowTank ? 9e-5 : 3e-5)
  }
  function rinse(): void {
    const through = flow * (1 - 0.6 * (faults.clogged ?? 0))
    // Feed water comes in below and mixes in part.
    boosterT += ((through * 0.8) / booster) * ((faults.feed ?? 50) - boosterT)
    pipeT += (boosterT - pipeT) * 0.8
    // It has cooled on its way through the air and over the ware.
    tankT += (through / tank) * (boosterT - 14 - tankT)
    dose *= 1 - through / tank
    scale = Math.min(0.95, scale + settings.scaleARack * (through / 3))
  }
  function step(at: number, doing: Doing): MachineSample {
    heat()
    if (doing.valve) rinse()
    else pipeT += (58 - pipeT) * 0.02
    if (doing.pump) {
      // Cold ware takes its share at the begin.
      if (!was.pump) tankT -= (tankT - room) * 0.012
      if (!faults.detergentEmpty && dose < 1) dose = Math.min(1, dose + 0.02)
    }
    was = doing
    tankProbe += (tankT - tankProbe) / lag.tank
    probeT += (pipeT - probeT) * (1 - Math.exp(-1 / lag.rinse))
    const clogged = faults.clogged ?? 0
    const sample: MachineSample = {
      at,
      tank: tankProbe + unrest(0.15),
      rinse: probeT + unrest(0.15),
      pressure: doing.valve ? 140 + 70 * clogged + unrest(3) : unrest(1),
      conductivity: setConductivity * dose + 0.15 + unrest(0.02),
      ...doing,
    }
    const { stuck } = faults
    if (!stuck) return sample
    if (Number.isNaN(stuckAt)) stuckAt = sample[stuck]
    return { ...sample, [stuck]: stuckAt }
  }
  return {
    step,
    fault: (change) => {
      faults = change
      stuckAt = Number.NaN
    },
    refill: () => ([tankT, dose] = [settings.tankAt - 8, 1]),
    delime: () => (scale = 0),
    scale: () => scale,
    scaleUp: (share) => (scale = share),
  }
}
