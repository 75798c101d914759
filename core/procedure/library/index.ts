import { servesFamily } from '../nodes.ts'
import { type Procedure } from '../language.ts'
import batchClose from './batch.close.json' with { type: 'json' }
import batchOpen from './batch.open.json' with { type: 'json' }
import blenderClean from './blender.clean.json' with { type: 'json' }
import blenderOpen from './blender.open.json' with { type: 'json' }
import bottleFill from './bottle.fill.json' with { type: 'json' }
import bucketChange from './bucket.change.json' with { type: 'json' }
import bucketFill from './bucket.fill.json' with { type: 'json' }
import coldStoreClean from './cold-store.clean.json' with { type: 'json' }
import custardClose from './custard.close.json' with { type: 'json' }
import custardHold from './custard.hold.json' with { type: 'json' }
import custardOpen from './custard.open.json' with { type: 'json' }
import dishMachineClose from './dish-machine.close.json' with { type: 'json' }
import dishMachineDelime from './dish-machine.delime.json' with { type: 'json' }
import dishMachineOpen from './dish-machine.open.json' with { type: 'json' }
import espressoClose from './espresso.close.json' with { type: 'json' }
import espressoWeekly from './espresso.weekly.json' with { type: 'json' }
import flushModuleCip from './flush-module.cip.json' with { type: 'json' }
import grinderBurrs from './grinder.burrs.json' with { type: 'json' }
import grinderWeekly from './grinder.weekly.json' with { type: 'json' }
import houseBins from './house.bins.json' with { type: 'json' }
import houseDisposer from './house.disposer.json' with { type: 'json' }
import houseEyeWash from './house.eye-wash.json' with { type: 'json' }
import houseFloors from './house.floors.json' with { type: 'json' }
import houseHood from './house.hood.json' with { type: 'json' }
import houseRestrooms from './house.restrooms.json' with { type: 'json' }
import iceBinHalfYear from './ice-bin.half-year.json' with { type: 'json' }
import iceBinScoop from './ice-bin.scoop.json' with { type: 'json' }
import iceBinWeekly from './ice-bin.weekly.json' with { type: 'json' }
import iceCubeBetween from './ice-cube.between.json' with { type: 'json' }
import iceCubeHalfYear from './ice-cube.half-year.json' with { type: 'json' }
import iceNuggetHalfYear from './ice-nugget.half-year.json' with { type: 'json' }
import nozzlesDaily from './nozzles.daily.json' with { type: 'json' }
import sinkChange from './sink.change.json' with { type: 'json' }
import sinkSetUp from './sink.set-up.json' with { type: 'json' }
import slushByHand from './slush.by-hand.json' with { type: 'json' }
import slushClose from './slush.close.json' with { type: 'json' }
import slushOpen from './slush.open.json' with { type: 'json' }
import slushFilter from './slush.filter.json' with { type: 'json' }
import slushInPlace from './slush.in-place.json' with { type: 'json' }
import softServeGravityClose from './soft-serve-gravity.close.json' with { type: 'json' }
import softServeGravityOpen from './soft-serve-gravity.open.json' with { type: 'json' }
import softServeGravityResume from './soft-serve-gravity.resume.json' with { type: 'json' }
import softServeGravityStandby from './soft-serve-gravity.standby.json' with { type: 'json' }
import softServePumpClose from './soft-serve-pump.close.json' with { type: 'json' }
import softServePumpOpen from './soft-serve-pump.open.json' with { type: 'json' }
import softServeTwinClose from './soft-serve-twin.close.json' with { type: 'json' }
import softServeTwinOpen from './soft-serve-twin.open.json' with { type: 'json' }
import surfaceInPlace from './surface.in-place.json' with { type: 'json' }
import urnDaily from './urn.daily.json' with { type: 'json' }
import dishMachineWaterBack from './dish-machine.water-back.json' with { type: 'json' }
import espressoWaterBack from './espresso.water-back.json' with { type: 'json' }
import flushModuleWaterBack from './flush-module.water-back.json' with { type: 'json' }
import iceCubeWaterBack from './ice-cube.water-back.json' with { type: 'json' }
import iceNuggetWaterBack from './ice-nugget.water-back.json' with { type: 'json' }
import nozzlesWaterBack from './nozzles.water-back.json' with { type: 'json' }
import sinkWaterBack from './sink.water-back.json' with { type: 'json' }
import urnWaterBack from './urn.water-back.json' with { type: 'json' }
import { earlier } from './earlier/index.ts'

/**
 * The procedures that ship, each at its newest version. They are data: their shape is checked against the
 * documented schema and their safety over every way through them, by the tests and wherever one is saved.
 */
const shipped = [
  batchClose,
  batchOpen,
  blenderClean,
  blenderOpen,
  bottleFill,
  bucketChange,
  bucketFill,
  coldStoreClean,
  custardClose,
  custardHold,
  custardOpen,
  dishMachineClose,
  dishMachineDelime,
  dishMachineOpen,
  espressoClose,
  espressoWeekly,
  flushModuleCip,
  grinderBurrs,
  grinderWeekly,
  houseBins,
  houseDisposer,
  houseEyeWash,
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
  slushClose,
  slushOpen,
  slushFilter,
  slushInPlace,
  softServeGravityClose,
  softServeGravityOpen,
  softServeGravityResume,
  softServeGravityStandby,
  softServePumpClose,
  softServePumpOpen,
  softServeTwinClose,
  softServeTwinOpen,
  surfaceInPlace,
  urnDaily,
  dishMachineWaterBack,
  espressoWaterBack,
  flushModuleWaterBack,
  iceCubeWaterBack,
  iceNuggetWaterBack,
  nozzlesWaterBack,
  sinkWaterBack,
  urnWaterBack,
] as unknown as readonly Procedure[]

const everShipped = [...shipped, ...(earlier as readonly Procedure[])]

/** The procedure at one version, or null where it is not known here. */
export const findProcedure = (id: string, version: number): Procedure | null =>
  everShipped.find((p) => p.id === id && p.version === version) ?? null

/** The newest version of a procedure, or null where it is not known here. */
export const latestProcedure = (id: string): Procedure | null =>
  shipped.filter((p) => p.id === id).toSorted((a, b) => b.version - a.version)[0] ?? null

/** A family's procedures; those of "dish-machine" serve every kind of it ("dish-machine.chemical"). */
export const proceduresOf = (family: string): Procedure[] => {
  const own = shipped.filter((p) => servesFamily(p, family))
  return [...new Set(own.map((p) => p.id))].flatMap((id) => latestProcedure(id) ?? [])
}

export const allProcedures = (): Procedure[] => [...shipped]
