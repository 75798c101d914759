import type { Procedure } from '../language.ts'
import batchClose from './batch.close.json'
import batchOpen from './batch.open.json'
import bottleFill from './bottle.fill.json'
import bucketChange from './bucket.change.json'
import bucketFill from './bucket.fill.json'
import custardClose from './custard.close.json'
import custardHold from './custard.hold.json'
import custardOpen from './custard.open.json'
import dishMachineClose from './dish-machine.close.json'
import dishMachineDelime from './dish-machine.delime.json'
import dishMachineOpen from './dish-machine.open.json'
import espressoClose from './espresso.close.json'
import espressoWeekly from './espresso.weekly.json'
import flushModuleCip from './flush-module.cip.json'
import grinderWeekly from './grinder.weekly.json'
import houseBins from './house.bins.json'
import houseDisposer from './house.disposer.json'
import houseFloors from './house.floors.json'
import houseHood from './house.hood.json'
import houseRestrooms from './house.restrooms.json'
import iceBinHalfYear from './ice-bin.half-year.json'
import iceBinScoop from './ice-bin.scoop.json'
import iceBinWeekly from './ice-bin.weekly.json'
import iceCubeBetween from './ice-cube.between.json'
import iceCubeHalfYear from './ice-cube.half-year.json'
import iceNuggetHalfYear from './ice-nugget.half-year.json'
import nozzlesDaily from './nozzles.daily.json'
import sinkChange from './sink.change.json'
import sinkSetUp from './sink.set-up.json'
import slushByHand from './slush.by-hand.json'
import slushInPlace from './slush.in-place.json'
import softServeGravityClose from './soft-serve-gravity.close.json'
import softServeGravityOpen from './soft-serve-gravity.open.json'
import softServePumpClose from './soft-serve-pump.close.json'
import softServePumpOpen from './soft-serve-pump.open.json'
import softServeTwinClose from './soft-serve-twin.close.json'
import softServeTwinOpen from './soft-serve-twin.open.json'
import surfaceInPlace from './surface.in-place.json'
import urnDaily from './urn.daily.json'

/**
 * All procedures that ship, every version that a run may still be on. They are data: their shape is checked against the
 * documented schema and their safety over every way through them, by the tests and wherever one is saved.
 */
const shipped = [
  batchClose,
  batchOpen,
  bottleFill,
  bucketChange,
  bucketFill,
  custardClose,
  custardHold,
  custardOpen,
  dishMachineClose,
  dishMachineDelime,
  dishMachineOpen,
  espressoClose,
  espressoWeekly,
  flushModuleCip,
  grinderWeekly,
  houseBins,
  houseDisposer,
  houseFloors,
  houseHood,
  houseRestrooms,
  iceBinHalfYear,
  iceBinScoop,
  iceBinWeekly,
  iceCubeBetween,
  iceCubeHalfYear,
  iceNuggetHalfYear,
  nozzlesDaily,
  sinkChange,
  sinkSetUp,
  slushByHand,
  slushInPlace,
  softServeGravityClose,
  softServeGravityOpen,
  softServePumpClose,
  softServePumpOpen,
  softServeTwinClose,
  softServeTwinOpen,
  surfaceInPlace,
  urnDaily,
] as unknown as readonly Procedure[]

/** The procedure at one version, or null where it is not known here. */
export const findProcedure = (id: string, version: number): Procedure | null =>
  shipped.find((p) => p.id === id && p.version === version) ?? null

/** The newest version of a procedure, or null where it is not known here. */
export const latestProcedure = (id: string): Procedure | null =>
  shipped.filter((p) => p.id === id).toSorted((a, b) => b.version - a.version)[0] ?? null

/** A family's procedures; those of "dish-machine" serve every kind of it ("dish-machine.chemical"). */
export const proceduresOf = (family: string): Procedure[] => {
  const own = shipped.filter((p) => p.family === family || family.startsWith(`${p.family}.`))
  return [...new Set(own.map((p) => p.id))].flatMap((id) => latestProcedure(id) ?? [])
}

export const allProcedures = (): Procedure[] => [...shipped]
