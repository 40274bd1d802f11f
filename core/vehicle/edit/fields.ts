import { fluidSpecs } from '../../fluid/specs'
import type { Part, Vehicle } from '../schema'
import { positions, valveRoles } from '../schema'

/** One value of a part or line that a person may change, by its path inside it. */
export type EditField = {
  path: readonly (string | number)[]
  label: string
  unit?: string
} & (
  | { kind: 'number'; optional?: boolean }
  | { kind: 'text' }
  | { kind: 'choice'; options: readonly string[]; optional?: boolean }
)

const number = (path: EditField['path'], label: string, unit = '', optional = false): EditField => ({
  path,
  label,
  unit,
  kind: 'number',
  optional,
})
const text = (path: EditField['path'], label: string): EditField => ({ path, label, kind: 'text' })
const choice = (
  path: EditField['path'],
  label: string,
  options: readonly string[],
  optional = false,
): EditField => ({ path, label, kind: 'choice', options, optional })

/** Labels of one of several, numbered only where there are more than one. */
const nth = (label: string, i: number, of: readonly unknown[]) =>
  of.length > 1 ? `${label} ${i + 1}` : label

function bleederFields(part: Part): EditField[] {
  if (!('bleeders' in part)) return []
  return part.bleeders.flatMap(({ id }, i) => [
    number(['bleeders', i, 'wrenchMm'], `${id} spanner`, 'mm', true),
    number(['bleeders', i, 'torqueNm'], `${id} torque`, 'N·m', true),
    text(['bleeders', i, 'access'], `${id} access`),
  ])
}

function ownFields(part: Part): EditField[] {
  switch (part.type) {
    case 'reservoir':
      return [
        number(['maxMl'], 'At MAX', 'mL'),
        number(['minMl'], 'At MIN', 'mL'),
        number(['portsCoveredMl'], 'Ports covered from', 'mL', true),
        choice(['levelSeen'], 'Level seen by', ['marks', 'sight-glass', 'cup'], true),
        text(['cap'], 'Cap'),
        choice(['capSeal'], 'Cap seal', ['sound', 'aged', 'unknown']),
        text(['capAdapter'], 'Cap adapter'),
      ]
    case 'master-cylinder':
      return [
        ...part.chambers.flatMap((_, i) => [
          number(['chambers', i, 'boreMm'], nth('Bore', i, part.chambers), 'mm'),
          number(['chambers', i, 'strokeMm'], nth('Stroke', i, part.chambers), 'mm'),
        ]),
        number(['pedalRatio'], 'Pedal ratio'),
        text(['benchThread'], 'Bench thread'),
        number(['residualKPa'], 'Holds back', 'kPa', true),
      ]
    case 'control-unit':
      return [
        number(['volumeMl'], 'Holds', 'mL'),
        choice(['role'], 'Role', ['abs', 'esc', 'brake-by-wire']),
        choice(['routine'], 'Routine', ['none', 'cycle', 'wheel-by-wheel', 'maker-led']),
      ]
    case 'wheel-brake':
      return [
        choice(['position'], 'Position', positions),
        choice(['brake'], 'Brake', ['disc', 'drum']),
        ...part.pistons.flatMap((_, i) => [
          number(['pistons', i, 'diameterMm'], nth('Piston', i, part.pistons), 'mm'),
          number(['pistons', i, 'count'], nth('How many', i, part.pistons)),
        ]),
        number(['padWearMm'], 'Pistons stand out', 'mm'),
        number(['deadMl'], 'Dead volume', 'mL', true),
        choice(['parkingBrake'], 'Parking brake', ['built-in', 'electric', 'none'], true),
      ]
    case 'clutch-slave':
      return [number(['boreMm'], 'Bore', 'mm'), number(['strokeMm'], 'Stroke', 'mm')]
    case 'stroke-simulator':
      return [number(['volumeMl'], 'Holds', 'mL')]
    case 'valve':
      return [choice(['role'], 'Role', valveRoles), number(['residualKPa'], 'Holds back', 'kPa', true)]
    case 'junction':
    case 'pump':
      return []
  }
}

/** What may be changed on a part, its bleeders last. */
export const partFields = (part: Part): EditField[] => [...ownFields(part), ...bleederFields(part)]

/** What may be changed on a line: each segment's kind, length and bore, and what its two ends are turned with. */
export const lineFields = ({ segments }: Vehicle['lines'][number]): EditField[] => [
  ...segments.flatMap((_, i) => [
    choice(['segments', i, 'kind'], nth('Kind', i, segments), ['tube', 'hose']),
    number(['segments', i, 'lengthM'], nth('Length', i, segments), 'm'),
    number(['segments', i, 'boreMm'], nth('Bore', i, segments), 'mm'),
  ]),
  ...(['from', 'to'] as const).flatMap((end) => [
    number(['joints', end, 'wrenchMm'], `Spanner ${endNames[end]}`, 'mm', true),
    number(['joints', end, 'torqueNm'], `Torque ${endNames[end]}`, 'N·m', true),
  ]),
]
const endNames = { from: 'at its start', to: 'at its end' }

/** What is said of the whole vehicle. */
export const ownerFields: readonly EditField[] = [
  text(['name'], 'Name'),
  choice(['driverSide'], 'Driver sits', ['left', 'right', 'centre']),
  choice(['fluid', 'spec'], 'Fluid called for', fluidSpecs),
  number(['wheelbaseMm'], 'Wheelbase', 'mm', true),
  number(['trackMm'], 'Track', 'mm', true),
  number(['modelYear'], 'Model year', '', true),
  choice(['booster'], 'Booster', ['none', 'vacuum', 'hydraulic', 'electric'], true),
  number(['wheels', 'nuts'], 'Nuts a wheel', '', true),
  number(['wheels', 'socketMm'], 'Their socket', 'mm', true),
  number(['wheels', 'torqueNm'], 'Their torque', 'N·m', true),
]

/** What the maker states for the bleed. */
export const makerFields: readonly EditField[] = [
  number(['makerSettings', 'pressureKPa'], 'Maker’s pressure', 'kPa', true),
  number(['makerSettings', 'vacuumKPa'], 'Maker’s vacuum', 'kPa', true),
  number(['makerSettings', 'cleanPulls'], 'Clean pulls', '', true),
]
