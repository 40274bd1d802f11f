import { expect, test } from 'vitest'
import { procedureFor } from '~core/plan/procedures'
import { techniqueOf } from '~core/technique'
import { examples } from '~core/vehicle/examples'
import { routedBleeders } from '~core/vehicle/network'
import { partsOf } from '~core/vehicle/parts'
import { vehicleFrom } from '~test/worlds/vehicles'
import { emptyStep, procedureFromTyped, typedFrom, whatChoices } from './procedure-fields'

const formOf = (name: string) => {
  const vehicle = vehicleFrom(structuredClone(examples[name]?.file))
  const [unit] = partsOf(vehicle, 'control-unit')
  if (!unit || unit.routine === 'none') throw new Error(`${name} offers no routine`)
  const bleeders = routedBleeders(vehicle).map(({ bleeder }) => bleeder.id)
  return { vehicle, unit, routine: unit.routine, bleeders, choices: whatChoices(bleeders, unit.routine) }
}

test.each(['parcel-van', 'electric-post-van', 'hybrid-taxi'])(
  '%s: a routine comes out of its form as it went in',
  (name) => {
    const { vehicle, unit, routine, bleeders, choices } = formOf(name)
    const procedure = procedureFor(vehicle, unit, techniqueOf(routine))
    const read = procedureFromTyped(typedFrom(procedure, choices), { routine, bleeders })
    const { example: _ready, ...typed } = procedure
    expect(read).toEqual({ ok: true, value: typed })
  },
)

test('what cannot be read is refused by its field, and a number with a comma is one', () => {
  const { routine, bleeders } = formOf('parcel-van')
  const typed = (step: object) => ({
    name: 'Service bleed',
    menu: '',
    minVolts: '12,5',
    steps: [{ ...emptyStep, ...step }],
  })
  const pathsOf = (step: object) => {
    const read = procedureFromTyped(typed(step), { routine, bleeders })
    return read.ok ? read.value.minVolts : read.faults.map(({ path }) => path)
  }
  expect(pathsOf({ does: 'Start.' })).toBe(12.5)
  expect(pathsOf({ does: 'Start.', leastS: 'soon' })).toEqual(['steps.0.leastS'])
  expect(pathsOf({ what: 'calibrate' })).toEqual(['steps.0.calibrates'])
  expect(pathsOf({ what: 'bleed unit RR' })).toEqual(['steps.0.does'])
})
