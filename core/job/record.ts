import { z } from 'zod'
import type { Fact } from '../base/decision'
import { factSchema } from '../base/fact-schema'
import { type Fault, faultLine } from '../base/fault'
import { faultsOf } from '../base/zod-faults'
import { bubbleKinds, colours } from '../fluid/specs/colour'
import { planSchema, setupOf, setupSchema, stageSchema } from '../plan/answer'
import { shopSchema } from '../plan/request'
import { callStates } from '../technique/calls'
import { stepSchema } from '../technique/step'
import { vehicleSchema } from '../vehicle/schema'
import { addendumSchema } from './events/addendum'
import { checkInSchema } from './events/checked-in'
import { containerSchema } from './events/container'
import { keptFindingSchema } from './events/fault-looked'
import { filedSchema } from './events/filed'
import { declinedLineSchema } from './events/line-declined'
import { paperEnteredSchema } from './events/paper-entered'
import { parkedSchema } from './events/parked'
import { benchSaid, fromBenchSchema } from './events/planned'
import { resumedSchema } from './events/resumed'
import { keptSheetSchema } from './events/sheet-filled'
import { person } from './events/stamp'
import { testedSchema } from './events/tested'
import { jointStateSchema } from './joints'
import { offThingSchema } from './off-things'
import { pedalFeltSchema } from './pedal-felt'
import { standingSchema } from './standing'
import type { JobState } from './state'
import { unitLedgerSchema } from './unit-ledger'

/** Version of the frozen record that is written today. */
export const RECORD_VERSION = 4

const id = z.string().max(200)
const amount = z.number()

const tallySchema = z.object({
  inMl: amount,
  outMl: amount,
  drawnMl: amount,
  spilledMl: amount,
  unaccountedMl: amount,
})

const pointSchema = z.object({
  ready: z.boolean(),
  finished: z.boolean(),
  pulls: z.number(),
  counted: z.number(),
  ml: amount,
  cleanStreak: z.number(),
  airDrawn: z.number(),
  settled: z.boolean().optional(),
  trouble: z.enum(['seized', 'snapped', 'stripped']).optional(),
  doubtful: z.boolean().optional(),
  colour: z.enum(colours).optional(),
  firstColour: z.enum(colours).optional(),
  bubbles: z.enum(bubbleKinds).optional(),
  still: z.number().optional(),
  flowLooked: z.record(z.string(), z.string()).optional(),
  looks: z.array(z.enum(bubbleKinds)).optional(),
  unseen: z
    .object({
      pulls: z.number(),
      sinceAir: z.number(),
      ml: amount,
      clear: z.number().optional(),
      weighed: z.number().optional(),
      short: z.literal(true).optional(),
    })
    .optional(),
  weighedMl: amount.optional(),
  countedMl: amount.optional(),
  countedSeenMl: amount.optional(),
  seenAt: z.string().optional(),
  timedMl: amount.optional(),
  timedS: amount.optional(),
  timedWith: z.array(id).optional(),
})

const runSchema = z.object({
  plateConfirmed: z.boolean(),
  stageIndex: z.number(),
  stages: z.array(
    z.object({
      stage: stageSchema,
      stepsDone: z.array(id),
      points: z.array(id),
      at: z.record(z.string(), pointSchema),
      tally: tallySchema,
    }),
  ),
  setup: setupSchema,
  call: z.enum(callStates),
  callAt: id.optional(),
  hung: z
    .array(
      z.object({
        point: id,
        bottleMl: amount,
        openedAt: z.string().optional(),
        since: z.string().optional(),
      }),
    )
    .optional(),
  lookDue: z.boolean(),
  levelMl: z.record(z.string(), amount),
  oldMl: z.record(z.string(), amount).optional(),
  amounts: z.record(z.string(), amount).optional(),
  bottleOn: z.literal(true).optional(),
  bottleMl: amount,
  mends: z.array(z.object({ id, steps: z.array(stepSchema), stepsDone: z.array(id) })),
  weighed: z.object({ times: z.number(), ml: amount }).optional(),
  tankMl: amount.optional(),
  openedAt: z.string().optional(),
  frontMl: z.record(z.string(), amount).optional(),
  timers: z.record(z.string(), z.string()),
})

/** A job as it was signed, with all that its record shows. */
export const recordSchema = z.object({
  version: z.literal(RECORD_VERSION),
  vehicle: vehicleSchema,
  vehicleId: id,
  plate: id,
  openedAt: z.string(),
  lastAt: z.string(),
  people: z.array(person),
  comebackOf: id.optional(),
  movedFrom: z.array(z.object({ vehicleId: id, plate: id, name: id })),
  checkIn: checkInSchema.optional(),
  tested: testedSchema.optional(),
  planned: z
    .object({
      shop: shopSchema,
      plan: planSchema,
      fromBench: z.array(fromBenchSchema).optional(),
    })
    .optional(),
  run: runSchema.optional(),
  fromPaper: paperEnteredSchema.optional(),
  faultFinding: keptFindingSchema.optional(),
  sheets: z.record(z.string(), keptSheetSchema).optional(),
  declinedLines: z.array(declinedLineSchema).optional(),
  joints: z.record(z.string(), jointStateSchema).optional(),
  turned: z.array(id).optional(),
  offThings: z.array(offThingSchema).optional(),
  placesLooked: z.record(z.string(), z.record(z.string(), z.string())).optional(),
  units: z.record(z.string(), unitLedgerSchema).optional(),
  pedal: z.array(pedalFeltSchema).optional(),
  earlier: z.array(z.object({ why: factSchema, plate: id, at: z.string(), tally: tallySchema })),
  proofs: z.record(
    z.string(),
    z.object({
      passed: z.boolean(),
      value: z.number().optional(),
      note: z.string(),
      remedy: z.string().optional(),
      at: z.string(),
      by: person.optional(),
    }),
  ),
  /** Records of before know only how each ended. */
  failedProofs: z
    .array(
      z.object({
        check: id,
        value: z.number().optional(),
        note: z.string(),
        remedy: z.string().optional(),
        at: z.string(),
        by: person.optional(),
      }),
    )
    .optional(),
  extraChecks: z.array(id),
  containers: z.array(containerSchema.extend({ beyondMl: z.number().optional() })),
  troubles: z.array(
    z.object({
      eventId: id,
      at: z.string(),
      by: person.optional(),
      what: id,
      says: factSchema,
      stillValid: z.array(id),
      startAgain: z.array(id),
      doubtful: z.array(id),
    }),
  ),
  /** Records of before know nothing of it. */
  standing: standingSchema.default({ up: [], open: [], broken: [] }),
  bleedAgainWhy: z.array(z.string()),
  parked: parkedSchema.optional(),
  parkings: z.array(z.object({ parked: parkedSchema, resumed: resumedSchema })),
  filed: filedSchema.optional(),
  addenda: z.array(addendumSchema),
  /** The record in words, as it was filed; kept whole and read by whoever shows it. Absent before the third version. */
  shown: z.unknown().optional(),
  length: z.number(),
  late: z.object({ acts: z.number(), from: z.string(), to: z.string(), longestS: z.number() }).optional(),
  sentFor: z.array(z.object({ by: person, sentBy: person, acts: z.number() })).optional(),
  callTurn: z.number().optional(),
})
type StoredRecord = z.output<typeof recordSchema>

/**
 * The record of a job that is filed: what could be taken back no longer can.
 *
 * @param shown the record in words, as it is read when it is filed
 */
export function recordOf({ undoable: _gone, ...state }: JobState, shown?: unknown): StoredRecord {
  return { version: RECORD_VERSION, ...state, shown }
}

type Loose = Record<string, unknown>
const recorded = (code: string, text: unknown): Fact => ({ code, text: String(text ?? '') })

/** Version 1 held sentences, and what holds for the stages only in the plan that was taken. */
function fromVersion1(old: Loose): Loose {
  const run = old.run as (Loose & { stages: Loose[] }) | undefined
  const planned = old.planned as (Loose & { plan: Loose & { stages: Loose[] } }) | undefined
  const points = (run?.stages ?? []).map((stage) => stage.points)
  const plan = planned && {
    ...planned.plan,
    stages: planned.plan.stages.map((stage, i) => ({ points: points[i] ?? stage.order, ...stage })),
  }
  return {
    ...old,
    version: 2,
    planned: planned && { ...planned, plan },
    run: run && {
      ...run,
      stages: run.stages.map((each) => ({
        ...each,
        stage: { points: each.points, ...(each.stage as Loose) },
      })),
      setup: run.setup ?? (plan && setupOf(planSchema.parse(plan))),
    },
    earlier: (old.earlier as Loose[]).map((each) => ({ ...each, why: recorded('as-recorded', each.why) })),
    troubles: (old.troubles as Loose[]).map(({ text, ...report }) => ({
      ...report,
      says: recorded(String(report.what), text),
    })),
  }
}

/** Version 3 held a sentence of what was carried from the Bench. */
function fromVersion3(old: Loose): Loose {
  const planned = old.planned as { fromBench?: Parameters<typeof benchSaid>[0] } | undefined
  const said = planned?.fromBench && { ...planned, fromBench: benchSaid(planned.fromBench) }
  return { ...old, version: RECORD_VERSION, ...(said && { planned: said }) }
}

/** A record that cannot be read, and why. */
export class UnreadableRecord extends Error {
  constructor(readonly faults: readonly Fault[]) {
    super(`this record cannot be read: ${faults.map(faultLine).join('; ')}`)
  }
}

/** A record as it was frozen, by whichever version. @throws UnreadableRecord */
export function readRecord(stored: unknown): JobState {
  const body = stored as Loose
  const second = body.version === undefined ? fromVersion1(body) : body
  const third = second.version === 2 ? { ...second, version: 3 } : second
  const read = recordSchema.safeParse(third.version === 3 ? fromVersion3(third) : third)
  if (!read.success) throw new UnreadableRecord(faultsOf(read.error))
  const { version: _version, shown: _shown, ...state } = read.data
  return { ...state, undoable: [] }
}
