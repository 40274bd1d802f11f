import { benchKit } from './bench-kit'
import { checkValve } from './check-valve'
import { fingers } from './fingers'
import { gravity } from './gravity'
import { portsHelper } from './ports-helper'
import { portsProp } from './ports-prop'
import { pressThrough } from './press-through'
import { pressure } from './pressure'
import { pressureVacuum } from './pressure-vacuum'
import { pumpAndHold } from './pump-and-hold'
import { raisedBottle } from './raised-bottle'
import { reverse } from './reverse'
import { type MethodId, type Technique, type TechniqueId, techniqueIds } from './technique'
import { unitCycle } from './unit-cycle'
import { unitMakerLed } from './unit-maker-led'
import { unitWheelByWheel } from './unit-wheel-by-wheel'
import { vacuum } from './vacuum'

/** Every way there is. A new one is one file and one line here. */
const registry: Record<TechniqueId, Technique> = {
  'pump-and-hold': pumpAndHold,
  'press-through': pressThrough,
  'check-valve': checkValve,
  'raised-bottle': raisedBottle,
  gravity,
  pressure,
  vacuum,
  'pressure-vacuum': pressureVacuum,
  reverse,
  'bench-kit': benchKit,
  fingers,
  'ports-helper': portsHelper,
  'ports-prop': portsProp,
  cycle: unitCycle,
  'wheel-by-wheel': unitWheelByWheel,
  'maker-led': unitMakerLed,
}

export const techniqueOf = (id: TechniqueId): Technique => registry[id]

/** The ways of one place of work, in the order they are listed. */
export const techniquesAt = (at: Technique['at']): Technique[] =>
  techniqueIds.map(techniqueOf).filter((each) => each.at === at)

const methodNames: Record<MethodId, string> = {
  'two-person': 'Two-person',
  solo: 'Solo',
  gravity: 'Gravity',
  pressure: 'Pressure at the reservoir',
  vacuum: 'Vacuum at the bleeder',
  'pressure-vacuum': 'Pressure and vacuum together',
  bench: 'On the bench',
  ports: 'At the cylinder’s ports',
  reverse: 'Reverse fill by syringe',
  'control-unit': 'Control unit by scan tool',
}

/** What a person calls a method. */
export const methodName = (id: MethodId): string => methodNames[id]
