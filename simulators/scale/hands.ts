import { hiddenIn } from '~core/job/practice-hides'
import { feedsOf } from '~core/plan/feeds'
import { Rig } from '~core/rig/run'
import { routedBleeders } from '~core/vehicle/network'
import type { Vehicle } from '~core/vehicle/schema'

/** A simulated vehicle under two hands and a foot: what it gives at the open bleeder runs into the bottle. */
export class Hands {
  private readonly rig: Rig
  private readonly feeds: ReturnType<typeof feedsOf>
  readonly bleeders: readonly string[]
  open?: string
  isDown = false

  constructor(vehicle: Vehicle, hides: number, tempC = 20) {
    this.rig = new Rig({ vehicle, start: { tempC }, faults: hiddenIn(vehicle, hides).faults })
    this.feeds = feedsOf(vehicle)
    this.bleeders = routedBleeders(vehicle).map(({ bleeder }) => bleeder.id)
  }

  /** Turn a bleeder; another one that stands open is closed first. */
  turn(bleeder: string | undefined): void {
    if (this.open !== undefined) this.rig.do({ do: 'close', bleeder: this.open, for: 0.1 })
    this.open = bleeder
    if (bleeder !== undefined) this.rig.do({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 0.1 })
  }
  foot(down: boolean): void {
    const foot = this.feeds.get(this.open ?? this.bleeders[0] ?? '')?.foot
    if (!foot) return
    this.isDown = down
    if (down) this.rig.do({ do: 'press', ...foot, overS: 0.3, for: 0.1 })
    else this.rig.do({ do: 'release', cylinder: foot.cylinder, overS: 0.3, for: 0.1 })
    // Somebody at the reservoir keeps it full.
    const reservoir = this.feeds.get(this.open ?? this.bleeders[0] ?? '')?.reservoir
    if (reservoir !== undefined) this.rig.do({ do: 'feed', reservoir, on: true, for: 0 })
  }
  /** @returns what came into the bottle meanwhile, mL */
  pass(seconds: number): number {
    const before = this.cameMl()
    this.rig.do({ do: 'wait', for: seconds })
    return this.cameMl() - before
  }
  private cameMl = (): number => this.bleeders.reduce((sum, id) => sum + (this.rig.came.get(id)?.ml ?? 0), 0)
}
