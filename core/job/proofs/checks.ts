import { type Fact, fact } from '../../base/decision'
import { checkOf } from '../../diagnosis/checks'
import type { Complaint } from '../../diagnosis/complaints'
import type { Found } from '../../diagnosis/request'
import { HOLD_S } from '../../plan/stage-steps'
import { wheelsOff } from '../../plan/wheels-off'
import type { JobState } from '../state'
import {
  always,
  byWire,
  clutch,
  drums,
  hasParkingBrake,
  hydraulicPedal,
  onRoad,
  parking,
  singleCircuit,
  type ToProve,
  twoSided,
  unitsChanged,
  unitWorked,
  withBooster,
  withUnit,
} from './applies'
import { brakedWheels, GOOD, nutPasses, type PlaceToProve, placeIs } from './places'

export type { ToProve }

/** Where a failed proof leads: never to a dead end. */
export const proofWays = ['set-right', 'bleed-again', 'mend-joint', 'find-fault'] as const
export type ProofWay = (typeof proofWays)[number]

/** A proof as it is called. */
export const proofFact = (id: string): Fact => fact(`proof-${id}`)

/** One proof: either a measure with its limit or a plain pass or fail. Its words go by its id. */
export type ProofCheck = {
  id: string
  /** A measured value and the most it may be; `basis` says where the limit comes from: a default, or how closely it is read. */
  measure?: { unit: string; max: number; basis: 'default' | 'reading' }
  /** Must be held this long by the timer before it can pass. */
  holdS?: number
  /** It says that every reservoir stands at MAX: not while the count says otherwise and nobody has poured or looked. */
  atMax?: true
  /** It says that every joint that was opened is dry: not while one of them was not looked at twice. */
  joints?: true
  /** It says that everything is back on: not while something that waits for no proof is off. */
  allBack?: true
  /** Looked at one by one; it says that each of them is good. */
  places?: (job: ToProve) => PlaceToProve[]
  /** What may be found at one of them instead. */
  placeFinds?: readonly string[]
  /** The nuts of a wheel are drawn beside it, with what the vehicle's file says of them. */
  wheelNuts?: true
  /** It says that the control units are sound, by what they said of themselves; `driven`: since the road test. */
  units?: 'now' | 'driven'
  /** It says that the pedal is as it was before a unit worked: not while it was measured deeper. */
  pedalAsBefore?: true
  /** What it rests on: not passed before these have, of those that the vehicle needs. */
  restsOn?: readonly string[]
  /** Where a failure leads. */
  way: ProofWay
  /** What somebody would complain of who drove off with it: where the search for its cause begins. */
  complaint?: Complaint
  /** What it has shown to that search, passed or failed: the same look, made already. */
  shows?: { check: string; passed: string; failed: string }
  applies: (job: ToProve) => boolean
}

/** A sound pedal does not sink at all; a rule beside it is read to so much. @source from memory */
const SINK_READ_MM = 1

/** A hold says nothing of a pedal that is still being pumped up. */
const PEDAL_STANDS = ['pedal-high', 'three-presses']
/** Pressed with full effort, whatever presses: only then do joints weep, and pistons stay out. */
const FULL_EFFORT = ['hold-firm', 'routine-pressure']
/** Whether it stops, holds its fluid and keeps its wheels is known in the bay; the rest shows on the road. */
const BEFORE_DRIVING = [
  'level',
  'closed-up',
  'pads-clean',
  'pedal-high',
  'three-presses',
  'hold-light',
  'hold-firm',
  'routine-pressure',
  'joints-dry',
  'single-circuit',
  'wheels-free',
  'parking-brake',
  'parking-electric',
  'parking-built-in',
  'units-sound',
  'wheel-nuts',
]

/** A look of the search for the fault that showed something, and that no other proof makes again. */
const lookedAgain = (check: string, more: Pick<ProofCheck, 'restsOn' | 'way' | 'complaint'>): ProofCheck => ({
  id: `again-${check}`,
  ...more,
  applies: ({ faultFinding }) =>
    faultFinding?.found.some(
      (found) => found.check === check && found.result !== checkOf(check)?.results[0],
    ) ?? false,
})

/** Every proof there is, in the order it is done. A new one is one entry here. @source common practice */
const checks: readonly ProofCheck[] = [
  {
    id: 'level',
    atMax: true,
    way: 'set-right',
    applies: always,
  },
  {
    id: 'closed-up',
    allBack: true,
    way: 'set-right',
    applies: always,
  },
  {
    id: 'pads-clean',
    way: 'set-right',
    applies: ({ extraChecks = [] }) => extraChecks.includes('pads-clean'),
  },
  {
    id: 'shoes-adjusted',
    way: 'set-right',
    applies: drums,
  },
  lookedAgain('pushrod', { way: 'set-right', complaint: 'drag-all' }),
  lookedAgain('high-point', { way: 'set-right', complaint: 'air-never-ends' }),
  lookedAgain('level-lamp', { way: 'set-right' }),
  lookedAgain('flow', { way: 'find-fault', complaint: 'no-flow-one' }),
  {
    id: 'pads-seated',
    restsOn: ['closed-up', 'shoes-adjusted'],
    way: 'bleed-again',
    applies: always,
  },
  {
    id: 'pedal-high',
    complaint: 'soft-pedal',
    restsOn: ['pads-seated'],
    way: 'bleed-again',
    applies: hydraulicPedal,
  },
  {
    id: 'three-presses',
    shows: { check: 'pump-up', passed: 'same', failed: 'improves' },
    complaint: 'soft-pedal',
    restsOn: ['pedal-high'],
    measure: { unit: 'mm', max: 5, basis: 'default' },
    way: 'bleed-again',
    applies: hydraulicPedal,
  },
  {
    id: 'hold-light',
    shows: { check: 'hold-light', passed: 'holds', failed: 'sinks' },
    complaint: 'sinking-pedal',
    restsOn: PEDAL_STANDS,
    measure: { unit: 'mm', max: SINK_READ_MM, basis: 'reading' },
    holdS: HOLD_S,
    way: 'find-fault',
    applies: hydraulicPedal,
  },
  {
    id: 'hold-firm',
    shows: { check: 'hold-firm', passed: 'holds', failed: 'sinks' },
    complaint: 'sinking-pedal',
    restsOn: PEDAL_STANDS,
    measure: { unit: 'mm', max: SINK_READ_MM, basis: 'reading' },
    holdS: HOLD_S,
    way: 'find-fault',
    applies: hydraulicPedal,
  },
  {
    id: 'routine-pressure',
    restsOn: ['pads-seated'],
    way: 'find-fault',
    applies: byWire,
  },
  {
    id: 'engine-on',
    shows: { check: 'engine-started', passed: 'drops', failed: 'stays' },
    complaint: 'hard-pedal',
    restsOn: ['hold-firm'],
    way: 'find-fault',
    applies: withBooster,
  },
  {
    id: 'joints-dry',
    joints: true,
    restsOn: FULL_EFFORT,
    way: 'mend-joint',
    applies: always,
  },
  {
    id: 'single-circuit',
    restsOn: ['joints-dry'],
    way: 'mend-joint',
    applies: singleCircuit,
  },
  {
    id: 'clutch',
    complaint: 'no-clutch',
    way: 'bleed-again',
    applies: clutch,
  },
  {
    id: 'wheels-free',
    places: brakedWheels,
    placeFinds: ['stays-on', 'no-hold'],
    shows: { check: 'return', passed: 'returns', failed: 'does-not' },
    complaint: 'drag-one',
    restsOn: FULL_EFFORT,
    way: 'find-fault',
    applies: always,
  },
  {
    id: 'alike',
    complaint: 'pulls-to-one-side',
    restsOn: ['wheels-free'],
    way: 'find-fault',
    applies: twoSided,
  },
  {
    id: 'parking-brake',
    restsOn: ['shoes-adjusted'],
    way: 'set-right',
    applies: hasParkingBrake,
  },
  {
    id: 'parking-electric',
    way: 'set-right',
    applies: parking('electric'),
  },
  {
    id: 'parking-built-in',
    way: 'set-right',
    applies: parking('built-in'),
  },
  {
    id: 'lamps',
    way: 'find-fault',
    applies: withUnit,
  },
  {
    id: 'units-sound',
    units: 'now',
    way: 'find-fault',
    applies: unitsChanged,
  },
  {
    id: 'wheel-nuts',
    wheelNuts: true,
    places: nutPasses,
    way: 'set-right',
    applies: ({ vehicle, checkIn }) => wheelsOff(vehicle, checkIn?.work ?? {}).length > 0,
  },
  {
    id: 'low-speed',
    complaint: 'soft-pedal',
    restsOn: BEFORE_DRIVING,
    way: 'bleed-again',
    applies: onRoad,
  },
  {
    id: 'road-test',
    complaint: 'soft-pedal',
    restsOn: ['low-speed'],
    way: 'find-fault',
    applies: onRoad,
  },
  {
    id: 'units-after-drive',
    units: 'driven',
    restsOn: ['road-test', 'units-sound'],
    way: 'find-fault',
    applies: (job) => onRoad(job) && unitsChanged(job),
  },
  lookedAgain('heat', { restsOn: ['road-test'], way: 'find-fault', complaint: 'drag-one' }),
  {
    id: 'unit-worked',
    pedalAsBefore: true,
    complaint: 'soft-pedal',
    restsOn: ['low-speed'],
    way: 'bleed-again',
    applies: unitWorked,
  },
  {
    id: 'level-again',
    complaint: 'low-level',
    restsOn: ['level', 'road-test', 'unit-worked'],
    atMax: true,
    way: 'mend-joint',
    applies: always,
  },
]

/** The checks this job needs: by its vehicle, and by what went wrong on the way. */
export const checksFor = (job: ToProve): ProofCheck[] => checks.filter((check) => check.applies(job))

/** What the proofs that were made say to the search for a fault, with what was measured at them. */
export const shownByProofs = (job: ToProve & Pick<JobState, 'proofs' | 'placesLooked'>): Found[] =>
  checksFor(job).flatMap(({ id, shows, measure, places }): Found[] => {
    const proof = job.proofs[id]
    if (!shows || !proof) return []
    const { passed, value } = proof
    const bad = places?.(job).find((place) => (placeIs(job, id, place.id) ?? GOOD) !== GOOD)
    return [
      {
        check: shows.check,
        result: passed ? shows.passed : shows.failed,
        ...(measure?.unit === 'mm' && value !== undefined && { travelMm: value }),
        ...(bad && !passed && { at: bad.part }),
      },
    ]
  })

/** What has to be proved before this check can pass: of what it rests on, what has not passed yet. */
export const provedFirst = (job: ToProve & Pick<JobState, 'proofs'>, check: ProofCheck): ProofCheck[] =>
  checksFor(job).filter(({ id }) => check.restsOn?.includes(id) && !job.proofs[id]?.passed)

/** Whether a measured value is inside the limit. */
export const withinLimit = (check: ProofCheck, value: number): boolean =>
  check.measure !== undefined && value >= 0 && value <= check.measure.max
