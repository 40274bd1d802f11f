import { boosterOf } from '../../vehicle/booster'
import { partsOf } from '../../vehicle/parts'
import type { Vehicle } from '../../vehicle/schema'
import type { CheckIn } from '../events'
import { stagesNow } from '../selectors'
import type { JobState } from '../state'
import { workedUnits } from '../unit-ledger'

/** What of a job decides which proofs it needs. */
export type ToProve = Pick<JobState, 'vehicle'> &
  Partial<Pick<JobState, 'extraChecks' | 'planned' | 'run' | 'faultFinding'>> & {
    checkIn?: Pick<CheckIn, 'work'>
  }

const of =
  (match: (vehicle: Vehicle) => boolean) =>
  ({ vehicle }: ToProve) =>
    match(vehicle)
export const always = () => true
export const onRoad = of(({ kind }) => kind !== 'trailer')
const hasUnit = (vehicle: Vehicle, role?: string) =>
  partsOf(vehicle, 'control-unit').some((part) => role === undefined || part.role === role)
export const byWire = of((vehicle) => hasUnit(vehicle, 'brake-by-wire'))
export const hydraulicPedal = (job: ToProve) => !byWire(job)
export const withBooster = (job: ToProve) => hydraulicPedal(job) && boosterOf(job.vehicle) !== 'none'
export const withUnit = of((vehicle) => hasUnit(vehicle))
/** Air in a closed branch of a unit shows only after it has worked. */
export const unitWorked = (job: ToProve) =>
  byWire(job) || stagesNow(job).some(({ kind }) => kind === 'control-unit')
/** Some control unit was replaced, opened, or run through a routine on this job. */
export const unitsChanged = (job: ToProve) => workedUnits(job).length > 0
export const twoSided = of((vehicle) =>
  partsOf(vehicle, 'wheel-brake').some(({ position }) => position.includes('-')),
)
export const drums = of((vehicle) => partsOf(vehicle, 'wheel-brake').some(({ brake }) => brake === 'drum'))
export const parking = (kind: 'electric' | 'built-in') =>
  of((vehicle) => partsOf(vehicle, 'wheel-brake').some(({ parkingBrake }) => parkingBrake === kind))
export const hasParkingBrake = of(
  (vehicle) =>
    !['motorcycle', 'trailer'].includes(vehicle.kind) &&
    !partsOf(vehicle, 'wheel-brake').every(({ parkingBrake }) => parkingBrake === 'none'),
)
export const clutch = of((vehicle) => partsOf(vehicle, 'clutch-slave').length > 0)
/** One pedal, one chamber to the brakes: whatever leaks, leaks all of it. */
export const singleCircuit = of(
  (vehicle) =>
    partsOf(vehicle, 'master-cylinder').some(
      ({ actuator, chambers }) =>
        actuator === 'pedal' && chambers.filter(({ serves }) => serves !== 'clutch').length === 1,
    ) && !['motorcycle', 'quad'].includes(vehicle.kind),
)
