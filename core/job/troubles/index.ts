import { z } from 'zod'
import type { Running } from '../events/kind'
import { snapped, snappedSaid, stripped, strippedSaid } from './broken-bleeder'
import { leaking, leakingSaid } from './leaking'
import { ranDry, ranDrySaid } from './ran-dry'
import { routineStopped, routineStoppedSaid } from './routine-stopped'
import { seized, seizedSaid } from './seized'
import { spilled, spilledSaid } from './spilled'
import { cannot, type Outcome, type Trouble } from './trouble'
import { wrongFluid, wrongFluidSaid } from './wrong-fluid'

/** Every named way a step can fail. A new one is one file and a line here and in the schema below. */
const troubles = {
  seized,
  snapped,
  stripped,
  leaking,
  'ran-dry': ranDry,
  spilled,
  'wrong-fluid': wrongFluid,
  'routine-stopped': routineStopped,
} as const

export type TroubleId = keyof typeof troubles
export const troubleIds = Object.keys(troubles) as [TroubleId, ...TroubleId[]]

export const troubleSaidSchema = z.discriminatedUnion('what', [
  seizedSaid,
  snappedSaid,
  strippedSaid,
  leakingSaid,
  ranDrySaid,
  spilledSaid,
  wrongFluidSaid,
  routineStoppedSaid,
])
export type TroubleSaid = z.output<typeof troubleSaidSchema>

/** What a person is asked of a trouble, by the names of its fields. */
export const asksOf = (what: TroubleId): string[] =>
  Object.keys(troubles[what].schema.shape).filter((key) => key !== 'what')

const added = new Map<string, Trouble>()

/** Add a way a step can fail. @returns takes it out again */
export function registerTrouble(what: string, trouble: Trouble): () => void {
  added.set(what, trouble)
  return () => added.delete(what)
}

/** What is recorded of one: of those above, or of one that was added. */
export const troubleSchema = z.unknown().transform((value, context): TroubleSaid => {
  const what = String((value as { what?: unknown } | null)?.what)
  const read = (added.get(what)?.schema ?? troubleSaidSchema).safeParse(value)
  if (read.success) return read.data as TroubleSaid
  for (const issue of read.error.issues) context.addIssue({ ...issue, code: 'custom' })
  return z.NEVER
})

/** What a trouble makes of the job. */
export function decideTrouble(state: Running, said: TroubleSaid, id: string): Outcome {
  const trouble: Trouble | undefined = Object.hasOwn(troubles, said.what)
    ? (troubles[said.what] as Trouble)
    : added.get(said.what)
  return trouble ? trouble.decide(state, said, id) : cannot('no-such-trouble')
}
