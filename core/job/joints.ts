import { z } from 'zod'
import { lineId } from '../rig/parts/line'
import { partsOf } from '../vehicle/parts'
import type { Line, Vehicle } from '../vehicle/schema'
import type { CheckIn } from './events'
import type { JobState } from './state'

/** An end of a line that was opened, and what it is screwed into. */
export type Joint = { id: string; line: string; at: string; hose: boolean }

/** Joints at what somebody points at on the map: a line has two ends, a part as many as lines come to it. */
export function jointsAt(job: Known, id: string): Joint[] {
  const chambers = partsOf(job.vehicle, 'master-cylinder').find((part) => part.id === id)?.chambers ?? []
  const here = new Set([id, ...chambers.map((chamber) => chamber.id)])
  return jointsOf(job).filter(({ line, at }) => here.has(line) || here.has(at))
}

/** A hose that ends at a brake: where a hollow bolt holds it, it takes a new washer on either side. @source common practice */
export const mayTakeWashers = ({ vehicle }: Known, { hose, at }: Joint): boolean =>
  hose && partsOf(vehicle, 'wheel-brake').some(({ id }) => id === at)

/** How far one has come: started by hand, tight, and dry on both looks. */
export const jointStateSchema = z.object({
  started: z.boolean(),
  tight: z.boolean(),
  dryAtRest: z.boolean(),
  dryUnderEffort: z.boolean(),
  /** How often it was found wet. */
  wet: z.number(),
})
export type JointState = z.output<typeof jointStateSchema>
export const untouched: JointState = {
  started: false,
  tight: false,
  dryAtRest: false,
  dryUnderEffort: false,
  wet: 0,
}

/** What is said of a joint next, in the order of the work. */
export const jointSteps = ['started', 'tight', 'dry-at-rest', 'dry-under-effort'] as const
export type JointStep = (typeof jointSteps)[number]

type Known = {
  vehicle: Vehicle
  checkIn?: Pick<CheckIn, 'work'>
  joints?: Readonly<Record<string, JointState>>
}

/** Both ends of every line that was opened or renewed, and the ends at every part that was: each once. @source common practice */
export function jointsOf({ vehicle, checkIn }: Known): Joint[] {
  const touched = new Set([...(checkIn?.work.opened ?? []), ...(checkIn?.work.replaced ?? [])])
  if (touched.size === 0) return []
  const partOf = new Map(
    partsOf(vehicle, 'master-cylinder').flatMap(({ id, chambers }) =>
      chambers.map((chamber): [string, string] => [chamber.id, id]),
    ),
  )
  const isTouched = (id: string) => touched.has(id) || touched.has(partOf.get(id) ?? '')
  const ends = vehicle.lines.flatMap((line) => {
    const whole = touched.has(lineId(line))
    return [
      ...(whole || isTouched(line.from) ? [jointAt(line, line.from, line.segments[0]?.kind)] : []),
      ...(whole || isTouched(line.to) ? [jointAt(line, line.to, line.segments.at(-1)?.kind)] : []),
    ]
  })
  // Two lines without a name between the same two parts are one to whoever looks at them.
  return [...new Map(ends.map((joint) => [joint.id, joint])).values()]
}

const jointAt = (line: Line, at: string, kind: string | undefined): Joint => ({
  id: `${lineId(line)} at ${at}`,
  line: lineId(line),
  at,
  hose: kind === 'hose',
})

export const jointState = ({ joints = {} }: Known, id: string): JointState => joints[id] ?? untouched

/** What comes next for a joint; undefined where nothing is left. */
export function nextFor(of: JointState): JointStep | undefined {
  if (!of.started) return 'started'
  if (!of.tight) return 'tight'
  if (!of.dryAtRest) return 'dry-at-rest'
  return of.dryUnderEffort ? undefined : 'dry-under-effort'
}

/** Nothing is proved any more: what was dry under the effort of that proof is looked at anew. */
export const proofsVoid = ({
  joints,
}: Pick<JobState, 'joints'>): Pick<JobState, 'proofs' | 'joints' | 'placesLooked'> => ({
  proofs: {},
  placesLooked: undefined,
  joints:
    joints &&
    Object.fromEntries(Object.entries(joints).map(([id, each]) => [id, { ...each, dryUnderEffort: false }])),
})

/** Joints that were not seen dry on both looks yet. */
export const notDry = (job: Known): Joint[] =>
  jointsOf(job).filter(({ id }) => nextFor(jointState(job, id)) !== undefined)
/** Joints that nobody has started by hand yet: until all are, none is tightened. */
export const notStarted = (job: Known): Joint[] =>
  jointsOf(job).filter(({ id }) => !jointState(job, id).started)
