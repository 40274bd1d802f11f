import { benchKit } from './bench-kit'
import type { CallAct, CallMachine } from './calls'
import { checkValve } from './check-valve'
import { fingers } from './fingers'
import { gravity } from './gravity'
import { portsHelper } from './ports-helper'
import { portsProp } from './ports-prop'
import { pressThrough } from './press-through'
import { pressure } from './pressure'
import { pressureVacuum } from './pressure-vacuum'
import { propped } from './propped'
import { pumpAndHold } from './pump-and-hold'
import { raisedBottle } from './raised-bottle'
import { reverse } from './reverse'
import { knowTechnique, type Technique, type TechniqueId, techniqueIds } from './technique'
import { unitCycle } from './unit-cycle'
import { unitMakerLed } from './unit-maker-led'
import { unitWheelByWheel } from './unit-wheel-by-wheel'
import { unitWheelByWheelPumped } from './unit-wheel-by-wheel-pumped'
import { vacuum } from './vacuum'
import { withinReach } from './within-reach'

/** Every way there is. A new one is one file and one line here. */
const registry: Record<TechniqueId, Technique> = {
  'pump-and-hold': pumpAndHold,
  'press-through': pressThrough,
  'check-valve': checkValve,
  'raised-bottle': raisedBottle,
  'within-reach': withinReach,
  propped,
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
  'wheel-by-wheel-pumped': unitWheelByWheelPumped,
  'maker-led': unitMakerLed,
}

const added = new Map<string, Technique>()

/** Add a way. @returns takes it out again */
export function registerTechnique(technique: Technique): () => void {
  const forget = knowTechnique(technique.id)
  added.set(technique.id, technique)
  return () => {
    forget()
    added.delete(technique.id)
  }
}

export const techniqueOf = (id: TechniqueId): Technique => added.get(id) ?? registry[id]

/** Every call that a way is led by. */
export const everyCall = (): CallMachine[] => [
  ...new Set([...techniqueIds.map(techniqueOf), ...added.values()].map(({ call }) => call)),
]

/** Whether an act says that something slipped, in any of the calls. */
export const isMishap = (act: CallAct): boolean =>
  everyCall().some(({ states }) =>
    Object.values(states).some(({ next }) => next.some((move) => move.act === act && move.mishap)),
  )

/** The ways of one place of work, in the order they are listed. */
export const techniquesAt = (at: Technique['at']): Technique[] =>
  [...techniqueIds.map(techniqueOf), ...added.values()].filter((each) => each.at === at)
