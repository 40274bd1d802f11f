import { z } from 'zod'
import { snapped, snappedSaid, stripped, strippedSaid } from './broken-bleeder'
import { leaking, leakingSaid } from './leaking'
import { ranDry, ranDrySaid } from './ran-dry'
import { seized, seizedSaid } from './seized'
import { spilled, spilledSaid } from './spilled'
import type { Outcome, Running } from './trouble'
import { wrongFluid, wrongFluidSaid } from './wrong-fluid'

/** Every named way a step can fail. A new one is one file and a line here and in the schema below. */
export const troubles = {
  seized,
  snapped,
  stripped,
  leaking,
  'ran-dry': ranDry,
  spilled,
  'wrong-fluid': wrongFluid,
} as const

export type TroubleId = keyof typeof troubles
export const troubleIds = Object.keys(troubles) as [TroubleId, ...TroubleId[]]

export const troubleSchema = z.discriminatedUnion('what', [
  seizedSaid,
  snappedSaid,
  strippedSaid,
  leakingSaid,
  ranDrySaid,
  spilledSaid,
  wrongFluidSaid,
])
export type TroubleSaid = z.output<typeof troubleSchema>

/** What a trouble makes of the job. */
export function happened(state: Running, said: TroubleSaid, id: string): Outcome {
  // Each entry takes what its own schema gives, and `what` names the entry.
  return troubles[said.what].happened(state, said as never, id)
}
