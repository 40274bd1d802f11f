import { LiveStream, type OpenStream, type Silences } from '~/client/live/live-stream'
import { type Fact, fact } from '~core/base/decision'
import type { ScaleSaid } from '~core/scale/lines'
import {
  beginsToCome,
  cameByNowG,
  type Disturbed,
  freshWeighing,
  type ScaleRange,
  unplug,
  type Weighing,
  weigh,
} from '~core/scale/weigh'

/** What drips from the hose after its bleeder was closed came through it too, s. @source from memory */
const DRIPS_S = 3

/** How the scale under the bottle stands on this screen. */
export type ScaleSeen = {
  link: 'waiting' | 'weighs' | 'over' | 'lost'
  /** Why it does not weigh, for a person. */
  fault?: Fact
  /** Fluid that came since this screen began to weigh, mL: still, and by now. */
  cameMl: number
  nowMl: number
  isStill: boolean
  /** Fluid has begun to come. */
  begins: boolean
  isLifted: boolean
  disturbed?: Disturbed
  /** So often another bottle was put there. */
  changes: number
}

/** The shop’s scale as a bay hears it: weights in, millilitres out. */
export class BottleScale {
  private weighing: Weighing = freshWeighing
  private range?: ScaleRange
  private link: ScaleSeen['link'] = 'waiting'
  private fault?: Fact
  private ranAtS = Number.NEGATIVE_INFINITY
  private opensFromS?: number
  private readonly live: LiveStream
  private current: ScaleSeen
  private readonly watchers = new Set<() => void>()

  /**
   * @param gPerMl density of the fluid that comes
   * @param mayFlow whether fluid may run into the bottle now
   * @param opensNext whether opening is what comes next
   */
  constructor(
    private readonly gPerMl: number,
    private readonly mayFlow: () => boolean,
    private readonly opensNext: () => boolean,
    opens: OpenStream,
    silences?: Silences,
    private readonly clockS = () => performance.now() / 1000,
  ) {
    this.current = this.seen(false)
    this.live = new LiveStream(
      opens,
      () => '/scale/stream',
      { scale: (data) => this.hear(JSON.parse(data) as ScaleSaid), beat: () => {} },
      () => this.live.hearing === 'lost' && this.lose(fact('scale-server-lost')),
      silences,
    )
  }

  snapshot = (): ScaleSeen => this.current
  subscribe = (watch: () => void): (() => void) => {
    this.watchers.add(watch)
    return () => this.watchers.delete(watch)
  }
  begin = () => this.live.begin()
  end = () => this.live.end()
  open = () => this.live.open()
  /** Hidden, a page hears nothing: what came meanwhile nobody weighed. */
  close = () => {
    this.live.close()
    this.lose(undefined)
  }

  /** What was disturbed is looked at and written down by the bottle’s marks: it counts on from here. */
  settled = () => {
    this.weighing = { ...this.weighing, disturbed: undefined }
    this.show(this.mayFlow())
  }

  private hear(said: ScaleSaid) {
    if (said.says === 'fault') return this.lose(fact(`scale-${said.code}`, { said: said.said }))
    if (said.says === 'hello') {
      this.range = said
      this.link = 'waiting'
      this.fault = undefined
      return this.show(false)
    }
    if (said.says === 'over') {
      this.link = 'over'
      this.fault = fact('scale-over')
      return this.show(false)
    }
    if (!this.range) return
    const atS = this.clockS()
    if (!this.opensNext()) this.opensFromS = undefined
    else this.opensFromS ??= atS
    if (this.mayFlow()) this.ranAtS = atS
    const mayFlow = atS - this.ranAtS <= DRIPS_S
    this.weighing = weigh(this.weighing, { atS, grams: said.grams }, this.range, mayFlow)
    this.link = 'weighs'
    this.fault = undefined
    this.show(mayFlow)
  }
  private lose(fault: Fact | undefined) {
    if (this.link !== 'lost' && this.range) this.weighing = unplug(this.weighing)
    this.link = 'lost'
    this.fault = fault
    this.range = undefined
    this.show(false)
  }
  private seen(mayFlow: boolean): ScaleSeen {
    const { weighing, link, fault, gPerMl, opensFromS } = this
    return {
      link,
      fault,
      cameMl: weighing.cameG / gPerMl,
      nowMl: cameByNowG(weighing, mayFlow) / gPerMl,
      isStill: weighing.isStill && link === 'weighs',
      begins: link === 'weighs' && opensFromS !== undefined && beginsToCome(weighing, opensFromS),
      isLifted: weighing.lifted !== undefined,
      disturbed: weighing.disturbed,
      changes: weighing.changes,
    }
  }
  private show(mayFlow: boolean) {
    this.current = this.seen(mayFlow)
    for (const watch of this.watchers) watch()
  }
}
