import { benchBleed } from './bench'
import type { RigAct } from './request'
import { AT_ONCE_S, type Rig } from './run'
import { startUnit } from './unit-work'

/** What goes on while an act lasts, and how much it pushes about meanwhile, mL/s. */
type Lasting = { during: (dt: number) => void; mlPerS: number }

const nothing: Lasting = { during: () => {}, mlPerS: 0 }

/** What an act changes at once, and what goes on while it lasts. */
export function begin(rig: Rig, act: RigAct): Lasting {
  const { assembly } = rig
  switch (act.do) {
    case 'press':
    case 'release':
      rig.feet.set(act.cylinder, {
        from: rig.effortN(act.cylinder, rig.atS),
        to: act.do === 'press' ? act.effortN : 0,
        begins: rig.atS,
        overS: act.overS,
      })
      return nothing
    case 'open': {
      const outlet = rig.outlet(act.bleeder)
      const way = assembly.way(outlet.link)
      way.open = act.turns / 0.5
      outlet.hose = act.hose
      outlet.bottleOld = assembly.at(outlet.of).oldShare
      way.back = act.hose === 'check-valve' ? 'none' : way.out
      return nothing
    }
    case 'close':
      assembly.way(rig.outlet(act.bleeder).link).open = 0
      return nothing
    case 'crack':
    case 'tighten':
      assembly.way(rig.joint(act.at).link).open = act.do === 'crack' ? 1 : 0
      return nothing
    case 'pressurise':
      rig.tank(act.reservoir).pressureKPa = act.kPa
      return nothing
    case 'vacuum':
      rig.vacuumKPa.set(act.bleeder, act.kPa)
      return nothing
    case 'feed': {
      const tank = rig.tank(act.reservoir)
      tank.fedAtMl = act.on ? tank.levelMl : undefined
      return nothing
    }
    case 'pour':
      rig.tank(act.reservoir).levelMl += act.ml
      rig.ledger.poured += act.ml
      rig.spill()
      return nothing
    case 'draw':
      rig.draw(rig.tank(act.reservoir), act.ml)
      return nothing
    case 'wipe':
      rig.draw(rig.tank(act.reservoir), Number.POSITIVE_INFINITY)
      return nothing
    case 'syringe': {
      const cell = assembly.at(rig.outlet(act.bleeder).of)
      const mlPerS = act.ml / Math.max(act.for, AT_ONCE_S)
      return {
        during: (dt) => {
          cell.liquidMl += mlPerS * dt
          rig.ledger.poured += mlPerS * dt
        },
        mlPerS,
      }
    }
    case 'push-back': {
      const pistons = assembly.worn.get(act.brake) ?? []
      const rates = pistons.map(({ ml }) => ml / Math.max(act.for, AT_ONCE_S))
      return {
        during: (dt) => {
          for (const [i, piston] of pistons.entries()) {
            const ml = Math.min(piston.ml, (rates[i] ?? 0) * dt)
            piston.ml -= ml
            assembly.at(piston.cell).baseMl -= ml
          }
        },
        mlPerS: Math.max(0, ...rates),
      }
    }
    case 'bench':
      benchBleed(assembly, rig.ledger, act)
      return nothing
    case 'cycle':
      return { during: startUnit(assembly, act.unit), mlPerS: 0 }
    case 'hold':
      for (const gate of assembly.gates) if (gate.valve === act.valve) gate.held = act.on
      return nothing
    case 'wait':
      return nothing
  }
}
