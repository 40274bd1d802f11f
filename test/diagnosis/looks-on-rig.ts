import type { Chance } from '~core/base/random'
import { pedalFeel } from '~core/physics/air/pedal-feel'
import type { Rig } from '~core/rig/run'
import { usual } from '~core/rig/usual'
import { routedBleeders, sourcePart } from '~core/vehicle/network'
import { done } from '../worlds/rig-of'
import { type Hidden, standing } from './hidden'

/** How far the eye is off at the pedal, and how much a foot is. @source from memory */
const EYE_MM = 1
const FOOT_PCT = 4
const PUMPED_LESS_MM = 5
const SINKS_MM = 4
const FELT_ML = 1
/** A brake drags that keeps more than this. @source from memory */
const DRAGS_KPA = 40

/** What somebody sees who does a check on the simulated vehicle; checks that it cannot show are not here. */
export const looksOnRig: Record<string, (hidden: Hidden, chance: Chance) => string> = {
  'pump-up': (hidden, chance) => {
    const at = of(hidden)
    const [here, usually] = [false, true].map((sound) => {
      const rig = standing(hidden, sound)
      const first = at.travel(rig, 1500, chance)
      at.rest(rig)
      for (let i = 0; i < 4; i++) done(rig, at.press(1500, 0.3), at.release(0.25))
      return first - at.travel(rig, 1500, chance)
    })
    // A sound pedal rises a little too: a technician knows by how much.
    return (here ?? 0) - (usually ?? 0) > PUMPED_LESS_MM ? 'improves' : 'same'
  },
  'hold-light': (hidden, chance) => held(hidden, chance, 300),
  'hold-firm': (hidden, chance) => held(hidden, chance, 3000),
  'three-efforts': (hidden, chance) => {
    const at = of(hidden)
    const efforts = [150, 300, 1000, 2500, 4000].map((kPa) => {
      const rig = standing(hidden)
      const travelMm = at.travel(rig, kPa, chance)
      return { pressureKPa: kPa, travelMm: Math.max(0.1, travelMm) }
    })
    const { air, airMl = FELT_ML } = pedalFeel({
      boreMm: at.chamber.boreMm,
      pedalRatio: at.cylinder.pedalRatio,
      efforts,
      travelErrorMm: 1.6 * EYE_MM,
      gaugeErrorPct: FOOT_PCT,
    }).value
    if (air === 'yes') return 'curved'
    return airMl < FELT_ML ? 'straight' : 'cannot-tell'
  },
  'crack-bleeder': (hidden) =>
    freed(hidden, (bleeder) => ({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 1 })),
  'crack-port': (hidden) => freed(hidden, (_, port) => ({ do: 'crack', at: port, for: 1 })),
  return: (hidden) => (drags(hidden) || isStuck(hidden) ? 'does-not' : 'returns'),
  flow: (hidden) => {
    const shares = pair(hidden).map(({ bleeder }) => {
      const [here, sound] = [given(hidden, bleeder.id, false), given(hidden, bleeder.id, true)]
      return sound > 0 ? here / sound : 1
    })
    const few = (least: number) => shares.filter((share) => share < least).length
    if (few(0.05) === shares.length) return 'none'
    if (few(0.05) > 0) return 'none-one'
    if (few(0.5) === shares.length) return 'weak-all'
    return few(0.5) > 0 ? 'weak-one' : 'even'
  },
  bubbles: (hidden) => {
    const seen = pair(hidden).map(({ bleeder }) => airOf(hidden, bleeder.id))
    const most = seen.reduce((a, b) => (sum(b) > sum(a) ? b : a), [0])
    if (sum(most) < 0.05) return 'none'
    return sum(most.slice(-3)) < 0.3 * sum(most.slice(0, 3)) ? 'thin-out' : 'never-end'
  },
  thumb: (hidden) => {
    const at = of(hidden)
    const rig = standing(hidden)
    const pushes = Array.from({ length: 4 }, () => {
      rig.came.clear()
      done(rig, { do: 'crack', at: at.chamber.id, for: 0.1 }, at.press(300, 1.5))
      const ml = rig.came.get(at.chamber.id)?.ml ?? 0
      done(rig, { do: 'tighten', at: at.chamber.id, for: 0.1 }, at.release(3))
      return ml
    })
    const [first = 0, , , last = 0] = pushes
    const stroke = ((Math.PI / 4) * at.chamber.boreMm ** 2 * at.chamber.strokeMm) / 1000
    if (first < 0.2 * stroke) return 'nothing'
    return last < 0.5 * first ? 'pushes-only' : 'pushes-and-draws'
  },
}

const sum = (all: readonly number[]) => all.reduce((total, each) => total + each, 0)

/** The pedal in question, and what somebody does to it. */
function of({ vehicle, bleeder }: Hidden) {
  const route = routedBleeders(vehicle).find((each) => each.bleeder.id === bleeder)?.route
  const cylinder = sourcePart(vehicle, route?.sourceId ?? '')
  if (cylinder?.type !== 'master-cylinder') throw new Error(`nothing feeds ${bleeder}`)
  const chamber = cylinder.chambers.find(({ id }) => id === route?.sourceId) ?? cylinder.chambers[0]
  if (!chamber) throw new Error(`${cylinder.id} has no chamber`)
  const effortN = (kPa: number) =>
    (((Math.PI / 4) * chamber.boreMm ** 2 * kPa) / 1000 + usual.springN) / cylinder.pedalRatio
  const press = (kPa: number, lasts: number) => ({
    do: 'press',
    cylinder: cylinder.id,
    effortN: effortN(kPa),
    overS: 0.2,
    for: lasts,
  })
  const release = (lasts: number) => ({ do: 'release', cylinder: cylinder.id, overS: 0.2, for: lasts })
  return {
    cylinder,
    chamber,
    press,
    release,
    rest: (rig: Rig) => done(rig, release(8)),
    travel: (rig: Rig, kPa: number, chance: Chance) => {
      done(rig, press(kPa * (1 + (FOOT_PCT / 100) * chance.normal() * 0.6), 1.5))
      return rig.pedalMm(cylinder.id) + EYE_MM * chance.normal()
    },
  }
}

/** The wheel in question and another: what is everywhere shows at both. */
function pair({ vehicle, bleeder }: Hidden) {
  const routes = routedBleeders(vehicle).filter(({ part, route }) => part.type === 'wheel-brake' && route)
  const here = routes.find((each) => each.bleeder.id === bleeder)
  const other = routes.find(({ route }) => route?.sourceId !== here?.route?.sourceId) ?? routes[0]
  return [here, other].flatMap((each) => each ?? [])
}

function held(hidden: Hidden, chance: Chance, kPa: number): string {
  const at = of(hidden)
  const rig = standing(hidden)
  done(rig, at.press(kPa, 3))
  const before = rig.pedalMm(at.cylinder.id)
  done(rig, { do: 'wait', for: 30 })
  return rig.pedalMm(at.cylinder.id) - before + EYE_MM * chance.normal() > SINKS_MM ? 'sinks' : 'holds'
}

const isStuck = ({ causes }: Hidden) => causes.some(({ id }) => id === 'brake-seized')
const brakeKPa = (rig: Rig, id: string): number => {
  const [first] = rig.assembly.worn.get(id) ?? []
  return first ? rig.assembly.at(first.cell).kPa : 0
}

/** Used as on a drive: pressed and let go a few times, the last time hard and long. */
function pressed(hidden: Hidden): Rig {
  const at = of(hidden)
  const rig = standing(hidden)
  for (let i = 0; i < 5; i++) done(rig, at.press(1500, 0.5), at.release(0.4))
  return done(rig, at.press(3000, 4), at.release(2))
}
const drags = (hidden: Hidden) => brakeKPa(pressed(hidden), hidden.brake) > DRAGS_KPA

function freed(hidden: Hidden, act: (bleeder: string, port: string) => object): string {
  if (isStuck(hidden)) return 'stays'
  const rig = pressed(hidden)
  if (brakeKPa(rig, hidden.brake) <= DRAGS_KPA) return 'stays'
  done(rig, act(hidden.bleeder, of(hidden).chamber.id))
  return brakeKPa(rig, hidden.brake) <= DRAGS_KPA ? 'frees' : 'stays'
}

/** What a bleeder gives at the last of five presses of the same foot, mL: a cylinder that draws nothing is empty by then. */
function given(hidden: Hidden, bleeder: string, sound: boolean): number {
  const at = of({ ...hidden, bleeder })
  const rig = standing(hidden, sound)
  for (let i = 0; i < 5; i++) {
    rig.came.clear()
    done(rig, at.press(300, 0.3), opened(bleeder, 1.2), { do: 'close', bleeder, for: 0.2 }, at.release(1.5))
  }
  return rig.came.get(bleeder)?.ml ?? 0
}
const opened = (bleeder: string, lasts: number) => ({
  do: 'open',
  bleeder,
  turns: 0.5,
  hose: 'under-fluid',
  for: lasts,
})

/** Air in the hose at each of eight pulls, mL. */
function airOf(hidden: Hidden, bleeder: string): number[] {
  const at = of({ ...hidden, bleeder })
  const rig = standing(hidden)
  return Array.from({ length: 8 }, () => {
    rig.came.clear()
    done(rig, at.press(500, 0.4), opened(bleeder, 1.5), { do: 'close', bleeder, for: 0.2 }, at.release(1.5))
    return rig.came.get(bleeder)?.airMl ?? 0
  })
}
