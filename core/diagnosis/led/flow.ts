import { fact, reason } from '../../base/decision'
import { fluidOf } from '../../fluid/specs'
import { usualBleeder } from '../../physics/hydraulics/bleeder'
import { RESTRICTED_SHARE } from '../../physics/hydraulics/restriction'
import { liquidAt, routeFlow } from '../../technique/corner-flow'
import { type RoutedBleeder, routedBleeders } from '../../vehicle/network'
import type { Vehicle } from '../../vehicle/schema'
import type { Led, Measured } from './led'

/** Less than this of what it should be is nothing. @source from memory */
const NOTHING_SHARE = 0.05
/** Any push will do: what each gives is compared, not judged by itself. */
const PUSH_KPA = 100
const ROOM_C = 20

const wheels = (vehicle: Vehicle): RoutedBleeder[] =>
  routedBleeders(vehicle).filter(({ part, route }) => part.type === 'wheel-brake' && route)

/** What each bleeder gave by the same push in the same time, against what its own line lets through. */
export const flow: Led = {
  check: 'flow',
  fields: (vehicle) =>
    wheels(vehicle).map(({ bleeder }) => ({
      id: `ml ${bleeder.id}`,
      label: fact('led-gave', { bleeder: bleeder.id }),
      quantity: 'volume' as const,
    })),
  judge(measured, vehicle) {
    const shares = sharesOf(measured, vehicle)
    if (!shares) return undefined
    const most = Math.max(...shares.map(({ share }) => share))
    if (most === 0) return { value: 'none', reasons: [reason('flow-nothing', 'practice')] }
    const least = shares.reduce((a, b) => (b.share < a.share ? b : a))
    const ofMostPct = Math.round((100 * least.share) / most)
    const params = { bleeder: least.id, ofMostPct, leastPct: Math.round(100 * RESTRICTED_SHARE) }
    const basis = reason(shares.some(({ paired }) => paired) ? 'flow-by-sides' : 'flow-by-lines', 'physics')
    if (least.share / most >= RESTRICTED_SHARE)
      return { value: 'even', reasons: [reason('flow-even', 'practice', params), basis] }
    return {
      value: least.share / most < NOTHING_SHARE ? 'none-one' : 'weak-one',
      reasons: [reason('flow-weak', 'practice', params), basis],
      at: least.at,
    }
  },
}

type Share = { id: string; at: string; share: number; paired: boolean }

/**
 * Each bleeder's part of what its line lets through. Behind a control unit nobody knows what its own passages take, so
 * that there a wheel is held against the other one of its axle alone.
 *
 * @returns undefined until all were measured
 */
function sharesOf(measured: Measured, vehicle: Vehicle): Share[] | undefined {
  const liquid = liquidAt({ fluid: fluidOf(vehicle.fluid.spec), tempC: ROOM_C })
  const unit = vehicle.parts.some(({ type }) => type === 'control-unit')
  const gave = wheels(vehicle).map(({ bleeder, part, route }) => {
    const segments = route?.lines.flatMap((line) => line.segments) ?? []
    const ml = measured[`ml ${bleeder.id}`]
    const expected = routeFlow(segments, PUSH_KPA, liquid, usualBleeder)
    return {
      id: bleeder.id,
      at: part.id,
      axle: axleOf(part),
      ml,
      share: ml === undefined ? 0 : ml / expected,
    }
  })
  if (gave.length < 2 || gave.some(({ ml }) => ml === undefined)) return undefined
  return gave.map(({ id, at, axle, share }) => {
    const across = gave.filter((each) => each.axle === axle)
    const paired = unit && across.length > 1
    const most = Math.max(...across.map((each) => each.share))
    return { id, at, paired, share: paired && most > 0 ? share / most : share }
  })
}

const axleOf = (part: RoutedBleeder['part']): string =>
  part.type === 'wheel-brake' && part.position.startsWith('front') ? 'front' : 'rear'
