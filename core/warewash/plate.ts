import type { StationSet } from '../house/station.ts'
import { modelCode, type DataPlate, type DishMachineKind, type LocalRule } from '../rules/index.ts'
import type { DoseBand, WashTank } from './detergent.ts'
import type { CycleLimits } from './verdict.ts'

export const machineKinds = [
  'stationary-dual',
  'stationary-single',
  'conveyor-dual',
  'conveyor-multi',
  'chemical',
] as const satisfies readonly DishMachineKind[]

/** The kind that a dish machine's family names, or null for a station that is none. */
export function kindOf(family: string): DishMachineKind | null {
  const [name, kind] = family.split('.')
  return name === 'dish-machine' ? (machineKinds.find((k) => k === kind) ?? null) : null
}

const inFahrenheit = (c: number) => Math.round((c * 9) / 5 + 32)

/** A data plate from a station's parameters: °C and kPa. */
export function plateOf(parameters: Readonly<Record<string, number>>): DataPlate {
  const pair = (c: number | undefined) => (c === undefined ? null : { c, f: inFahrenheit(c) })
  const { pressureLow: lo, pressureHigh: hi } = parameters
  return {
    wash: pair(parameters['washC']),
    rinse: pair(parameters['rinseC']),
    pressure: lo === undefined || hi === undefined ? null : { lo, hi },
  }
}

/** How well a built-in probe reads, either way, where its plate does not say. Common practice, no source. */
const usualAccuracy = { temperature: 0.5, pressure: 5 } as const

/** What a station's cycles are held to; null where it is no dish machine. @param local the authority's rules in force. */
export function limitsFor(
  plate: StationSet,
  schools: Readonly<Record<string, string>>,
  local: readonly LocalRule[],
): CycleLimits | null {
  const kind = kindOf(plate.family)
  const { probeC, probeKPa } = plate.parameters
  return (
    kind && {
      kind,
      plate: plateOf(plate.parameters),
      accuracy: {
        temperature: probeC ?? usualAccuracy.temperature,
        pressure: probeKPa ?? usualAccuracy.pressure,
      },
      schools,
      local,
    }
  )
}

/** The wash tank by the plate; null where a volume is missing. */
export function tankOf({ tank, rinseWater }: Readonly<Record<string, number>>): WashTank | null {
  return tank === undefined || rinseWater === undefined ? null : { volume: tank, rinseWater }
}

/** A detergent dosed by hand by the plate: its label's band in g/L, and the least that is measured, g; null where the label is not entered. */
export function handDoseOf({
  doseLow: lo,
  doseTarget: target,
  doseHigh: hi,
  doseTool: tool,
}: Readonly<Record<string, number>>): { readonly band: DoseBand; readonly tool: number } | null {
  if (lo === undefined || target === undefined || hi === undefined) return null
  return { band: { lo, target, hi }, tool: tool ?? 1 }
}

/** The figures that a gauge is read against, code and plate together: the stricter of both. °C and kPa. */
export interface Marks {
  readonly wash: number
  readonly rinse: number
  readonly rinseMost: number
  readonly pressureLow: number
  readonly pressureHigh: number
}

/** For showing and for foretelling; the verdict itself judges code and plate each by itself. Source: FDA Food Code 2022, 4-501.110 to .113. */
export function marksOf(kind: DishMachineKind, parameters: Readonly<Record<string, number>>): Marks {
  const { washC, rinseC, pressureLow, pressureHigh } = parameters
  const code = modelCode.dishMachine
  const least = kind === 'stationary-single' ? code.rinse.leastSingle : code.rinse.leastOther
  return {
    wash: Math.max(code.wash[kind].pair.c, washC ?? 0),
    rinse: Math.max(least.c, rinseC ?? 0),
    rinseMost: code.rinse.most.c,
    pressureLow: Math.max(code.pressure.kPa.lo, pressureLow ?? 0),
    pressureHigh: Math.min(code.pressure.kPa.hi, pressureHigh ?? Number.POSITIVE_INFINITY),
  }
}
