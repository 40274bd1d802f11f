import { type RigRequest, readRigRequest } from '~core/rig/request'
import { Rig } from '~core/rig/run'

/** A vehicle file on the rig, read as the command reads it. */
export function rigOf(vehicle: unknown, more: object = {}): Rig {
  const read = readRigRequest({
    format: 'ruddy-siphon.rig-request',
    version: 1,
    vehicle: JSON.parse(JSON.stringify(vehicle)),
    ...more,
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return new Rig(read.value)
}

export type RigAct = RigRequest['acts'][number]

/** Acts one after the other, half a second each where nothing else is said. */
export function done(rig: Rig, ...acts: object[]): Rig {
  for (const act of acts) rig.do({ for: 0.5, ...act } as RigAct)
  return rig
}

export const press = (effortN: number, lasts = 3) => ({
  do: 'press',
  cylinder: 'mc',
  effortN,
  overS: 0.2,
  for: lasts,
})
