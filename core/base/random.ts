/** Chance that can be played again: mulberry32, the usual small generator, from a seed. */
export class Chance {
  constructor(private seed: number) {}

  /** From 0 up to, not including, 1. */
  next(): number {
    this.seed = (this.seed + 0x6d2b79f5) | 0
    let t = Math.imul(this.seed ^ (this.seed >>> 15), 1 | this.seed)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  /** About 0, with a standard deviation of 1. @source Box and Muller 1958 */
  normal = (): number => Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next())
  below = (n: number): number => Math.floor(this.next() * n)
  yes = (share: number): boolean => this.next() < share
  of = <T>(list: readonly T[]): T => list[this.below(list.length)] as T
}
