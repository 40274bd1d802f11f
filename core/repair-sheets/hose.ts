import { fact, type Reason, reason } from '../base/decision'
import { fluidOf } from '../fluid/specs'
import { restriction } from '../physics/hydraulics/restriction'
import { tubeMl } from '../physics/hydraulics/tube'
import { lineId } from '../rig/parts/line'
import { usual } from '../rig/usual'
import { liquidAt } from '../technique/corner-flow'
import { brakeAcross } from '../vehicle/across'
import { routesOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Line, Vehicle } from '../vehicle/schema'
import { lineAt, linesWith, type Segment, withSegments } from './lines'
import { type Buy, type Filled, numberOf, type RepairSheet, wordOf } from './sheet'

/** Rubber of so many years is renewed when it is in hand anyway. @source from memory */
const OLD_YEARS = 10
/** What swelling is given for: a firm stop. @source from memory */
const FIRM_MPA = 10

/** Of a heated shop. @source from memory */
const ROOM_C = 20

const isHose = ({ kind }: Segment) => kind === 'hose'

/** A hose: kept, fitted again, renewed, or renewed on both sides of its axle. */
export const hose: RepairSheet = {
  id: 'hose',
  places: (vehicle) => linesWith(vehicle, 'hose'),
  fields: () => [
    {
      kind: 'choice',
      id: 'outside',
      label: fact('sheet-hose-outside'),
      options: ['whole', 'cracked', 'chafed', 'bulges', 'wet'],
    },
    { kind: 'choice', id: 'runs', label: fact('sheet-hose-runs'), options: ['straight', 'twisted'] },
    { kind: 'number', id: 'years', label: fact('sheet-hose-years') },
    {
      kind: 'choice',
      id: 'other',
      label: fact('sheet-hose-other'),
      options: ['as-old', 'newer', 'no-other'],
    },
    { kind: 'choice', id: 'fitting', label: fact('sheet-hose-fitting'), options: ['hollow-bolt', 'nut'] },
    {
      kind: 'choice',
      id: 'wire',
      label: fact('check-hose-wire'),
      options: ['passes', 'stops'],
      check: 'hose-wire',
      optional: true,
    },
    {
      kind: 'choice',
      id: 'return',
      label: fact('check-return'),
      options: ['returns', 'does-not'],
      check: 'return',
      optional: true,
    },
    {
      kind: 'choice',
      id: 'clamped',
      label: fact('sheet-hose-clamped'),
      options: ['same', 'firms'],
      check: 'hose-clamped',
      optional: true,
    },
    { kind: 'amount', id: 'driven', label: fact('sheet-driven'), quantity: 'pressure', optional: true },
    { kind: 'amount', id: 'caught', label: fact('sheet-caught'), quantity: 'flow', optional: true },
    { kind: 'amount', id: 'new-length', label: fact('sheet-hose-length'), quantity: 'run', optional: true },
  ],
  judge(filled, vehicle, at) {
    const of = lineAt(vehicle, at)
    const [outside, runs, other, fitting] = ['outside', 'runs', 'other', 'fitting'].map((id) =>
      wordOf(filled, id),
    )
    const years = numberOf(filled, 'years')
    if (!of || !outside || !runs || !other || !fitting || years === undefined) return undefined
    const passed = passage(filled, vehicle, of)
    const against = [...condemned(filled, years), ...passed.against]
    const pair = against.length > 0 && other === 'as-old'
    const value = pair
      ? 'renew-pair'
      : against.length > 0
        ? 'renew'
        : runs === 'twisted'
          ? 'fit-again'
          : 'keep'
    return {
      value,
      reasons: [
        ...against,
        ...(pair ? [reason('sheet-hose-pair', 'practice')] : []),
        ...(value === 'fit-again' ? [reason('sheet-hose-twisted', 'practice')] : []),
        ...(value === 'keep' ? [reason('sheet-hose-keep', 'practice')] : []),
      ],
      figures: [
        ...of.segments.filter(isHose).map((segment) =>
          fact('sheet-hose-holds', {
            lengthM: segment.lengthM,
            holdsMl: tubeMl(segment),
            swellsMl: usual.hoseMlPerMMPa * segment.lengthM * FIRM_MPA,
          }),
        ),
        ...passed.figures,
      ],
      buy: boughtFor(value, fitting),
      still: value === 'keep' ? [] : [fact('sheet-still-lock-to-lock'), fact('sheet-still-dry')],
    }
  },
  work: { keep: 'none', 'fit-again': 'opened', renew: 'replaced', 'renew-pair': 'replaced' },
  cautions: ['clamp-where-allowed', 'fluid-eats-paint', 'wheel-on-stands'],
  also(value, vehicle, at) {
    const of = lineAt(vehicle, at)
    const other = value === 'renew-pair' && of ? otherSide(vehicle, of) : undefined
    return other ? [lineId(other)] : []
  },
  changes(filled, vehicle, at) {
    const of = lineAt(vehicle, at)
    const lengthM = numberOf(filled, 'new-length')
    if (!of || !lengthM) return undefined
    const last = of.segments.findLastIndex(isHose)
    const segments = of.segments.map((each, i) => (i === last ? { ...each, lengthM } : each))
    return withSegments(vehicle, of, segments)
  },
}

/** The hose of the other wheel of the axle. */
function otherSide(vehicle: Vehicle, of: Line): Line | undefined {
  const here = partsOf(vehicle, 'wheel-brake').find(({ id }) => id === of.to)
  const across = here && brakeAcross(vehicle, here)
  return across && vehicle.lines.find((line) => line.to === across.id && line.segments.some(isHose))
}

/** What condemns it by looking and trying. */
function condemned(filled: Filled, years: number): Reason[] {
  const said = (id: string) => wordOf(filled, id)
  return [
    ...(said('outside') === 'whole' ? [] : [reason(`sheet-hose-${said('outside')}`, 'practice')]),
    ...(said('wire') === 'stops' ? [reason('sheet-hose-closed', 'practice')] : []),
    ...(said('return') === 'does-not' ? [reason('sheet-hose-keeps', 'practice')] : []),
    ...(said('clamped') === 'firms' ? [reason('sheet-hose-swells', 'practice')] : []),
    ...(years >= OLD_YEARS ? [reason('sheet-hose-old', 'default', { years, atYears: OLD_YEARS })] : []),
  ]
}

/** The bore that is left in it, where somebody caught what came by a known pressure. */
function passage(filled: Filled, vehicle: Vehicle, of: Line) {
  const [pressureKPa, mlPerMin] = [numberOf(filled, 'driven'), numberOf(filled, 'caught')]
  const route = [...(routesOf(vehicle).get(of.to)?.values() ?? [])].find(({ lines }) => lines.includes(of))
  const suspect = of.segments.findLast(isHose)
  const unit = vehicle.parts.some(({ type }) => type === 'control-unit')
  if (pressureKPa === undefined || mlPerMin === undefined || !route || !suspect)
    return { against: [], figures: [] }
  // A unit's own passages are in no file: what they take would be laid to the hose.
  if (unit) return { against: [], figures: [fact('sheet-hose-behind-unit')] }
  const rest = route.lines.flatMap(({ segments }) => segments).filter((segment) => segment !== suspect)
  const liquid = liquidAt({ fluid: fluidOf(vehicle.fluid.spec), tempC: ROOM_C })
  const { effectiveBoreMm, expectedMlPerMin, verdict } = restriction({
    segments: [...rest, suspect],
    pressureKPa,
    mlPerMin,
    ...liquid,
  })
  return {
    against:
      verdict === 'free'
        ? []
        : [reason('sheet-hose-choked', 'physics', { leftMm: effectiveBoreMm, boreMm: suspect.boreMm })],
    figures: [fact('sheet-hose-flow', { caughtMlPerMin: mlPerMin, expectedMlPerMin, tempC: ROOM_C })],
  }
}
function boughtFor(value: string, fitting: string): Buy[] {
  const hoses = { renew: 1, 'renew-pair': 2 }[value]
  const washers = fitting === 'hollow-bolt' ? 2 * (hoses ?? 1) : 0
  return [
    ...(hoses === undefined ? [] : [{ ...fact('spare-hose'), key: 'hose', count: hoses }]),
    ...(value === 'keep' || washers === 0 ? [] : [{ ...fact('buy-washers'), count: washers }]),
    ...(hoses === undefined ? [] : [{ ...fact('buy-hose-clip'), count: hoses }]),
  ]
}
