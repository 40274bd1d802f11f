import { carByWire } from './car-by-wire'
import { carClutchShared } from './car-clutch-shared'
import { carCombinedCylinder } from './car-combined-cylinder'
import { carDiagonalUnit } from './car-diagonal-unit'
import { carDiagonalValves } from './car-diagonal-valves'
import { carFrontRearValve } from './car-front-rear-valve'
import { carSingleCircuit } from './car-single-circuit'
import { carTwoCircuitsInFront } from './car-two-circuits-in-front'
import type { Layout } from './layout'
import { lorry } from './lorry'
import { lorryTwoReservoirs } from './lorry-two-reservoirs'
import { minibus } from './minibus'
import { motorcycleLinked } from './motorcycle-linked'
import { motorcycleSidecar } from './motorcycle-sidecar'
import { motorcycleTwinDisc } from './motorcycle-twin-disc'
import { motorcycleUnit } from './motorcycle-unit'
import { offRoader } from './off-roader'
import { pickupRearUnit } from './pickup-rear-unit'
import { quadLeverPedal } from './quad-lever-pedal'
import { quadOneLever } from './quad-one-lever'
import { threeWheeler } from './three-wheeler'
import { trailerTwoAxles } from './trailer-two-axles'
import { vanElectric } from './van-electric'
import { vanLoadSensing } from './van-load-sensing'

/** Every layout a new vehicle may begin from, as they are offered. */
export const layouts: readonly Layout[] = [
  carDiagonalUnit,
  carDiagonalValves,
  carFrontRearValve,
  carClutchShared,
  carByWire,
  carSingleCircuit,
  carCombinedCylinder,
  carTwoCircuitsInFront,
  threeWheeler,
  offRoader,
  vanLoadSensing,
  minibus,
  vanElectric,
  pickupRearUnit,
  lorry,
  lorryTwoReservoirs,
  motorcycleTwinDisc,
  motorcycleUnit,
  motorcycleLinked,
  motorcycleSidecar,
  quadOneLever,
  quadLeverPedal,
  trailerTwoAxles,
]
