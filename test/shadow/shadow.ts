import type { JobEvent } from '~core/job/events'

/**
 * What stands on the vehicle, as a person would write it down beside the work from what is said alone. It shares
 * nothing with the job's own reckoning: no step's traits, no call's table, no selector.
 */
export type Shadow = {
  /** By place: running under a call or a bottle, named so at parking, or broken. */
  open: Map<string, 'running' | 'named' | 'broken'>
  broken: string[]
  up: Set<string>
  /** Which place each later step of a trouble or plan renews. */
  renews: Map<string, string>
  /** Steps of the plan in hand, by id. */
  planSteps: string[]
}

export const newShadow = (): Shadow => ({
  open: new Map(),
  broken: [],
  up: new Set(),
  renews: new Map(),
  planSteps: [],
})

const copyOf = ({ open, broken, up, renews, planSteps }: Shadow): Shadow => ({
  open: new Map(open),
  broken: [...broken],
  up: new Set(up),
  renews: new Map(renews),
  planSteps,
})

/** What each step puts on or takes off, by its id: in the words of whoever stands beside it. */
const PUTS_ON: Record<string, string> = {
  adapter: 'adapter',
  pressurise: 'pressure',
  'hold-metering': 'metering-held',
  prop: 'prop',
  vice: 'cylinder-out',
  'load-axle': 'axle-loaded',
  lockout: 'lockout',
  'hang-caliper': 'caliper-hung',
  'service-mode': 'service-mode',
  'unpower-unit': 'unit-unplugged',
  'level-sensor-off': 'level-sensor',
  battery: 'battery',
}
const TAKES_OFF: Record<string, string> = {
  'adapter-off': 'adapter',
  depressurise: 'pressure',
  'free-metering': 'metering-held',
  'prop-out': 'prop',
  fit: 'cylinder-out',
  'unload-axle': 'axle-loaded',
  'lockout-back': 'lockout',
  'refit-caliper': 'caliper-hung',
  'service-mode-out': 'service-mode',
  'power-unit': 'unit-unplugged',
  'level-sensor-back': 'level-sensor',
  'battery-off': 'battery',
}

function stepDone(shadow: Shadow, id: string): void {
  const on = PUTS_ON[id]
  const off = TAKES_OFF[id]
  if (off) shadow.up.delete(off)
  if (on) shadow.up.add(on)
  const renewed = shadow.renews.get(id)
  if (renewed === undefined) return
  shadow.open.delete(renewed)
  shadow.broken = shadow.broken.filter((each) => each !== renewed)
}

/** The same after one more thing that was recorded. */
export function writeDown(before: Shadow, event: JobEvent): Shadow {
  const shadow = copyOf(before)
  switch (event.type) {
    case 'planned':
      shadow.planSteps = event.plan.stages.flatMap((stage) =>
        [...stage.before, ...stage.after].map(({ id }) => id),
      )
      for (const [i, point] of shadow.broken.entries()) shadow.renews.set(`${event.id}-renewed-${i}`, point)
      break
    case 'step-done':
      stepDone(shadow, event.step)
      break
    case 'put-away':
      shadow.up.delete(event.thing)
      break
    case 'call':
      if (event.act === 'open') shadow.open.set(event.seen.point, 'running')
      if (event.act === 'close') shadow.open.delete(event.seen.point)
      break
    case 'bottle-hung':
      shadow.open.set(event.point, 'running')
      break
    case 'joint-shut':
      shadow.open.delete(event.point)
      break
    case 'trouble': {
      const { trouble } = event
      if (trouble.what !== 'snapped' && trouble.what !== 'stripped') break
      shadow.renews.set(`${event.id}-fitted`, trouble.point)
      shadow.open.set(trouble.point, 'broken')
      if (!shadow.broken.includes(trouble.point)) shadow.broken.push(trouble.point)
      break
    }
    case 'parked':
      for (const point of event.standsOpen) if (!shadow.open.has(point)) shadow.open.set(point, 'named')
      if (event.machineOn) shadow.up.add('adapter').add('pressure')
      if (event.pedalPropped) shadow.up.add('prop')
      break
    case 'resumed':
      if (event.pedalCameUp) shadow.up.delete('prop')
      if (event.machineEmpty) shadow.up.delete('pressure')
      break
    case 'paper-entered':
      // All that the card asks for is done, so what it takes off is off.
      for (const id of shadow.planSteps) {
        const off = TAKES_OFF[id]
        if (off) shadow.up.delete(off)
      }
      break
  }
  return shadow
}
