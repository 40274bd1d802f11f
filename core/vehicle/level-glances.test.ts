import { expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { sayMetric } from '../words'
import { levelGlances } from './level-glances'
import { partsOf } from './parts'

const said = (vehicle: Parameters<typeof demoVehicle>[0], at = 0) => {
  const reservoir = partsOf(demoVehicle(vehicle), 'reservoir')[at]
  return reservoir ? levelGlances(reservoir).map(({ says, ml }) => `${sayMetric(says)}: ${ml}`) : []
}

test('a level is told by what one looks at: marks on the wall, the glass of a pot, marks inside a cup; MAX first, MIN last', () => {
  expect(said('post-van-lhd')).toEqual([
    'At MAX: 390',
    'Three quarters: 350',
    'Half-way: 310',
    'A quarter: 270',
    'At MIN: 230',
  ])
  expect(said('courier-motorcycle')[2]).toBe('Glass just full: 32.5')
  expect(said('courier-motorcycle', 1)[2]).toBe('Half-way: 29')
  expect(said('charabanc').at(0)).toBe('At MAX, the upper mark inside: 620')
  expect(said('charabanc').at(-1)).toBe('At MIN, the lower mark inside: 340')
})
