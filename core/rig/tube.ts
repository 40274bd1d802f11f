/**
 * Where one lane ends and the next begins: the part of the section that lies between there and the wall. Narrower towards
 * the wall, so that the old share steps down about as 1/(4θ²) falls.
 */
const WALL_SHARES = [1, 0.66, 0.44, 0.29, 0.19, 0.125, 0]
/** Which part of the section each lane has, and of the flow: within a share w of the wall flows w². */
const LANES = WALL_SHARES.slice(0, -1).map((outer, k) => {
  const inner = WALL_SHARES[k + 1] ?? 0
  return { section: outer - inner, flow: outer ** 2 - inner ** 2 }
})
/** Slugs of a lane are no shorter than this part of it. */
const SLUG_SHARE = 1 / 24
/** Shares that nobody could tell apart become one; that is looked for every so many pushes. */
const ALIKE = 3e-4
const LOOK_EVERY = 32

export type TubeEnd = 'near' | 'far'

/** Slugs of fluid along one streamline, each so much with so much of it old, from the near end on. */
class Lane {
  readonly ml: number[] = []
  readonly share: number[] = []
  /** How much the last pop got. */
  gotMl = 0

  get oldMl(): number {
    return this.ml.reduce((sum, ml, i) => sum + ml * (this.share[i] as number), 0)
  }

  refill(ml: number, share: number): void {
    this.ml.length = 0
    this.share.length = 0
    this.ml.push(ml)
    this.share.push(share)
  }

  push(end: TubeEnd, ml: number, share: number, slugMl: number): void {
    const at = end === 'near' ? 0 : this.ml.length - 1
    const lastMl = this.ml[at]
    const lastShare = this.share[at] as number
    if (lastMl !== undefined && (lastMl < slugMl || Math.abs(lastShare - share) < ALIKE)) {
      this.ml[at] = lastMl + ml
      this.share[at] = (lastShare * lastMl + share * ml) / (lastMl + ml)
    } else if (end === 'near') {
      this.ml.unshift(ml)
      this.share.unshift(share)
    } else {
      this.ml.push(ml)
      this.share.push(share)
    }
  }

  /** @returns how much of what came is old, mL; less comes than asked where there is no more */
  pop(end: TubeEnd, wantedMl: number): number {
    let gotMl = 0
    let gotOldMl = 0
    while (gotMl < wantedMl && this.ml.length > 0) {
      const at = end === 'near' ? 0 : this.ml.length - 1
      const ml = this.ml[at] as number
      const part = Math.min(ml, wantedMl - gotMl)
      gotMl += part
      gotOldMl += part * (this.share[at] as number)
      if (part < ml) {
        this.ml[at] = ml - part
        break
      }
      if (end === 'near') {
        this.ml.shift()
        this.share.shift()
      } else {
        this.ml.pop()
        this.share.pop()
      }
    }
    this.gotMl = gotMl
    return gotOldMl
  }
}

/**
 * The age of what stands in a piece of line, as long as nothing mixes it across. Laminar flow slides past itself, quick in
 * the middle and slow at the wall: fluid that swings to and fro comes back as it went in, and the last of the old leaves
 * late. Each lane is one streamline, along which nothing mixes; where a piece ends, at a bend or a fitting, all of them do.
 *
 * @source Levenspiel, laminar flow in a tube: a ring at r moves at 2·(1 − r²/R²) of the mean; the old share at the outlet
 *   is 1/(4θ²) after θ volumes
 */
export class Tube {
  private readonly lanes = LANES.map(() => new Lane())
  private volumeMl = 0
  /** Old share of all of it while it is of one age: then no lane is kept. */
  private uniform: number | undefined = 0
  private pushes = 0

  get oldMl(): number {
    if (this.uniform !== undefined) return this.uniform * this.volumeMl
    return this.lanes.reduce((sum, lane) => sum + lane.oldMl, 0)
  }

  fill(ml: number, share: number): void {
    this.volumeMl = ml
    this.uniform = share
  }

  push(end: TubeEnd, ml: number, oldMl: number): void {
    if (ml <= 0) return
    const share = oldMl / ml
    if (this.uniform !== undefined) {
      if (Math.abs(this.uniform - share) < ALIKE || this.volumeMl <= 0) {
        this.uniform = (this.uniform * this.volumeMl + oldMl) / (this.volumeMl + ml)
        this.volumeMl += ml
        return
      }
      for (const [k, lane] of this.lanes.entries())
        lane.refill(this.volumeMl * laneOf(k).section, this.uniform)
      this.uniform = undefined
    }
    const slugMl = SLUG_SHARE * this.volumeMl
    this.volumeMl += ml
    for (let k = 0; k < this.lanes.length; k++) {
      const { flow, section } = laneOf(k)
      this.lanes[k]?.push(end, ml * flow, share, slugMl * section)
    }
    this.pushes += 1
    if (this.pushes % LOOK_EVERY === 0) this.uniform = this.ifAlike()
  }

  /** @returns how much of it is old, mL */
  pop(end: TubeEnd, ml: number): number {
    this.volumeMl = Math.max(0, this.volumeMl - ml)
    if (this.uniform !== undefined) return ml * this.uniform
    let left = ml
    let oldMl = 0
    for (let k = 0; k < this.lanes.length; k++) {
      const lane = this.lanes[k] as Lane
      oldMl += lane.pop(end, ml * laneOf(k).flow)
      left -= lane.gotMl
    }
    // A lane that has run out is made up for by the others.
    for (let k = 0; k < this.lanes.length && left > 0; k++) {
      const lane = this.lanes[k] as Lane
      oldMl += lane.pop(end, left)
      left -= lane.gotMl
    }
    return oldMl
  }

  private ifAlike(): number | undefined {
    let [least, most] = [1, 0]
    for (const lane of this.lanes)
      for (const share of lane.share) {
        least = Math.min(least, share)
        most = Math.max(most, share)
      }
    if (most - least > ALIKE || this.volumeMl <= 0) return undefined
    return this.oldMl / this.volumeMl
  }
}

const laneOf = (k: number): { section: number; flow: number } => LANES[k] as { section: number; flow: number }
