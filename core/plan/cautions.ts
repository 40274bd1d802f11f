import { partName } from '../vehicle/parts'
import type { Part, Vehicle } from '../vehicle/schema'
import type { Caution, Stage } from './answer'

/** What decides whether a caution applies. */
export type CautionContext = {
  vehicle: Vehicle
  stages: readonly Stage[]
  pressureKPa?: number
  conversion: boolean
}

type Rule = Caution & { applies: (context: CautionContext) => boolean }

const always = () => true
const withPart = (match: (part: Part) => boolean) => (context: CautionContext) =>
  context.vehicle.parts.some(match)
const withMethod =
  (...methods: string[]) =>
  ({ stages }: CautionContext) =>
    stages.some((stage) => stage.method !== undefined && methods.includes(stage.method))
const valveOf = (role: string) => withPart((part) => part.type === 'valve' && part.role === role)

function circuitCount(vehicle: Vehicle): number {
  return new Set(vehicle.lines.map((line) => line.circuit)).size
}

/** Every caution the product knows, where it applies. @source common practice */
const rules: readonly Rule[] = [
  {
    code: 'maker-first',
    applies: always,
    text: 'The maker’s procedure, local rules and a qualified person come before this plan.',
  },
  {
    code: 'brakes-on-before-pedal',
    at: 'bleed',
    applies: always,
    text: 'Never press the pedal with a caliper, drum or shoes off: the pistons come out.',
  },
  {
    code: 'eyes-hands-paint',
    at: 'reservoir-exchange',
    applies: always,
    text: 'Goggles and gloves. Brake fluid strips paint and burns on a hot exhaust: cover, and rinse spills with plenty of water.',
  },
  {
    code: 'never-mix',
    at: 'reservoir-exchange',
    applies: always,
    text: 'One kind of fluid, from a sealed container. Never reuse what was drained.',
  },
  { code: 'stands', at: 'bleed', applies: always, text: 'On stands, never on a jack alone.' },
  {
    code: 'close-before-release',
    at: 'bleed',
    applies: always,
    text: 'Close the bleeder first; only then release pedal, vacuum or hose.',
  },
  {
    code: 'bleeder-shears',
    at: 'bleed',
    applies: always,
    text: 'A stubborn bleeder: six-point spanner, tighten a hair first. It shears, and its torque is small.',
  },
  {
    code: 'vacuum-booster',
    at: 'bleed',
    applies: withMethod('two-person', 'solo'),
    text: 'Engine off, and the booster’s vacuum used up by pressing, before anything is opened.',
  },
  {
    code: 'old-cylinder-floor',
    at: 'bleed',
    applies: withMethod('two-person', 'solo'),
    text: 'Not to the floor: beyond the usual stroke a worn bore cuts the seals. A block under the pedal helps.',
  },
  {
    code: 'machine-pressure-off',
    at: 'bleed',
    applies: withMethod('pressure', 'pressure-vacuum'),
    text: 'Let the machine’s pressure off before its adapter comes off. Wheels may hold while it is on.',
  },
  {
    code: 'vacuum-false-bubbles',
    at: 'bleed',
    applies: withMethod('vacuum', 'pressure-vacuum'),
    text: 'Small steady bubbles that never end may be drawn past the thread. Close the bleeder with the vacuum on: if they stop, they were air from the line.',
  },
  {
    code: 'vacuum-mist',
    at: 'bleed',
    applies: withMethod('vacuum', 'pressure-vacuum'),
    text: 'The vacuum pump’s exhaust carries a mist of fluid: let it out away from faces and brakes.',
  },
  {
    code: 'cap-seal-doubtful',
    at: 'bleed',
    applies: (context) =>
      withMethod('pressure', 'pressure-vacuum')(context) &&
      withPart((part) => part.type === 'reservoir' && part.capSeal !== 'sound')(context),
    text: 'The cap’s seal is not known to be sound: low pressure only, and watch it. Reservoir old or cracked: use another method.',
  },
  {
    code: 'never-above-rating',
    at: 'bleed',
    applies: withMethod('pressure', 'pressure-vacuum'),
    text: 'Never above the lower of the adapter’s and the maker’s rating.',
  },
  {
    code: 'unit-unpowered',
    at: 'bleed',
    applies: ({ stages }) => stages.some((stage) => stage.kind === 'control-unit'),
    text: 'The control unit stays unpowered until the base bleed is done: its valves can move and lock air in.',
  },
  {
    code: 'unit-offers',
    at: 'control-unit',
    applies: ({ stages }) => stages.some((stage) => stage.kind === 'control-unit'),
    text: 'Charged battery. Start only a routine this unit offers; read and clear codes afterwards.',
  },
  {
    code: 'by-wire-hands-off',
    at: 'bleed',
    applies: withPart((part) => part.type === 'control-unit' && part.role === 'brake-by-wire'),
    text: 'It may build pressure by itself when a door opens or the key is near: maker’s service mode first, hands clear.',
  },
  {
    code: 'residual-valve',
    at: 'bleed',
    applies: (context) =>
      valveOf('residual')(context) || withPart((part) => part.residualKPa !== undefined)(context),
    text: 'A residual-pressure valve holds 50–100 kPa: the bleeder spits once after release.',
  },
  {
    code: 'load-sensing-valve',
    at: 'bleed',
    applies: valveOf('load-sensing'),
    text: 'The load-sensing valve shuts when the axle hangs: load the axle or hold the lever as the maker says. Never readjust it.',
  },
  {
    code: 'metering-valve',
    at: 'bleed',
    applies: (context) => valveOf('metering')(context) && withMethod('pressure', 'pressure-vacuum')(context),
    text: 'At this pressure the metering valve shuts the fronts off: hold it open with the maker’s tool, and free it afterwards.',
  },
  {
    code: 'deceleration-valve',
    at: 'bleed',
    applies: valveOf('deceleration'),
    text: 'Vehicle level: the deceleration valve’s ball must rest.',
  },
  {
    code: 'pressure-difference-switch',
    at: 'prove',
    applies: valveOf('pressure-difference'),
    text: 'The pressure-difference switch may have shifted: centre it.',
  },
  {
    code: 'quick-take-up',
    at: 'bleed',
    applies: withPart(
      (part) => part.type === 'master-cylinder' && part.chambers.some((chamber) => chamber.takeUp),
    ),
    text: 'Quick-take-up cylinder: slow strokes with about 15 s between them.',
  },
  {
    code: 'adjust-drums',
    at: 'bleed',
    applies: withPart((part) => part.type === 'wheel-brake' && part.brake === 'drum'),
    text: 'Adjust the shoes before bleeding: clearance feels like air. Old lining dust may be asbestos: never blow it out.',
  },
  {
    code: 'parking-brake-caliper',
    at: 'bleed',
    applies: withPart((part) => part.type === 'wheel-brake' && part.parkingBrake === 'built-in'),
    text: 'Parking-brake lever fully released, and the pistons adjusted before pedal travel is judged.',
  },
  {
    code: 'electric-parking-brake',
    at: 'bleed',
    applies: withPart((part) => part.type === 'wheel-brake' && part.parkingBrake === 'electric'),
    text: 'Electric parking brake in service mode, wheels chocked; close it out and calibrate afterwards.',
  },
  {
    code: 'bleeder-not-at-top',
    at: 'bleed',
    applies: withPart((part) => part.type === 'wheel-brake' && part.bleederAtTop === false),
    text: 'A bleeder is not at the highest point: hang the caliper so that it is (spacer between the pads), or no bleeding gets the air out.',
  },
  {
    code: 'concentric-slave',
    at: 'bleed',
    applies: withPart((part) => part.type === 'clutch-slave' && part.concentric === true),
    text: 'Concentric clutch slave: no fast pumping, no overtravel.',
  },
  {
    code: 'hollow-bolt',
    at: 'bleed',
    applies: ({ vehicle }) => vehicle.kind === 'motorcycle' || vehicle.kind === 'quad',
    text: 'The cylinder’s hollow bolt is often the highest point: turn the bars so that it is, and crack it first under a rag.',
  },
  {
    code: 'single-circuit',
    at: 'prove',
    applies: ({ vehicle }) =>
      circuitCount(vehicle) === 1 && !['motorcycle', 'quad', 'trailer'].includes(vehicle.kind),
    text: 'One circuit: any leak is total loss of brakes. Any doubt means it does not leave.',
  },
  {
    code: 'trailer-hydraulics',
    at: 'bleed',
    applies: ({ vehicle }) => vehicle.kind === 'trailer',
    text: 'Stroke the actuator at the coupling; release the reverse lockout.',
  },
  {
    code: 'conversion-flush',
    at: 'wipe-reservoir',
    applies: ({ conversion }) => conversion,
    text: 'Fluids that do not mix leave gum and swell seals: ask the maker which rubber parts must be renewed.',
  },
  {
    code: 'leak-face',
    at: 'leak-check',
    applies: ({ stages }) => stages.some((stage) => stage.kind === 'leak-check'),
    text: 'Face shield or rag near a joint under pressure.',
  },
  {
    code: 'used-fluid',
    at: 'prove',
    applies: always,
    text: 'Used fluid is collected apart, handed in, and never goes into soil or drain.',
  },
  {
    code: 'firm-or-stays',
    at: 'prove',
    applies: always,
    text: 'Pedal not firm: the vehicle does not leave.',
  },
]

/** Every code a caution can carry. */
export const cautionCodes = rules.map(({ code, text }) => ({ code, text }))

/** The cautions that apply to this plan, each with the stage it belongs to. */
export function cautionsFor(context: CautionContext): Caution[] {
  return rules
    .filter((rule) => rule.applies(context))
    .map(({ code, text, at }) => {
      const stage = at && context.stages.some((each) => each.kind === at) ? at : undefined
      return stage ? { code, text, at: stage } : { code, text }
    })
}

/** Brakes in scope without any bleeder: air there has no way out. */
export const withoutBleeder = (vehicle: Vehicle): string[] =>
  vehicle.parts
    .filter((part) => part.type === 'wheel-brake' && part.bleeders.length === 0)
    .map((part) => `${partName(part)} (${part.id})`)
