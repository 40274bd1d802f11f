import { fact, reason } from '../base/decision'
import { type FluidSpec, fluidOf } from '../fluid/specs'
import { usualBleeder } from '../physics/hydraulics/bleeder'
import { flowMlPerMin, orificeDropKPa } from '../physics/hydraulics/flow'
import { restriction } from '../physics/hydraulics/restriction'
import {
  compareSides,
  judgeReturn,
  MOST_SHARE,
  type ReturnVerdict,
  type SidesVerdict,
  USUAL_FLOW_ERROR_PCT,
} from '../physics/hydraulics/sides'
import { liquidAt } from '../technique/corner-flow'
import { type RoutedBleeder, routedBleeders } from '../vehicle/network'
import type { Vehicle } from '../vehicle/schema'
import { flow as flowCalc } from './command/flow'
import { restriction as restrictionCalc } from './command/restriction'
import { fluidField, impossible, pieceColumns, piecesOf, piecesText } from './fields'
import { benchPage } from './page'

export type Side = {
  expectedMlPerMin: number
  mlPerMin: number
  share: number
  /** Bore left over the suspected piece, if all that is missing is lost there; not known behind a control unit. */
  effectiveBoreMm?: number
  return?: ReturnVerdict
}
export type LeftRightResult = { verdict: SidesVerdict; left: Side; right: Side; slow?: 'left' | 'right' }

const side = {
  kind: 'rows' as const,
  columns: pieceColumns,
  most: 20,
  example: '3.1 3.34, 0.35 3.2',
}
const caught = { kind: 'quantity' as const, quantity: 'flow' as const, min: 0, max: 20_000 }
const frees = {
  kind: 'choice' as const,
  options: ['untested', 'frees', 'drags'] as const,
  initial: 'untested',
}

/** Positions of one axle, left and right. */
const axles = { front: ['front-left', 'front-right'], rear: ['rear-left', 'rear-right'] } as const

/** The bleeders of a vehicle's axle, one each side; the last (highest) where a brake has two. */
export function axleBleeders(vehicle: Vehicle, axle: string) {
  const positions = axles[axle === 'front' ? 'front' : 'rear']
  const routes = routedBleeders(vehicle).filter(({ route }) => route !== undefined)
  const at = (position: string) =>
    routes.filter(({ part }) => part.type === 'wheel-brake' && part.position === position).at(-1)
  return { left: at(positions[0]), right: at(positions[1]) }
}

/** Whether a wheel's fluid passes a control unit on its way. */
const passesUnit = (vehicle: Vehicle, { route }: RoutedBleeder): boolean =>
  (route?.lines ?? []).some(({ from }) =>
    vehicle.parts.some(({ id, type }) => id === from && type === 'control-unit'),
  )

/** Flow left against right. */
export const leftRightBench = benchPage({
  id: 'left-right',
  wantsVehicle: true,
  fields: {
    axle: {
      kind: 'choice',
      options: ['rear', 'front'],
      initial: 'rear',
    },
    leftLine: { ...side, hint: true, initial: '2.4 3.34, 0.35 3.2' },
    rightLine: { ...side, initial: '3.1 3.34, 0.35 3.2' },
    before: {
      kind: 'choice',
      options: ['pipes', 'unit'],
      initial: 'pipes',
    },
    leftMlPerMin: { ...caught, initial: 150 },
    rightMlPerMin: { ...caught, initial: 45 },
    leftReturn: frees,
    rightReturn: frees,
    pressureKPa: {
      kind: 'quantity',
      quantity: 'pressure',
      min: 1,
      max: 1000,
      initial: 70,
    },
    spec: fluidField(),
    tempC: {
      kind: 'quantity',
      quantity: 'temperature',
      min: -40,
      max: 60,
      initial: 20,
    },
    errorPct: {
      kind: 'number',
      unit: '%',
      min: 0,
      max: 50,
      initial: USUAL_FLOW_ERROR_PCT,
      hint: true,
    },
  },
  about: [flowCalc.about, restrictionCalc.about],
  startFrom: (vehicle, choice) => {
    const { left, right } = axleBleeders(vehicle, choice('axle'))
    const pieces = (each: typeof left) => each?.route?.lines.flatMap((line) => line.segments) ?? []
    return {
      spec: vehicle.fluid.spec,
      ...(left &&
        right && {
          leftLine: piecesText(pieces(left)),
          rightLine: piecesText(pieces(right)),
          before: passesUnit(vehicle, left) || passesUnit(vehicle, right) ? 'unit' : 'pipes',
        }),
    }
  },
  work: (values) => {
    const { pressureKPa, spec, tempC, errorPct } = values
    const liquid = liquidAt({ fluid: fluidOf(spec as FluidSpec), tempC })
    const behindUnit = values.before === 'unit'
    const oneSide = (name: 'left' | 'right'): Side => {
      const pieces = piecesOf(`${name}Line`, values[`${name}Line`])
      const mlPerMin = values[`${name}MlPerMin`]
      const { passage, holeMm } = usualBleeder
      const expectedMlPerMin = flowMlPerMin([...pieces, passage], pressureKPa, liquid, holeMm)
      const share = mlPerMin / expectedMlPerMin
      if (share > MOST_SHARE) throw impossible(`${name}MlPerMin`, 'bench-more-than-passes')
      // The bleeder is known: what its passage and hole take at this flow is not the suspect's.
      const leftKPa = Math.max(1e-3, pressureKPa - orificeDropKPa(holeMm, mlPerMin, liquid.densityKgM3))
      const { effectiveBoreMm } = restriction({
        segments: [passage, ...pieces],
        pressureKPa: leftKPa,
        mlPerMin,
        ...liquid,
      })
      return {
        expectedMlPerMin,
        mlPerMin,
        share,
        ...(!behindUnit && { effectiveBoreMm }),
      }
    }
    const [left, right] = [oneSide('left'), oneSide('right')]
    const compared = compareSides(left, right, { errorPct, behindUnit })
    const returns = (['left', 'right'] as const).flatMap((name) => {
      const [mine, other] = name === 'left' ? [left, right] : [right, left]
      const typed = values[`${name}Return`]
      if (typed === 'untested') return []
      // Behind a unit the other side is the only measure there is.
      const share = behindUnit ? mine.share / Math.max(mine.share, other.share, 1e-9) : mine.share
      const judged = judgeReturn(share, typed === 'frees')
      mine.return = judged.value
      return judged.reasons.map((what) => reason(`return-${name}`, what.basis, { what }))
    })
    const { verdict } = compared.value
    const slow = verdict === 'left-slow' ? 'left' : verdict === 'right-slow' ? 'right' : undefined
    return {
      result: { verdict, left, right, ...(slow && { slow }) } as LeftRightResult,
      reasons: [...compared.reasons, ...returns],
    }
  },
  says: ({ verdict, left, right }, { axle }) =>
    fact('bench-left-right-says', {
      axle: fact(`bench-left-right-axle-${axle}`),
      leftPct: Math.round(100 * left.share),
      rightPct: Math.round(100 * right.share),
      verdict: fact(`bench-sides-${verdict}`),
    }),
})
