import batchClose1 from './batch.close.json' with { type: 'json' }
import batchOpen1 from './batch.open.json' with { type: 'json' }
import bottleFill1 from './bottle.fill.json' with { type: 'json' }
import bucketChange1 from './bucket.change.json' with { type: 'json' }
import bucketFill1 from './bucket.fill.json' with { type: 'json' }
import custardClose1 from './custard.close.json' with { type: 'json' }
import custardHold1 from './custard.hold.json' with { type: 'json' }
import custardOpen1 from './custard.open.json' with { type: 'json' }
import dishMachineClose1 from './dish-machine.close.json' with { type: 'json' }
import dishMachineDelime1 from './dish-machine.delime.json' with { type: 'json' }
import dishMachineOpen1 from './dish-machine.open.json' with { type: 'json' }
import espressoClose1 from './espresso.close.json' with { type: 'json' }
import flushModuleCip1 from './flush-module.cip.json' with { type: 'json' }
import grinderWeekly1 from './grinder.weekly.json' with { type: 'json' }
import houseBins1 from './house.bins.json' with { type: 'json' }
import houseDisposer1 from './house.disposer.json' with { type: 'json' }
import houseFloors1 from './house.floors.json' with { type: 'json' }
import houseHood1 from './house.hood.json' with { type: 'json' }
import houseRestrooms1 from './house.restrooms.json' with { type: 'json' }
import iceBinHalfYear1 from './ice-bin.half-year.json' with { type: 'json' }
import iceBinScoop1 from './ice-bin.scoop.json' with { type: 'json' }
import iceBinWeekly1 from './ice-bin.weekly.json' with { type: 'json' }
import iceCubeBetween1 from './ice-cube.between.json' with { type: 'json' }
import iceCubeHalfYear1 from './ice-cube.half-year.json' with { type: 'json' }
import iceNuggetHalfYear1 from './ice-nugget.half-year.json' with { type: 'json' }
import nozzlesDaily1 from './nozzles.daily.json' with { type: 'json' }
import sinkChange1 from './sink.change.json' with { type: 'json' }
import sinkSetUp1 from './sink.set-up.json' with { type: 'json' }
import slushByHand1 from './slush.by-hand.json' with { type: 'json' }
import slushInPlace1 from './slush.in-place.json' with { type: 'json' }
import softServeGravityClose1 from './soft-serve-gravity.close.json' with { type: 'json' }
import softServeGravityOpen1 from './soft-serve-gravity.open.json' with { type: 'json' }
import softServePumpClose1 from './soft-serve-pump.close.json' with { type: 'json' }
import softServePumpOpen1 from './soft-serve-pump.open.json' with { type: 'json' }
import softServeTwinClose1 from './soft-serve-twin.close.json' with { type: 'json' }
import softServeTwinOpen1 from './soft-serve-twin.open.json' with { type: 'json' }
import surfaceInPlace1 from './surface.in-place.json' with { type: 'json' }
import urnDaily1 from './urn.daily.json' with { type: 'json' }
import slushInPlace2 from './slush.in-place.v2.json' with { type: 'json' }
import slushByHand2 from './slush.by-hand.v2.json' with { type: 'json' }
import custardOpen2 from './custard.open.v2.json' with { type: 'json' }
import custardClose2 from './custard.close.v2.json' with { type: 'json' }
import custardHold2 from './custard.hold.v2.json' with { type: 'json' }
import softServeTwinOpen2 from './soft-serve-twin.open.v2.json' with { type: 'json' }
import softServeTwinClose2 from './soft-serve-twin.close.v2.json' with { type: 'json' }
import softServeGravityOpen2 from './soft-serve-gravity.open.v2.json' with { type: 'json' }
import softServeGravityClose2 from './soft-serve-gravity.close.v2.json' with { type: 'json' }
import softServePumpOpen2 from './soft-serve-pump.open.v2.json' with { type: 'json' }
import softServePumpClose2 from './soft-serve-pump.close.v2.json' with { type: 'json' }
import batchOpen2 from './batch.open.v2.json' with { type: 'json' }
import batchClose2 from './batch.close.v2.json' with { type: 'json' }
import flushModuleCip2 from './flush-module.cip.v2.json' with { type: 'json' }
import iceCubeHalfYear2 from './ice-cube.half-year.v2.json' with { type: 'json' }
import iceNuggetHalfYear2 from './ice-nugget.half-year.v2.json' with { type: 'json' }
import dishMachineClose2 from './dish-machine.close.v2.json' with { type: 'json' }
import dishMachineOpen2 from './dish-machine.open.v2.json' with { type: 'json' }
import dishMachineDelime2 from './dish-machine.delime.v2.json' with { type: 'json' }
import sinkChange2 from './sink.change.v2.json' with { type: 'json' }
import sinkSetUp2 from './sink.set-up.v2.json' with { type: 'json' }
import grinderWeekly2 from './grinder.weekly.v2.json' with { type: 'json' }
import houseHood2 from './house.hood.v2.json' with { type: 'json' }
import nozzlesDaily2 from './nozzles.daily.v2.json' with { type: 'json' }

/** Versions that have been followed: runs that were begun on them stay on them. They are neither checked nor begun any more. */ import batchOpen3 from './batch.open.v3.json' with { type: 'json' }
import custardOpen3 from './custard.open.v3.json' with { type: 'json' }
import slushByHand3 from './slush.by-hand.v3.json' with { type: 'json' }
import slushInPlace3 from './slush.in-place.v3.json' with { type: 'json' }
import slushOpen1 from './slush.open.v1.json' with { type: 'json' }
import softServeGravityOpen3 from './soft-serve-gravity.open.v3.json' with { type: 'json' }
import softServePumpOpen3 from './soft-serve-pump.open.v3.json' with { type: 'json' }
import softServeTwinOpen3 from './soft-serve-twin.open.v3.json' with { type: 'json' }
import iceCubeHalfYear3 from './ice-cube.half-year.v3.json' with { type: 'json' }
import iceCubeBetween2 from './ice-cube.between.v2.json' with { type: 'json' }
import iceNuggetHalfYear3 from './ice-nugget.half-year.v3.json' with { type: 'json' }
import dishMachineOpen3 from './dish-machine.open.v3.json' with { type: 'json' }
import flushModuleCip3 from './flush-module.cip.v3.json' with { type: 'json' }

export const earlier: readonly unknown[] = [
  batchClose1,
  batchOpen1,
  bottleFill1,
  bucketChange1,
  bucketFill1,
  custardClose1,
  custardHold1,
  custardOpen1,
  dishMachineClose1,
  dishMachineDelime1,
  dishMachineOpen1,
  espressoClose1,
  flushModuleCip1,
  grinderWeekly1,
  houseBins1,
  houseDisposer1,
  houseFloors1,
  houseHood1,
  houseRestrooms1,
  iceBinHalfYear1,
  iceBinScoop1,
  iceBinWeekly1,
  iceCubeBetween1,
  iceCubeHalfYear1,
  iceNuggetHalfYear1,
  nozzlesDaily1,
  sinkChange1,
  sinkSetUp1,
  slushByHand1,
  slushInPlace1,
  softServeGravityClose1,
  softServeGravityOpen1,
  softServePumpClose1,
  softServePumpOpen1,
  softServeTwinClose1,
  softServeTwinOpen1,
  surfaceInPlace1,
  urnDaily1,
  slushInPlace2,
  slushByHand2,
  custardOpen2,
  custardClose2,
  custardHold2,
  softServeTwinOpen2,
  softServeTwinClose2,
  softServeGravityOpen2,
  softServeGravityClose2,
  softServePumpOpen2,
  softServePumpClose2,
  batchOpen2,
  batchClose2,
  flushModuleCip2,
  iceCubeHalfYear2,
  iceNuggetHalfYear2,
  dishMachineClose2,
  dishMachineOpen2,
  dishMachineDelime2,
  sinkChange2,
  sinkSetUp2,
  grinderWeekly2,
  houseHood2,
  nozzlesDaily2,
  batchOpen3,
  custardOpen3,
  slushByHand3,
  slushInPlace3,
  slushOpen1,
  softServeGravityOpen3,
  softServePumpOpen3,
  softServeTwinOpen3,
  iceCubeHalfYear3,
  iceCubeBetween2,
  iceNuggetHalfYear3,
  dishMachineOpen3,
  flushModuleCip3,
]
