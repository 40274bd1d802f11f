import type { Words } from '../say'

/** What is said while a vehicle is made or changed. */
export const vehicle: Words = {
  // What looks wrong in its identification number
  'vin-length': 'It has {signs} signs where 17 are usual; older vehicles have fewer.',
  'vin-letters': '{odd} does not occur in one: I, O and Q are left out, for 1 and 0.',
  'vin-check-digit':
    'Its ninth sign is {ninth}, and {fits} would fit the others: mistyped, or made for a country that does not use a check digit.',

  // Layouts it begins from: what one is picked by, and what tells it from its neighbours
  'layout-car-by-wire': 'Hybrid, brake by wire',
  'layout-car-by-wire-about':
    'A unit with its own pump works the rears, the pedal the fronts; a stroke simulator.',
  'layout-car-clutch-shared': 'Car with hydraulic clutch',
  'layout-car-clutch-shared-about':
    'Diagonal split with stability control; the clutch has its own cylinder on the brake’s reservoir.',
  'layout-car-combined-cylinder': 'Old car, brake and clutch in one casting',
  'layout-car-combined-cylinder-about': 'Two bores under one reservoir; the brake is a single circuit.',
  'layout-car-diagonal-unit': 'Car, diagonal split with control unit',
  'layout-car-diagonal-unit-about':
    'Each half of the cylinder feeds one front and the opposite rear wheel, through an ABS unit.',
  'layout-car-diagonal-valves': 'Car, diagonal split without unit',
  'layout-car-diagonal-valves-about':
    'One front and the opposite rear wheel on each half, a proportioning valve before each rear drum.',
  'layout-car-front-rear-valve': 'Car or estate, front and rear circuits',
  'layout-car-front-rear-valve-about': 'Rear drums behind a load-sensing valve with a bleeder of its own.',
  'layout-car-single-circuit': 'Old car, one circuit',
  'layout-car-single-circuit-about':
    'Drums all round on one chamber, with a residual-pressure valve: any leak is total loss.',
  'layout-car-two-circuits-in-front': 'Car, two circuits in each front caliper',
  'layout-car-two-circuits-in-front-about': 'One circuit for all four wheels, a second for the fronts alone.',
  'layout-lorry-two-reservoirs': 'Lorry, a reservoir for each circuit',
  'layout-lorry-two-reservoirs-about': 'Two cylinders in each front drum, a load-sensing valve behind.',
  'layout-lorry': 'Lorry, two brakes on each rear wheel',
  'layout-lorry-about': 'Large reservoir, two bleeders on each front caliper.',
  'layout-minibus': 'Minibus, two bleeders on each front caliper',
  'layout-minibus-about': 'Front and rear circuits through an ABS unit, one pipe to the rear axle.',
  'layout-motorcycle-linked': 'Motorcycle, linked brakes',
  'layout-motorcycle-linked-about':
    'Lever and pedal both work the front; a second cylinder on a caliper helps the rear.',
  'layout-motorcycle-sidecar': 'Motorcycle with sidecar',
  'layout-motorcycle-sidecar-about': 'One front disc; the sidecar’s brake on the rear pedal.',
  'layout-motorcycle-twin-disc': 'Motorcycle, two front discs',
  'layout-motorcycle-twin-disc-about': 'Two calipers on one lever, one behind the other; pedal for the rear.',
  'layout-motorcycle-unit': 'Motorcycle with control unit',
  'layout-motorcycle-unit-about': 'A unit with a bleeder in each circuit.',
  'layout-off-roader': 'Off-roader, metering and proportioning valves',
  'layout-off-roader-about': 'Front and rear circuits through a pressure-difference switch.',
  'layout-pickup-rear-unit': 'Pickup, unit for the rear only',
  'layout-pickup-rear-unit-about': 'Quick-take-up cylinder, discs in front, drums behind.',
  'layout-quad-lever-pedal': 'Quad, lever and pedal',
  'layout-quad-lever-pedal-about': 'A lever for the front pair, a pedal for the rear axle.',
  'layout-quad-one-lever': 'Quad, one lever',
  'layout-quad-one-lever-about': 'One lever for all brakes.',
  'layout-three-wheeler': 'Three-wheeler',
  'layout-three-wheeler-about': 'One wheel in front, two behind, one circuit.',
  'layout-trailer-two-axles': 'Trailer, two axles',
  'layout-trailer-two-axles-about': 'Hydraulics of its own, worked at the coupling.',
  'layout-van-electric': 'Electric van, diagonal split',
  'layout-van-electric-about': 'A unit that is bled wheel by wheel, electric parking brake.',
  'layout-van-load-sensing': 'Van, stability control and load-sensing valve',
  'layout-van-load-sensing-about': 'Front and rear circuits; the rear valve has a bleeder.',

  'level-by-sight-glass': 'A full glass hides how high: lid off, look at the line inside.',
  'level-by-cup': 'Lid off, vehicle standing level, and look in from above.',
  'stands-marks-100': 'At MAX',
  'stands-marks-75': 'Three quarters',
  'stands-marks-50': 'Half-way',
  'stands-marks-25': 'A quarter',
  'stands-marks-0': 'At MIN',
  'stands-sight-glass-100': 'At MAX, the line inside',
  'stands-sight-glass-75': 'Over the glass, under the line',
  'stands-sight-glass-50': 'Glass just full',
  'stands-sight-glass-25': 'Glass half full',
  'stands-sight-glass-0': 'At MIN, the line of the glass',
  'stands-cup-100': 'At MAX, the upper mark inside',
  'stands-cup-75': 'Three quarters between',
  'stands-cup-50': 'Half-way between',
  'stands-cup-25': 'A quarter between',
  'stands-cup-0': 'At MIN, the lower mark inside',
}
