import { type Fact, fact, type Reason, reason } from '../base/decision'
import { wearDrop } from '../physics/exchange/wear-drop'
import { atWheel, inCab, type Step } from '../technique/step'
import { brakesFedBy } from '../vehicle/network'
import { partFact, partsOf, reservoirFact } from '../vehicle/parts'
import type { PartOf } from '../vehicle/schema'
import { portsCovered } from '../vehicle/usual-volumes'
import type { Stage } from './answer'
import type { PlanRequest } from './request'
import { wearOf } from './volumes'

/** Pistons of brakes on one reservoir that are pressed home for new pads, and what comes up into it. */
export type PistonsHome = {
  reservoir: PartOf<'reservoir'>
  brakes: PartOf<'wheel-brake'>[]
  /** What they held by standing out: area × wear; nothing where the whole system is empty. */
  ml: number
  /** What stands in it as it came in: as seen, none where it is dry, else taken to be at MAX. */
  standsMl: number
  /** So much more than there is room for below MAX. */
  tooMuchMl: number
  /** Where it is drawn to before, so that there is room: never below its ports. */
  roomToMl: number
  /** Somebody saw how full it is, or that it ran dry. */
  levelSeen: boolean
}

type Asked = Pick<PlanRequest, 'vehicle' | 'work'>

/** What stands in a reservoir as it came in; undefined where nobody saw it. */
function seenMlOf({ work }: Asked, id: string): number | undefined {
  const dry = work.systemEmpty || work.ranDry || work.replaced.includes(id)
  return work.levelMl?.[id] ?? (dry ? 0 : undefined)
}

/**
 * What pistons that are pressed home bring up into each reservoir. One whose level nobody has seen is taken to stand at
 * MAX.
 *
 * @source geometry
 */
export function pistonsHome(asked: Asked): PistonsHome[] {
  const { vehicle, work } = asked
  const pressed = new Set(work.pistonsHome ?? [])
  return partsOf(vehicle, 'reservoir').flatMap((reservoir) => {
    const brakes = brakesFedBy(vehicle, reservoir.id).filter(({ id }) => pressed.has(id))
    // A brake on two reservoirs is pressed once.
    for (const { id } of brakes) pressed.delete(id)
    if (brakes.length === 0) return []
    const heldMl = brakes.reduce(
      (sum, brake) => sum + wearDrop({ pistons: brake.pistons, wearMm: wearOf(brake, work.padWearMm) }).ml,
      0,
    )
    const ml = work.systemEmpty ? 0 : heldMl
    const seenMl = seenMlOf(asked, reservoir.id)
    const standsMl = seenMl ?? reservoir.maxMl
    return {
      reservoir,
      brakes,
      ml,
      standsMl,
      tooMuchMl: Math.max(0, standsMl + ml - reservoir.maxMl),
      roomToMl: Math.max(portsCovered(vehicle, reservoir).ml, reservoir.maxMl - ml),
      levelSeen: seenMl !== undefined,
    }
  })
}

/** Levels as they were seen, with what the pistons bring up: never above MAX, since what is too much is drawn before. */
export function levelsThen(asked: Asked): Record<string, number> | undefined {
  const { levelMl } = asked.work
  if (!levelMl) return undefined
  const up = new Map(
    pistonsHome(asked).map(({ reservoir, ml }) => [reservoir.id, { ml, maxMl: reservoir.maxMl }]),
  )
  return Object.fromEntries(
    Object.entries(levelMl).map(([id, seenMl]) => {
      const { ml = 0, maxMl = seenMl } = up.get(id) ?? {}
      return [id, Math.max(seenMl, Math.min(maxMl, seenMl + ml))]
    }),
  )
}

/** Less than this nobody draws out. @source from memory */
const WORTH_DRAWING_ML = 1

/** What pistons that go home come to, to be said at check in. */
export const pistonsUpFact = (
  { vehicle }: Pick<Asked, 'vehicle'>,
  { reservoir, ml, tooMuchMl, levelSeen }: PistonsHome,
): Fact =>
  fact(tooMuchMl < WORTH_DRAWING_ML ? 'pistons-up' : 'pistons-up-too-much', {
    upMl: ml,
    roomMl: tooMuchMl,
    levelSeen,
    reservoir: reservoirFact(vehicle, reservoir.id),
  })

/** A parking brake run back by the tool, an accumulator let down, paint covered and the lid off: before that nobody presses a piston. */
const comesBefore = ({ code, sets }: Step): boolean =>
  sets === 'service-mode' || code === 'accumulator' || code === 'cover'

function homeSteps({ vehicle }: Asked, homes: readonly PistonsHome[]): Step[] {
  return homes.flatMap(({ reservoir, brakes, ml, tooMuchMl, roomToMl }) => {
    const named = reservoirFact(vehicle, reservoir.id)
    const room: Step[] =
      tooMuchMl < WORTH_DRAWING_ML
        ? []
        : [
            {
              ...atWheel(
                'pistons-room',
                { roomToMl, upMl: ml, reservoir: named },
                `pistons-room ${reservoir.id}`,
              ),
              reservoir: reservoir.id,
              asksMl: 'drawn',
              drawsToMl: roomToMl,
              aboutMl: tooMuchMl,
            },
          ]
    const press: Step = {
      ...atWheel(
        'pistons-home',
        {
          brakes: brakes.map(partFact),
          upMl: ml,
          reservoir: named,
          screwed: brakes.some(({ parkingBrake }) => parkingBrake === 'built-in'),
        },
        `pistons-home ${reservoir.id}`,
      ),
      reservoir: reservoir.id,
      pressesHome: brakes.map(({ id }) => id),
    }
    return [...room, press]
  })
}

/**
 * The stages with pistons pressed home before anything is drawn, filled or opened, and seated before the proof: what
 * comes up is old, and goes with what is drawn out. @source common practice
 */
export function withPistonsHome(asked: Asked, stages: readonly Stage[], reasons: Reason[]): Stage[] {
  const homes = pistonsHome(asked)
  const steps = homeSteps(asked, homes)
  const last = stages.length - 2
  if (steps.length === 0 || last < 0) return [...stages]
  const upMl = homes.reduce((sum, { ml }) => sum + ml, 0)
  reasons.push(reason('pistons-home', 'physics', { upMl }))
  return stages.map((stage, i) => {
    const at = stage.before.findLastIndex(comesBefore) + 1
    return {
      ...stage,
      before: i === 0 ? [...stage.before.slice(0, at), ...steps, ...stage.before.slice(at)] : stage.before,
      after: i === last ? [...stage.after, seated] : stage.after,
    }
  })
}

/** The first strokes bring the pistons out to the new pads: the pedal is low until then. @source common practice */
const seated: Step = inCab('pistons-seated')
