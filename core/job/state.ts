import type { Fact } from '../base/decision'
import type { Bubbles, Colour } from '../fluid/specs/colour'
import type { Plan, Setup, Stage } from '../plan/answer'
import type { Shop } from '../plan/request'
import type { CallState } from '../technique/calls'
import type { Step } from '../technique/step'
import type { Vehicle } from '../vehicle/schema'
import type { Hung } from './bottles'
import type { CheckIn, Container, EventOf, FloorEvent, Person } from './events'
import type { KeptFinding } from './events/fault-looked'
import type { DeclinedLine } from './events/line-declined'
import type { KeptSheet } from './events/sheet-filled'
import type { JointState } from './joints'
import type { OffThing } from './off-things'
import type { PedalFelt } from './pedal-felt'
import type { Standing } from './standing'
import type { UnitLedger } from './unit-ledger'
import type { Weighed } from './weighed'

export const stations = ['check-in', 'test', 'plan', 'bleed', 'prove', 'file'] as const
export type Station = (typeof stations)[number]

/** What is known of one place that is worked at in a stage: a bleeder, a port of the cylinder, the cylinder in the vice. */
export type PointRun = {
  ready: boolean
  finished: boolean
  pulls: number
  /** Of these, the ones since its count last began. */
  counted: number
  /** Through this point since its count last began. */
  ml: number
  /** Pulls (or looks) in a row, up to the last one, with no bubbles and new colour. */
  cleanStreak: number
  /** Times air was drawn in here. */
  airDrawn: number
  /** Fine bubbles were left time to rise (bench alone). */
  settled?: boolean
  /** What keeps it from being bled, until it is mended. */
  trouble?: 'seized' | 'snapped' | 'stripped'
  /** Finished once, and air may have come this far since: clean pulls are wanted again, the volume stays. */
  doubtful?: boolean
  colour?: Colour
  /** The colour of its first look: what had stood in its line. */
  firstColour?: Colour
  bubbles?: Bubbles
  /** Looks in a row, up to the last one, at pulls that moved next to nothing. */
  still?: number
  /** Where what does not come was looked for, and what was found, by look: gone once something moves again. */
  flowLooked?: Record<string, string>
  /** The bubbles of the last few looks, the newest last. */
  looks?: Bubbles[]
  /** Pulls since the last look, which the next one speaks for. */
  unseen?: Unseen
  /** What its bottle is taken to have passed while another one was in hand: gone from the reservoir by count. */
  countedMl?: number
  /** Of that, before its reservoir’s level was seen last. */
  countedSeenMl?: number
  /** What came since the last look by the scale under the bottle. */
  weighedMl?: number
  /** When it was looked at last. */
  seenAt?: string
  /** What came while it stood open and something drove it, and in how long. */
  timedMl?: number
  timedS?: number
  /** Which other bottles ran all that while: lines that are shared pass less to each. */
  timedWith?: string[]
}

/**
 * Pulls that nobody looked at: how many, of these since air was drawn in, and what they are taken to have brought where
 * no scale told it; of how many the hose was said to be clear at closing; `short` once the scale told much less than they
 * should bring.
 */
export type Unseen = {
  pulls: number
  sinceAir: number
  ml: number
  clear?: number
  weighed?: number
  short?: true
}

/** What went in and out during one stage. */
export type Tally = {
  inMl: number
  /** Into the bottle. */
  outMl: number
  /** Drawn from the reservoir. */
  drawnMl: number
  spilledMl: number
  /** Fluid gone (above 0) or found (below) that nobody wrote down, seen whenever a level is looked at. */
  unaccountedMl: number
}

/** One stage as it is being done. */
export type StageRunState = {
  stage: Stage
  stepsDone: string[]
  /** Where it is worked, in order. */
  points: string[]
  at: Record<string, PointRun>
  tally: Tally
}

/** Steps that something gone wrong puts before everything else. */
export type Mend = { id: string; steps: Step[]; stepsDone: string[] }

/** The live job. */
export type RunState = {
  plateConfirmed: boolean
  stageIndex: number
  stages: StageRunState[]
  /** Settings, cautions and reasons as they hold now. */
  setup: Setup
  call: CallState
  /** Where the call is under way, or its look is due; absent at rest. */
  callAt?: string
  /** Bottles that run at other bleeders meanwhile: where the call itself stands open, has slipped, or was just closed. */
  hung?: Hung[]
  /** A pull has ended, and what came out is written down before the next. */
  lookDue: boolean
  /** Fluid in each reservoir; absent while nobody has said. */
  levelMl: Record<string, number>
  /** Of that, what is old as the bleed begins, from the first draw on. */
  oldMl?: Record<string, number>
  /** What has to leave each bleeder, where a draw left more or less of the old than was planned. */
  amounts?: Record<string, number>
  /** What stands in the catch bottle, by its own marks. */
  bottleMl: number
  mends: Mend[]
  /** What the scale under it told so far; absent where there is none. */
  weighed?: Weighed
  /** An inverted bottle stands on the reservoir and keeps its level. */
  bottleOn?: true
  /** What is left in the machine's own tank, or in that bottle, by what went through since it was looked at; absent while nobody has said. */
  tankMl?: number
  /** Since when the joint stands open, or since the last look while it does. */
  openedAt?: string
  /** How much of each line the reservoir's fluid fills by now, mL by the line's key. */
  frontMl?: Record<string, number>
  /** When each running timer was started, by the step or check it belongs to. */
  timers: Record<string, string>
}

/** What went wrong, what that changed, and what stays good. */
export type TroubleReport = {
  eventId: string
  at: string
  by?: Person
  what: string
  says: Fact
  stillValid: string[]
  startAgain: string[]
  doubtful: string[]
}

/** A bleed that was given up before its plan's end, with what it moved. */
export type EarlierRun = { why: Fact; plate: string; at: string; tally: Tally }

/** What stood before one act, so that it can be taken back: only what the act changed. */
export type Undoable = {
  eventId: string
  type: FloorEvent['type']
  keys: UndoKey[]
  before: Partial<Pick<JobState, UndoKey>>
}
export const undoKeys = [
  'run',
  'proofs',
  'troubles',
  'checkIn',
  'planned',
  'earlier',
  'extraChecks',
  'containers',
  'standing',
  'joints',
  'turned',
  'offThings',
  'placesLooked',
  'failedProofs',
  'units',
] as const
export type UndoKey = (typeof undoKeys)[number]

/** Acts recorded long after they were done: how many, done from when to when, and how long the longest waited. */
export type LateActs = { acts: number; from: string; to: string; longestS: number }

/** A container that was poured from, and what was poured beyond what it held by the book: of another nobody has named. */
export type UsedContainer = Container & { beyondMl?: number }

export type Proof = Pick<EventOf<'check-proved'>, 'passed' | 'value' | 'note' | 'remedy' | 'at' | 'by'>
/** A proof that failed once: what was found, and what was done about it once that was said. */
export type FailedProof = Omit<Proof, 'passed'> & { check: string }
export type Parked = EventOf<'parked'>

/** All that is known of a job, from its events alone. */
export type JobState = {
  vehicle: Vehicle
  vehicleId: string
  plate: string
  openedAt: string
  lastAt: string
  /** Everyone who recorded something on it, in the order they first did. */
  people: Person[]
  /** The filed job this one came back from. */
  comebackOf?: string
  /** Vehicles it stood on by mistake before. */
  movedFrom: EventOf<'vehicle-moved'>['from'][]
  checkIn?: CheckIn
  tested?: EventOf<'tested'>
  planned?: { shop: Shop; plan: Plan; fromBench?: EventOf<'planned'>['fromBench'] }
  run?: RunState
  /** The bleed was done with the bay card in hand and entered afterwards. */
  fromPaper?: EventOf<'paper-entered'>
  /** What is looked for, and what was found so far. */
  faultFinding?: KeptFinding
  /** Sheets of its parts, by sheet and part. */
  sheets?: Record<string, KeptSheet>
  /** What of an estimate the customer declined. */
  declinedLines?: DeclinedLine[]
  /** Joints that were opened, by id: how far each has come. */
  joints?: Record<string, JointState>
  /** Of these, the ones that were turned on the way: cracked to see where fluid stops, or mended since they leaked. */
  turned?: string[]
  /** What proofs that look place by place found, by proof and place. */
  placesLooked?: Record<string, Record<string, string>>
  /** What was changed on its control units, and what they said of themselves, by unit. */
  units?: Record<string, UnitLedger>
  /** What came off to get at the brakes, the oldest first. */
  offThings?: OffThing[]
  /** How the pedal travelled, each time somebody pressed it with a rule beside it. */
  pedal?: PedalFelt[]
  earlier: EarlierRun[]
  proofs: Record<string, Proof>
  /** Each time that one failed, the oldest first, whatever came of it since. */
  failedProofs?: FailedProof[]
  /** Checks of the proof that something gone wrong added. */
  extraChecks: string[]
  containers: UsedContainer[]
  troubles: TroubleReport[]
  /** What stands open, set up or broken on the vehicle, whatever the plan. */
  standing: Standing
  bleedAgainWhy: string[]
  parked?: Parked
  /** Times it was parked and taken up again. */
  parkings: { parked: Parked; resumed: EventOf<'resumed'> }[]
  filed?: EventOf<'filed'>
  addenda: EventOf<'addendum'>[]
  /** The last few acts that can be taken back, the newest last. */
  undoable: Undoable[]
  /** How many events there were, so that a reader knows which state it holds. */
  length: number
  /** Acts that a screen kept for a while because there was no server. */
  late?: LateActs
  /** Acts that bear one name and were sent from a screen that somebody else held. */
  sentFor?: { by: Person; sentBy: Person; acts: number }[]
  /** How often the call has gone on or back: never the same twice, also where an undo brings a call back. */
  callTurn?: number
}
