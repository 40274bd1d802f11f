import type { JobEvent } from '~core/job/events'
import type { Step } from '~core/technique/step'
import type { Vehicle } from '~core/vehicle/schema'

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
  /** What each numbered step of a unit’s routine puts on or takes off. */
  routine: Map<string, { on?: string; off?: string }>
  /** Where air went in and did not come out yet: bleeders, and chambers of a cylinder. */
  air: Set<string>
  /** Bleeders and chambers of the vehicle. */
  places: Set<string>
  /** By reservoir, what draws air once it is empty. */
  fed: Map<string, string[]>
  /** By place, the chambers whose air comes out there too. */
  clears: Map<string, string[]>
}

export const newShadow = (): Shadow => ({
  open: new Map(),
  broken: [],
  up: new Set(),
  renews: new Map(),
  planSteps: [],
  routine: new Map(),
  air: new Set(),
  places: new Set(),
  fed: new Map(),
  clears: new Map(),
})

const copyOf = ({
  open,
  broken,
  up,
  renews,
  planSteps,
  routine,
  air,
  places,
  fed,
  clears,
}: Shadow): Shadow => ({
  open: new Map(open),
  broken: [...broken],
  up: new Set(up),
  renews: new Map(renews),
  planSteps,
  routine,
  air: new Set(air),
  places,
  fed,
  clears,
})

/** Which bleeders a chamber's lines lead to, following each line from end to end. */
function reachedFrom(vehicle: Vehicle, chamber: string): Set<string> {
  const reached = new Set<string>()
  const walk = (from: string, circuit?: string): void => {
    for (const line of vehicle.lines) {
      if (line.from !== from || (circuit !== undefined && line.circuit !== circuit)) continue
      const part = vehicle.parts.find(({ id }) => id === line.to)
      if (part && 'bleeders' in part)
        for (const bleeder of part.bleeders ?? [])
          if (bleeder.circuit === undefined || bleeder.circuit === line.circuit) reached.add(bleeder.id)
      walk(line.to, line.circuit)
    }
  }
  walk(chamber)
  return reached
}

/** Who draws air from which reservoir, from the vehicle's file alone. */
function drawnBy(shadow: Shadow, vehicle: Vehicle): void {
  shadow.fed = new Map()
  shadow.clears = new Map()
  const feeds = new Map<string, Set<string>>()
  shadow.places = new Set(
    vehicle.parts.flatMap((part) => [
      ...('bleeders' in part ? part.bleeders.map(({ id }) => id) : []),
      ...(part.type === 'master-cylinder' ? part.chambers.map(({ id }) => id) : []),
    ]),
  )
  for (const part of vehicle.parts) {
    if (part.type !== 'master-cylinder') continue
    for (const chamber of part.chambers) {
      const reservoir = chamber.fedBy ?? part.fedBy
      shadow.fed.set(reservoir, [...(shadow.fed.get(reservoir) ?? []), chamber.id])
      for (const place of [part.id, ...part.bleeders.map(({ id }) => id)])
        shadow.clears.set(place, [...(shadow.clears.get(place) ?? []), chamber.id])
      for (const bleeder of reachedFrom(vehicle, chamber.id))
        feeds.set(bleeder, new Set([...(feeds.get(bleeder) ?? []), reservoir]))
    }
  }
  // One that two reservoirs lead to belongs to neither for sure.
  for (const [bleeder, [reservoir = '', ...more]] of feeds)
    if (more.length === 0) shadow.fed.get(reservoir)?.push(bleeder)
}

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

/** The same of a unit’s routine, whose steps are numbered: by what each says. */
function routineOf({ foot, sets, clears }: Step): { on?: string; off?: string } {
  if (foot === 'hold') return { on: 'foot-held' }
  if (foot === 'release') return { off: 'foot-held' }
  return { on: sets, off: clears }
}

function stepDone(shadow: Shadow, id: string): void {
  const { on = PUTS_ON[id], off = TAKES_OFF[id] } = shadow.routine.get(id) ?? {}
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
    case 'job-opened':
      drawnBy(shadow, event.vehicle)
      break
    case 'vehicle-moved':
      // The same vehicle under another name, whose places are called otherwise.
      shadow.air.clear()
      drawnBy(shadow, event.vehicle)
      break
    case 'point-finished':
      shadow.air.delete(event.point)
      for (const chamber of shadow.clears.get(event.point) ?? []) shadow.air.delete(chamber)
      break
    case 'planned':
      shadow.planSteps = event.plan.stages.flatMap((stage) =>
        [...stage.before, ...stage.after].map(({ id }) => id),
      )
      shadow.routine = new Map(
        event.plan.stages.flatMap((stage) =>
          [...stage.before, ...stage.after].flatMap((step) =>
            step.id.startsWith('procedure ') ? [[step.id, routineOf(step)] as const] : [],
          ),
        ),
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
      if (
        event.act === 'hose-came-off' ||
        ((event.act === 'foot-slipped' || event.act === 'tool-died') && shadow.open.has(event.seen.point))
      )
        shadow.air.add(event.seen.point)
      break
    case 'bottle-hung':
      shadow.open.set(event.point, 'running')
      break
    case 'joint-shut':
      // A broken one is renewed before it is bled again; one left open on a vehicle picked by mistake is called otherwise.
      if (shadow.open.get(event.point) === 'named' && shadow.places.has(event.point))
        shadow.air.add(event.point)
      shadow.open.delete(event.point)
      break
    case 'trouble': {
      const { trouble } = event
      if (trouble.what === 'ran-dry')
        for (const place of shadow.fed.get(trouble.reservoir) ?? []) shadow.air.add(place)
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
      if (event.leverTied) shadow.up.add('lever-tied')
      break
    case 'resumed':
      if (event.pedalCameUp) shadow.up.delete('prop')
      if (event.machineEmpty) shadow.up.delete('pressure')
      break
    case 'paper-entered':
      // All that the card asks for is done, so what it takes off is off and every place is bled.
      shadow.air.clear()
      for (const id of shadow.planSteps) {
        const off = TAKES_OFF[id]
        if (off) shadow.up.delete(off)
      }
      break
  }
  return shadow
}
