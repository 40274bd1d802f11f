import type { Fault } from '../base/fault'
import type { Procedure, ProcedureStep } from './schema'

/**
 * What may drive the fluid in a routine: a cycle opens no bleeder, since the plan bleeds before and after it; a foot pumps
 * where the unit pulses its valves wheel by wheel.
 */
const drivesOf: Readonly<Record<string, readonly NonNullable<ProcedureStep['by']>[]>> = {
  cycle: [],
  'wheel-by-wheel': ['unit', 'unit-pumped'],
  'maker-led': ['unit', 'foot'],
}
export const drivesIn = (routine: string) => drivesOf[routine] ?? []

/** How things stand between two steps. */
type Stands = { held?: number; bottle?: number; unplugged: Map<string, number> }

/**
 * What is wrong with a procedure beyond its shape, each with its path: a foot that is let go of without having pressed, a
 * bleeder opened under a held foot, something unplugged that never comes back, a bleeder this vehicle does not have.
 *
 * What passes opens no joint but inside a call, which shuts it before the foot comes up.
 *
 * @param bleeders ids of the vehicle’s bleeders
 */
export function procedureFaults(
  procedure: Procedure,
  { routine, bleeders }: { routine: string; bleeders: ReadonlySet<string> },
): Fault[] {
  const faults: Fault[] = []
  const stands: Stands = { unplugged: new Map() }
  for (const [i, step] of procedure.steps.entries()) {
    const at = (field: string, message: string) => faults.push({ path: `steps.${i}.${field}`, message })
    saysSomething(step, at)
    bleeds(step, stands, at, { bleeders, drives: drivesIn(routine) })
    moves(step, i, stands, at)
    fits(step, at)
    const { leastS, mostS } = step
    if (leastS !== undefined && mostS !== undefined && leastS > mostS)
      at('mostS', `it is left at least ${leastS} s; give that or more`)
  }
  if (routine === 'none')
    faults.push({ path: 'steps', message: 'this unit offers no routine; set its routine first' })
  // One call leads all of its wheels.
  const pumped = procedure.steps.findIndex(({ by }) => by === 'unit-pumped')
  const alone = procedure.steps.findIndex(({ bleed, by = 'unit' }) => bleed !== undefined && by === 'unit')
  if (pumped >= 0 && alone >= 0)
    faults.push({
      path: `steps.${Math.max(pumped, alone)}.by`,
      message: 'a foot pumps at every wheel or at none; give all of them the same',
    })
  for (const [field, i] of [['foot', stands.held] as const, ['bottle', stands.bottle] as const])
    if (i !== undefined)
      faults.push({
        path: `steps.${i}.${field}`,
        message:
          field === 'foot'
            ? 'the foot is never let go of; give a later step with foot "release"'
            : 'the bottle stays on; give a later step with bottle "off"',
      })
  for (const [thing, i] of stands.unplugged)
    faults.push({
      path: `steps.${i}.unplugs`,
      message: `it never comes back; give a later step with plugsBack "${thing}"`,
    })
  return faults
}

/** What one step cannot be at once. */
function fits({ who, foot, fillsToMax, awaits, leastS }: ProcedureStep, at: Put): void {
  if (foot !== undefined && who !== 'cab') at('who', 'the foot is in the cab; give "cab"')
  if (fillsToMax && (awaits !== undefined || leastS !== undefined))
    at('fillsToMax', 'what was poured says that it is full; give what is waited for a step of its own')
}

type Put = (field: string, message: string) => void

function saysSomething(
  { does, shows, foot, bleed, unplugs, plugsBack, bottle, fillsToMax, calibrates, ignition }: ProcedureStep,
  at: Put,
): void {
  const says = [does, shows, foot, bleed, unplugs, plugsBack, bottle, fillsToMax, calibrates, ignition]
  if (says.every((each) => each === undefined)) at('does', 'say what to do, or what the tool shows')
}

function bleeds(
  { bleed, by, foot, ...step }: ProcedureStep,
  { held }: Stands,
  at: Put,
  { bleeders, drives }: { bleeders: ReadonlySet<string>; drives: readonly string[] },
): void {
  if (bleed === undefined) {
    if (by !== undefined) at('by', 'it says what drives a bleeder; give bleed too, or leave it out')
    return
  }
  if (!bleeders.has(bleed))
    at('bleed', `there is no bleeder "${bleed}"; give one of: ${[...bleeders].join(', ')}`)
  if (drives.length === 0)
    at('bleed', 'a cycle opens no bleeder: the plan bleeds before and after it; leave the step out')
  else if (!drives.includes(by ?? 'unit')) at('by', `give one of: ${drives.join(', ')}`)
  if (held !== undefined)
    at('bleed', 'the foot is still held down here; give a step with foot "release" first')
  if (foot !== undefined) at('foot', 'the call says what the foot does while a bleeder is bled; leave it out')
  for (const field of ['awaits', 'unplugs', 'plugsBack', 'bottle', 'fillsToMax', 'calibrates'] as const)
    if (step[field] !== undefined) at(field, 'give it a step of its own, with every bleeder shut')
}

function moves(
  { foot, unplugs, plugsBack, bottle }: ProcedureStep,
  i: number,
  stands: Stands,
  at: Put,
): void {
  if (foot === 'release' && stands.held === undefined)
    at('foot', 'nobody presses here; give an earlier step with foot "hold"')
  if ((foot === 'hold' || foot === 'pump') && stands.held !== undefined)
    at('foot', 'the foot is held down already; give a step with foot "release" first')
  if (foot === 'hold') stands.held = i
  if (foot === 'release') stands.held = undefined
  // One step says one of them; and what it sets up and takes away at once would never be done.
  if (unplugs !== undefined && plugsBack !== undefined)
    at('plugsBack', 'give it a later step of its own: this one unplugs something')
  if (unplugs !== undefined) {
    if (stands.unplugged.has(unplugs)) at('unplugs', 'it is unplugged already')
    stands.unplugged.set(unplugs, i)
  }
  if (plugsBack !== undefined && !stands.unplugged.delete(plugsBack))
    at('plugsBack', `it was not unplugged; give an earlier step with unplugs "${plugsBack}"`)
  if (bottle === 'on') {
    if (stands.bottle !== undefined) at('bottle', 'it is on already')
    stands.bottle = i
  }
  if (bottle === 'off') {
    if (stands.bottle === undefined) at('bottle', 'it is not on; give an earlier step with bottle "on"')
    stands.bottle = undefined
  }
}
