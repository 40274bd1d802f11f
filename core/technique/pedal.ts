import { fact, type Notice } from '../base/decision'
import { perObject } from '../base/memo'
import { boosterOf } from '../vehicle/booster'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { minutesInTurn } from './corner-flow'
import { inCab, type Steps } from './step'
import { pullMl } from './strokes'
import type { TechniqueContext, TechniqueMinutes } from './technique'

/** Line pressure of a light, slow foot. @source from memory */
const LIGHT_FOOT_KPA = 400
/** Between two strokes of a quick-take-up cylinder. @source from memory */
const TAKE_UP_REST_S = 15

/** Shared by the pedal methods: the fluid's own time, and the hands' time by pulls and bleeders. */
export function pedalMinutes(
  context: TechniqueContext,
  hands: { secondsPerPull: number; minutesPerBleeder: number },
): TechniqueMinutes {
  const secondsPerPull = hands.secondsPerPull + (quickTakeUp(context) ? TAKE_UP_REST_S : 0)
  const pulls = context.corners.reduce((sum, corner) => {
    const perPull =
      corner.route && pullMl(context.vehicle, corner.route.sourceId, context.unknowns.strokeShare)
    return sum + (perPull ? Math.ceil(corner.throughMl / perPull) : 0)
  }, 0)
  return {
    fluidMinutes: minutesInTurn(LIGHT_FOOT_KPA, context),
    handlingMinutes: context.corners.length * hands.minutesPerBleeder + (pulls * secondsPerPull) / 60,
  }
}

/** A brake fed by a pump inside the unit is not moved by the pedal. */
export function refusePump({ vehicle, corners }: TechniqueContext): Notice | undefined {
  const pumpFed = corners.some(({ route }) =>
    vehicle.parts.some((part) => part.type === 'pump' && part.id === route?.sourceId),
  )
  return pumpFed ? fact('pump-fed-brakes') : undefined
}

const feeding = ({ vehicle, corners }: TechniqueContext) => {
  const sources = new Set(corners.flatMap(({ route }) => route?.sourceId ?? []))
  return vehicle.parts.flatMap((part) =>
    part.type === 'master-cylinder' && part.chambers.some(({ id }) => sources.has(id)) ? [part] : [],
  )
}

/** Every chamber of a cylinder that has a large first bore; asked for at every sample, and the same as long as the vehicle is. */
const takeUpChambers = perObject(
  (vehicle: Vehicle) =>
    new Set(
      partsOf(vehicle, 'master-cylinder')
        .filter(({ chambers }) => chambers.some(({ takeUp }) => takeUp !== undefined))
        .flatMap(({ chambers }) => chambers.map(({ id }) => id)),
    ),
)

/** Whether a large first bore feeds these corners: it wants slow strokes with rests. */
export function quickTakeUp({ vehicle, corners }: TechniqueContext): boolean {
  const chambers = takeUpChambers(vehicle)
  return chambers.size > 0 && corners.some(({ route }) => route !== undefined && chambers.has(route.sourceId))
}

/** What quick pumping would harm. @source common practice */
export function refuseFastPumping(context: TechniqueContext): Notice | undefined {
  if (quickTakeUp(context)) return fact('no-fast-pumping', { takeUp: true })
  return context.corners.some(({ part }) => part.type === 'clutch-slave' && part.concentric)
    ? fact('no-fast-pumping')
    : undefined
}

/** Slow strokes with rests wear people out, and a tired foot slips: a machine is preferred. @source common practice */
export const takeUpRiskMinutes = (context: TechniqueContext): number => (quickTakeUp(context) ? 6 : 0)

/** Vehicles whose pedal has a vacuum booster to be used up; by-wire ones have their own procedure. */
const boosted = (context: TechniqueContext) =>
  boosterOf(context.vehicle) === 'vacuum' &&
  feeding(context).some(({ actuator }) => actuator === 'pedal') &&
  !context.vehicle.parts.some((part) => part.type === 'control-unit' && part.role === 'brake-by-wire')

/** Before the first pull of a pedal method. */
export function pedalSteps(context: TechniqueContext): Steps {
  return { before: boosted(context) ? [inCab('booster')] : [], after: [] }
}
