import { gravity } from './gravity'
import type { BleedMethod } from './method'
import { pressure } from './pressure'
import { pressureVacuum } from './pressure-vacuum'
import { reverse } from './reverse'
import { solo } from './solo'
import { twoPerson } from './two-person'
import { vacuum } from './vacuum'

/** Every method that moves fluid through wheel bleeders. */
export const bleedMethods: readonly BleedMethod[] = [
  twoPerson,
  solo,
  gravity,
  pressure,
  vacuum,
  pressureVacuum,
  reverse,
]

/** The method of an id; undefined for the ones of other stages (bench, ports, control unit). */
export const bleedMethodOf = (id: string | undefined): BleedMethod | undefined =>
  bleedMethods.find((method) => method.id === id)

const stageMethodNames: Record<string, string> = {
  bench: 'On the bench',
  ports: 'At the cylinder’s ports',
  'control-unit': 'Control unit by scan tool',
}

/** What a person calls a method. */
export const methodName = (id: string): string => bleedMethodOf(id)?.name ?? stageMethodNames[id] ?? id
