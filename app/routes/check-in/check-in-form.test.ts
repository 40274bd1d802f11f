import { expect, test } from 'vitest'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { checkInFormSchema, checkInOf } from './check-in-form'

const car = vehicleFrom(carFile(fourCorners))
const off = (wheels: string[]) => {
  const form = checkInFormSchema.parse({
    eventId: 'e',
    reason: 'service',
    colour: 'brown',
    fluidFound: 'as-specified',
    wheels,
  })
  return checkInOf(form, car).work.wheelsOff
}

test('wheels that stay on are left out of those that come off; where nobody says, it is left to the rule', () => {
  expect(off([])).toBeUndefined()
  expect(off(['brake-fl', 'brake-fr'])).toEqual(['brake-rl', 'brake-rr'])
  expect(off(fourCorners.map(({ id }) => `brake-${id}`))).toEqual([])
})
