import type { Params } from '../base/decision'
import type { Fluid } from '../fluid/specs/fluid'
import { techniqueOf } from '../technique'
import type { Technique } from '../technique/technique'
import type { Part, Vehicle } from '../vehicle/schema'
import type { Caution, Stage } from './answer'

/** What decides whether a caution applies. */
export type CautionContext = {
  vehicle: Vehicle
  stages: readonly Stage[]
  pressureKPa?: number
  conversion: boolean
  /** What the fluid that goes in is made of, and whether mineral oil is on either side of it. */
  base: Fluid['base']
  mineral: boolean
  /** Ids of parts that are new. */
  replaced: readonly string[]
}

type Rule = Pick<Caution, 'code' | 'at'> & {
  applies: (context: CautionContext) => boolean
  /** What its words depend on. */
  params?: (context: CautionContext) => Params
}

const always = () => true
const withPart = (match: (part: Part) => boolean) => (context: CautionContext) =>
  context.vehicle.parts.some(match)
const withTechnique =
  (match: (technique: Technique) => boolean) =>
  ({ stages }: CautionContext) =>
    stages.some(({ technique }) => technique !== undefined && match(techniqueOf(technique)))
const withStep =
  (asked: string) =>
  ({ stages }: CautionContext) =>
    stages.some(({ before }) => before.some(({ code }) => code === asked))
const byFoot = withTechnique(({ drives }) => drives === 'foot')
const byMachine = withTechnique(({ feedsReservoir }) => feedsReservoir === true)
const byVacuum = withTechnique(({ call }) => call.drawsAtBleeder === true)
const withDrum = withPart((part) => part.type === 'wheel-brake' && part.brake === 'drum')
const valveOf = (role: string) => withPart((part) => part.type === 'valve' && part.role === role)

function circuitCount(vehicle: Vehicle): number {
  return new Set(vehicle.lines.map((line) => line.circuit)).size
}

/** Every caution the product knows, where it applies. @source common practice */
const rules: readonly Rule[] = [
  {
    code: 'maker-first',
    applies: always,
  },
  {
    code: 'brakes-on-before-pedal',
    at: 'bleed',
    applies: always,
    params: ({ vehicle }) => ({
      drums: vehicle.parts.some((part) => part.type === 'wheel-brake' && part.brake === 'drum'),
      discs: vehicle.parts.some((part) => part.type === 'wheel-brake' && part.brake === 'disc'),
      lever: vehicle.parts.some((part) => part.type === 'master-cylinder' && part.actuator === 'lever'),
    }),
  },
  {
    code: 'eyes-hands-paint',
    at: 'reservoir-exchange',
    applies: always,
  },
  {
    code: 'never-mix',
    at: 'reservoir-exchange',
    applies: always,
  },
  { code: 'stands', at: 'bleed', applies: always },
  {
    code: 'close-before-release',
    at: 'bleed',
    applies: always,
  },
  {
    code: 'bleeder-shears',
    at: 'bleed',
    applies: always,
  },
  {
    code: 'vacuum-booster',
    at: 'bleed',
    applies: withStep('booster'),
  },
  {
    code: 'old-cylinder-floor',
    at: 'bleed',
    applies: (context) =>
      byFoot(context) &&
      withPart(({ id, type }) => type === 'master-cylinder' && !context.replaced.includes(id))(context),
  },
  {
    code: 'machine-pressure-off',
    at: 'bleed',
    applies: byMachine,
  },
  {
    code: 'vacuum-false-bubbles',
    at: 'bleed',
    applies: byVacuum,
  },
  {
    code: 'vacuum-mist',
    at: 'bleed',
    applies: byVacuum,
  },
  {
    code: 'vacuum-at-drums',
    at: 'bleed',
    applies: (context) => byVacuum(context) && withDrum(context),
  },
  {
    code: 'silicone-with-unit',
    applies: (context) =>
      context.base === 'silicone' && withPart(({ type }) => type === 'control-unit')(context),
  },
  {
    code: 'mineral-and-rubber',
    at: 'wipe-reservoir',
    applies: ({ conversion, mineral }) => conversion && mineral,
  },
  {
    code: 'second-flush',
    at: 'prove',
    applies: ({ conversion }) => conversion,
  },
  {
    code: 'cap-seal-doubtful',
    at: 'bleed',
    applies: (context) =>
      byMachine(context) &&
      withPart((part) => part.type === 'reservoir' && part.capSeal !== 'sound')(context),
  },
  {
    code: 'never-above-rating',
    at: 'bleed',
    applies: byMachine,
  },
  {
    code: 'unit-unpowered',
    at: 'bleed',
    applies: withStep('unpower-unit'),
  },
  {
    code: 'unit-offers',
    at: 'control-unit',
    applies: ({ stages }) => stages.some((stage) => stage.kind === 'control-unit'),
  },
  {
    code: 'by-wire-hands-off',
    at: 'bleed',
    applies: withPart((part) => part.type === 'control-unit' && part.role === 'brake-by-wire'),
  },
  {
    code: 'residual-valve',
    at: 'bleed',
    applies: (context) =>
      valveOf('residual')(context) || withPart((part) => part.residualKPa !== undefined)(context),
  },
  {
    code: 'load-sensing-valve',
    at: 'bleed',
    applies: valveOf('load-sensing'),
  },
  {
    code: 'metering-valve',
    at: 'bleed',
    applies: (context) => valveOf('metering')(context) && byMachine(context),
  },
  {
    code: 'deceleration-valve',
    at: 'bleed',
    applies: valveOf('deceleration'),
  },
  {
    code: 'pressure-difference-switch',
    at: 'prove',
    applies: valveOf('pressure-difference'),
  },
  {
    code: 'quick-take-up',
    at: 'bleed',
    applies: withPart(
      (part) => part.type === 'master-cylinder' && part.chambers.some((chamber) => chamber.takeUp),
    ),
  },
  {
    code: 'adjust-drums',
    at: 'bleed',
    applies: withDrum,
  },
  {
    code: 'parking-brake-caliper',
    at: 'bleed',
    applies: withPart((part) => part.type === 'wheel-brake' && part.parkingBrake === 'built-in'),
  },
  {
    code: 'electric-parking-brake',
    at: 'bleed',
    applies: withPart((part) => part.type === 'wheel-brake' && part.parkingBrake === 'electric'),
  },
  {
    code: 'bleeder-not-at-top',
    at: 'bleed',
    applies: withPart((part) => part.type === 'wheel-brake' && part.bleederAtTop === false),
  },
  {
    code: 'concentric-slave',
    at: 'bleed',
    applies: withPart((part) => part.type === 'clutch-slave' && part.concentric === true),
  },
  {
    code: 'hollow-bolt',
    at: 'bleed',
    applies: withStep('bars-crack'),
  },
  {
    code: 'single-circuit',
    at: 'prove',
    applies: ({ vehicle }) =>
      circuitCount(vehicle) === 1 && !['motorcycle', 'quad', 'trailer'].includes(vehicle.kind),
  },
  {
    code: 'trailer-hydraulics',
    at: 'bleed',
    applies: ({ vehicle }) => vehicle.kind === 'trailer',
  },
  {
    code: 'conversion-flush',
    at: 'wipe-reservoir',
    applies: ({ conversion }) => conversion,
  },
  {
    code: 'leak-face',
    at: 'leak-check',
    applies: ({ stages }) => stages.some((stage) => stage.kind === 'leak-check'),
  },
  {
    code: 'used-fluid',
    at: 'prove',
    applies: always,
  },
  {
    code: 'firm-or-stays',
    at: 'prove',
    applies: always,
  },
]

/** Every code a caution can carry. */
export const cautionCodes = rules.map(({ code }) => code)

/** The cautions that apply to this plan, each with the stage it belongs to. */
export function cautionsFor(context: CautionContext): Caution[] {
  return rules
    .filter((rule) => rule.applies(context))
    .map(({ code, at, params }) => {
      const stage = at && context.stages.some((each) => each.kind === at) ? at : undefined
      return { code, ...(params && { params: params(context) }), ...(stage && { at: stage }) }
    })
}
