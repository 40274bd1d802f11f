import { HOLD_S } from '../../plan/stage-steps'
import { partsOf } from '../../vehicle/parts'
import type { Vehicle } from '../../vehicle/schema'
import type { JobState } from '../state'

/** Where a failed proof leads: never to a dead end. */
export const proofWays = ['set-right', 'bleed-again', 'mend-joint', 'find-fault'] as const
export type ProofWay = (typeof proofWays)[number]

/** What of a job decides which proofs it needs. */
export type ToProve = Pick<JobState, 'vehicle'> & Partial<Pick<JobState, 'extraChecks' | 'planned'>>

/** One proof: what to do, and either a measure with its limit or a plain pass or fail. */
export type ProofCheck = {
  id: string
  title: string
  how: string
  /** A measured value and the most it may be; `basis` says where the limit comes from. */
  measure?: { label: string; unit: string; max: number; basis: 'practice' | 'default' }
  /** Must be held this long by the timer before it can pass. */
  holdS?: number
  /** What to do where it fails, and where that is done. */
  ifFails: string
  way: ProofWay
  applies: (job: ToProve) => boolean
}

const of =
  (match: (vehicle: Vehicle) => boolean) =>
  ({ vehicle }: ToProve) =>
    match(vehicle)
const always = () => true
const onRoad = of(({ kind }) => kind !== 'trailer')
const hasUnit = (vehicle: Vehicle, role?: string) =>
  partsOf(vehicle, 'control-unit').some((part) => role === undefined || part.role === role)
const byWire = of((vehicle) => hasUnit(vehicle, 'brake-by-wire'))
const hydraulicPedal = (job: ToProve) => !byWire(job)
const withBooster = (job: ToProve) =>
  hydraulicPedal(job) && ['car', 'van', 'truck'].includes(job.vehicle.kind)
const withUnit = of((vehicle) => hasUnit(vehicle))
/** Air in a closed branch of a unit shows only after it has worked. */
const unitWorked = (job: ToProve) =>
  byWire(job) || (job.planned?.plan.stages.some(({ kind }) => kind === 'control-unit') ?? false)
const twoSided = of((vehicle) =>
  partsOf(vehicle, 'wheel-brake').some(({ position }) => position.includes('-')),
)
const drums = of((vehicle) => partsOf(vehicle, 'wheel-brake').some(({ brake }) => brake === 'drum'))
const parking = (kind: 'electric' | 'built-in') =>
  of((vehicle) => partsOf(vehicle, 'wheel-brake').some(({ parkingBrake }) => parkingBrake === kind))
const hasParkingBrake = of(
  (vehicle) =>
    !['motorcycle', 'trailer'].includes(vehicle.kind) &&
    !partsOf(vehicle, 'wheel-brake').every(({ parkingBrake }) => parkingBrake === 'none'),
)
const clutch = of((vehicle) => partsOf(vehicle, 'clutch-slave').length > 0)
/** One pedal, one chamber to the brakes: whatever leaks, leaks all of it. */
const singleCircuit = of(
  (vehicle) =>
    partsOf(vehicle, 'master-cylinder').some(
      ({ actuator, chambers }) =>
        actuator === 'pedal' && chambers.filter(({ serves }) => serves !== 'clutch').length === 1,
    ) && !['motorcycle', 'quad'].includes(vehicle.kind),
)

/** Every proof there is, in the order it is done. A new one is one entry here. @source common practice */
const checks: readonly ProofCheck[] = [
  {
    id: 'level',
    title: 'Level at MAX',
    how: 'Level at MAX, room left under the lid, diaphragm and cap on.',
    ifFails: 'Fill or draw to MAX, then check again.',
    way: 'set-right',
    applies: always,
  },
  {
    id: 'closed-up',
    title: 'Closed up',
    how: 'Every bleeder tight and capped, every connector and sensor plugged back, service mode left.',
    ifFails: 'Put it back now, count again.',
    way: 'set-right',
    applies: always,
  },
  {
    id: 'pads-clean',
    title: 'No fluid on pads or shoes',
    how: 'What fluid touched was replaced in pairs; disc or drum is clean and dry.',
    ifFails: 'Replace them now: wetted linings do not hold.',
    way: 'set-right',
    applies: ({ extraChecks = [] }) => extraChecks.includes('pads-clean'),
  },
  {
    id: 'shoes-adjusted',
    title: 'Shoes adjusted',
    how: 'Turn the wheels: shoes adjusted, no drag.',
    ifFails: 'Adjust before judging the pedal.',
    way: 'set-right',
    applies: drums,
  },
  {
    id: 'pads-seated',
    title: 'Pads seated',
    how: 'Press slowly until pads and shoes are seated, before the vehicle moves.',
    ifFails: 'Keep pressing in short strokes; if it never firms up, bleed again.',
    way: 'bleed-again',
    applies: always,
  },
  {
    id: 'pedal-high',
    title: 'Pedal high and firm',
    how: 'Engine off, vacuum used up: the pedal (or lever) is high, and firm at once.',
    ifFails: 'Low and firm on the second press: clearance, adjust first. Springy: air, bleed again.',
    way: 'bleed-again',
    applies: hydraulicPedal,
  },
  {
    id: 'three-presses',
    title: 'Same height on three presses',
    how: 'Engine off. Press three times and measure how much higher the third stands than the first.',
    measure: { label: 'Rise from first to third', unit: 'mm', max: 5, basis: 'default' },
    ifFails: 'It improves by pumping: air, or clearance. Adjust drums, then bleed again.',
    way: 'bleed-again',
    applies: hydraulicPedal,
  },
  {
    id: 'hold-light',
    title: 'Light foot held 30 s',
    how: 'Hold lightly for 30 s and measure how far it sinks. Seals leak at light effort too.',
    measure: { label: 'Sinks by', unit: 'mm', max: 0, basis: 'practice' },
    holdS: HOLD_S,
    ifFails: 'Sinking, nothing wet: the master cylinder passes its own seals. Look for wet joints first.',
    way: 'find-fault',
    applies: hydraulicPedal,
  },
  {
    id: 'hold-firm',
    title: 'Firm foot held 30 s',
    how: 'Hold firmly for 30 s and measure how far it sinks.',
    measure: { label: 'Sinks by', unit: 'mm', max: 0, basis: 'practice' },
    holdS: HOLD_S,
    ifFails:
      'Look for a wet joint; with none, suspect the master cylinder. Block its ports with rated plugs to tell.',
    way: 'find-fault',
    applies: hydraulicPedal,
  },
  {
    id: 'routine-pressure',
    title: 'Unit’s own pressure check',
    how: 'The routine’s own pressure check passed, and a pressure sensor at rest reads zero. A simulated pedal proves nothing.',
    ifFails: 'Repeat the routine; then to fault finding.',
    way: 'find-fault',
    applies: byWire,
  },
  {
    id: 'engine-on',
    title: 'Slight drop with the engine on',
    how: 'Foot on, start the engine: a slight drop only.',
    ifFails: 'No drop: booster. Sinks far: air or a leak.',
    way: 'find-fault',
    applies: withBooster,
  },
  {
    id: 'joints-dry',
    title: 'Every joint dry',
    how: 'Full effort, with the booster where there is one: every opened joint and bleeder is dry with the pressure still on.',
    ifFails: 'Mend the wet joint, then bleed that corner again.',
    way: 'mend-joint',
    applies: always,
  },
  {
    id: 'single-circuit',
    title: 'The one circuit, end to end',
    how: 'One circuit has no second: every joint from cylinder to wheel looked at under full effort, none in doubt.',
    ifFails: 'Any doubt keeps it here: mend the joint, then bleed again.',
    way: 'mend-joint',
    applies: singleCircuit,
  },
  {
    id: 'clutch',
    title: 'Clutch frees',
    how: 'The clutch bites high and frees fully; its slave is dry.',
    ifFails: 'Air in the clutch line: bleed it again, no fast pumping.',
    way: 'bleed-again',
    applies: clutch,
  },
  {
    id: 'wheels-free',
    title: 'Wheels turn free',
    how: 'Each wheel turns free at once when the pedal is let go.',
    ifFails: 'Crack that bleeder: frees at once means a closed hose or a cylinder that does not release.',
    way: 'find-fault',
    applies: always,
  },
  {
    id: 'alike',
    title: 'Left and right alike',
    how: 'Left and right alike, on rollers or in feel.',
    ifFails: 'Compare flow left and right: a hose closed inside shows there.',
    way: 'find-fault',
    applies: twoSided,
  },
  {
    id: 'parking-brake',
    title: 'Parking brake holds',
    how: 'Parking brake holds, and lets go.',
    ifFails: 'Adjust as the maker says.',
    way: 'set-right',
    applies: hasParkingBrake,
  },
  {
    id: 'parking-electric',
    title: 'Electric parking brake out of service mode',
    how: 'Service mode closed out and calibrated, no accidental power while hands were in.',
    ifFails: 'Run the maker’s closing routine again.',
    way: 'set-right',
    applies: parking('electric'),
  },
  {
    id: 'parking-built-in',
    title: 'Pistons with the parking brake adjusted',
    how: 'Lever fully released, piston adjusted, before pedal travel is judged.',
    ifFails: 'Adjust, then judge the pedal again.',
    way: 'set-right',
    applies: parking('built-in'),
  },
  {
    id: 'lamps',
    title: 'Lamps out, no codes',
    how: 'Warning lamps out, codes read and cleared.',
    ifFails: 'Read the codes; repair what they name.',
    way: 'find-fault',
    applies: withUnit,
  },
  {
    id: 'wheel-nuts',
    title: 'Wheel nuts',
    how: 'Wheel nuts in a star pattern to the maker’s torque.',
    ifFails: 'Tighten them now.',
    way: 'set-right',
    applies: onRoad,
  },
  {
    id: 'low-speed',
    title: 'Low-speed stop',
    how: 'A stop at walking pace, inside the yard.',
    ifFails: 'It does not go on the road: bleed again or find the fault.',
    way: 'bleed-again',
    applies: onRoad,
  },
  {
    id: 'road-test',
    title: 'Road test',
    how: 'Road test with feel: straight, firm, even.',
    ifFails: 'It stays here: find the fault.',
    way: 'find-fault',
    applies: onRoad,
  },
  {
    id: 'unit-worked',
    title: 'Firm after the unit has worked',
    how: 'After the unit’s first action: still firm (or its own check still passed), no new code.',
    ifFails: 'Air came out of a closed branch: base bleed again.',
    way: 'bleed-again',
    applies: unitWorked,
  },
  {
    id: 'level-again',
    title: 'Level once more',
    how: 'Level once more after the road test: fluid expands with heat.',
    ifFails: 'Set it to MAX; if it fell, look for a leak.',
    way: 'mend-joint',
    applies: always,
  },
]

/** The checks this job needs: by its vehicle, and by what went wrong on the way. */
export const checksFor = (job: ToProve): ProofCheck[] => checks.filter((check) => check.applies(job))

/** Whether a measured value is inside the limit. */
export const withinLimit = (check: ProofCheck, value: number): boolean =>
  check.measure !== undefined && value >= 0 && value <= check.measure.max
