import { z } from 'zod'
import { perObject } from '../base/memo'
import { lineId } from '../rig/parts/line'
import { partsOf } from '../vehicle/parts'
import type { Line, Vehicle } from '../vehicle/schema'
import type { CheckIn } from './events'
import type { JobState } from './state'

/** An end of a line that was opened, and what it is screwed into. */
export type Joint = {
  id: string
  line: string
  at: string
  hose: boolean
  /** Spanner, torque and what holds it, where the vehicle's file says. */
  held: NonNullable<NonNullable<Line['joints']>['from']>
}

/** Joints at what somebody points at on the map: a line has two ends, a part as many as lines come to it. */
export function jointsAt(job: Known, id: string): Joint[] {
  const chambers = partsOf(job.vehicle, 'master-cylinder').find((part) => part.id === id)?.chambers ?? []
  const here = new Set([id, ...chambers.map((chamber) => chamber.id)])
  return jointsOf(job).filter(({ line, at }) => here.has(line) || here.has(at))
}

/**
 * Whether a hollow bolt holds it, which takes a new washer on either side: as the file says, else maybe where a hose ends
 * at a brake. @source common practice
 */
export function washersAt({ vehicle }: Known, { hose, at, held }: Joint): 'takes' | 'may' | undefined {
  if (held.hollowBolt !== undefined) return held.hollowBolt ? 'takes' : undefined
  return hose && partsOf(vehicle, 'wheel-brake').some(({ id }) => id === at) ? 'may' : undefined
}

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
  turned?: readonly string[]
}

/**
 * Both ends of every line that was opened or renewed, the ends at every part that was, and those that were turned on
 * the way: each once. @source common practice
 */
export function jointsOf({ vehicle, checkIn, turned = [] }: Known): Joint[] {
  const { opened = [], replaced = [] } = checkIn?.work ?? {}
  if (opened.length + replaced.length + turned.length === 0) return []
  const touched = new Set([...opened, ...replaced])
  return endsOf(vehicle)
    .filter(
      ({ joint: { id, line, at }, part }) =>
        touched.has(line) || touched.has(at) || touched.has(part) || turned.includes(id),
    )
    .map(({ joint }) => joint)
}

/** The ends of all lines, and the part that each is screwed into: of a port, its cylinder. */
const endsOf = perObject((vehicle: Vehicle): readonly { joint: Joint; part: string }[] => {
  const partOf = new Map(
    partsOf(vehicle, 'master-cylinder').flatMap(({ id, chambers }) =>
      chambers.map((chamber): [string, string] => [chamber.id, id]),
    ),
  )
  const ends = vehicle.lines.flatMap((line) => [jointAt(line, 'from'), jointAt(line, 'to')])
  // Two lines without a name between the same two parts are one to whoever looks at them.
  const each = new Map(ends.map((joint) => [joint.id, { joint, part: partOf.get(joint.at) ?? joint.at }]))
  return [...each.values()]
})

/** What the end of a line is known by. */
export const jointIdAt = (line: Line, at: string): string => `${lineId(line)} at ${at}`

function jointAt(line: Line, end: 'from' | 'to'): Joint {
  const at = line[end]
  const piece = end === 'from' ? line.segments[0] : line.segments.at(-1)
  const held = line.joints?.[end] ?? {}
  return { id: jointIdAt(line, at), line: lineId(line), at, hose: piece?.kind === 'hose', held }
}

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

/** Joints that were turned on the way, and were never off: tight and dry are to be seen anew. */
export function withTurned<S extends Pick<JobState, 'joints' | 'turned'>>(
  state: S,
  ids: readonly string[],
): S {
  const again = (id: string): JointState => ({
    ...untouched,
    started: true,
    wet: state.joints?.[id]?.wet ?? 0,
  })
  return {
    ...state,
    turned: [...new Set([...(state.turned ?? []), ...ids])],
    joints: { ...state.joints, ...Object.fromEntries(ids.map((id) => [id, again(id)])) },
  }
}

/** Joints that were not seen dry on both looks yet. */
export const notDry = (job: Known): Joint[] =>
  jointsOf(job).filter(({ id }) => nextFor(jointState(job, id)) !== undefined)
/** Joints that nobody has started by hand yet: until all are, none is tightened. */
export const notStarted = (job: Known): Joint[] =>
  jointsOf(job).filter(({ id }) => !jointState(job, id).started)
