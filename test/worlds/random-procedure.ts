import type { Chance } from '~core/base/random'
import { procedureFaults } from '~core/procedure/check'
import {
  awaitables,
  type Procedure,
  procedureActors,
  procedureDrives,
  procedureFeet,
  procedureSchema,
  unpluggables,
} from '~core/procedure/schema'

/** A step of chance: sensible or not. */
const stepOf = (chance: Chance, bleeders: readonly string[]) => {
  const some = <T>(values: readonly T[], share: number) => (chance.yes(share) ? chance.of(values) : undefined)
  const bleed = some(bleeders, 0.3)
  const foot = bleed === undefined ? some(procedureFeet, 0.3) : undefined
  return {
    who: foot === undefined ? chance.of(procedureActors) : 'cab',
    does: some(['Go on.', 'Wait.'], 0.6),
    shows: some(['Press OK'], 0.2),
    ...(bleed === undefined
      ? {
          foot,
          awaits: some(awaitables, 0.3),
          unplugs: some(unpluggables, 0.1),
          plugsBack: some(unpluggables, 0.15),
          bottle: some(['on', 'off'] as const, 0.15),
          beginsAgain: some([true] as const, 0.2),
        }
      : { bleed, by: chance.of(procedureDrives) }),
  }
}

/** Steps that close what others left: so that more of them pass. */
const closing = [
  { who: 'cab', foot: 'release' },
  { who: 'wheel', bottle: 'off' },
  ...unpluggables.map((plugsBack) => ({ who: 'tool', plugsBack })),
]

/** A procedure that validates for a unit of this routine, made up by chance: nearly anything somebody might type. */
export function randomProcedure(chance: Chance, routine: string, bleeders: readonly string[]): Procedure {
  while (true) {
    const steps: object[] = Array.from({ length: 1 + chance.below(9) }, () => stepOf(chance, bleeders))
    for (const step of closing) {
      const made = procedureSchema.parse({ name: 'Made up', steps })
      const faults = procedureFaults(made, { routine, bleeders: new Set(bleeders) })
      if (faults.length === 0) return made
      const open = faults.some(({ message }) => message.includes('never') || message.includes('stays on'))
      if (open) steps.push(step)
    }
  }
}
