import type { Notice } from '../decision'
import { minutesInTurn } from './corner-flow'
import type { MethodContext, MethodMinutes } from './method'
import { pullMl } from './strokes'

/** Line pressure of a light, slow foot. @source from memory */
const LIGHT_FOOT_KPA = 400

/** Shared by the pedal methods: the fluid's own time, and the hands' time by pulls and bleeders. */
export function pedalMinutes(
  context: MethodContext,
  hands: { secondsPerPull: number; minutesPerBleeder: number },
): MethodMinutes {
  const pulls = context.corners.reduce((sum, corner) => {
    const perPull = corner.run && pullMl(context.vehicle, corner.run.sourceId, context.unknowns.strokeShare)
    return sum + (perPull ? Math.ceil(corner.throughMl / perPull) : 0)
  }, 0)
  return {
    fluidMinutes: minutesInTurn(LIGHT_FOOT_KPA, context),
    handlingMinutes: context.corners.length * hands.minutesPerBleeder + (pulls * hands.secondsPerPull) / 60,
  }
}

/** A brake fed by a pump inside the unit is not moved by the pedal. */
export function refusePump({ vehicle, corners }: MethodContext): Notice | undefined {
  const pumpFed = corners.some(({ run }) =>
    vehicle.parts.some((part) => part.type === 'pump' && part.id === run?.sourceId),
  )
  return pumpFed
    ? {
        code: 'pump-fed-brakes',
        text: 'Some of these brakes are fed by the unit’s own pump: the pedal moves no fluid there.',
      }
    : undefined
}
