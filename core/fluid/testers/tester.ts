import type { Band } from '../../base/band'
import type { Fact, Notice } from '../../base/decision'
import type { BoilingPair } from '../../physics/moisture/boiling-point'

/** What is known of the fluid a reading was taken of. */
export type Sample = {
  /** Dry and wet boiling points; left out for a fluid that takes up no water. */
  pair?: BoilingPair
  /** Height of the shop: what boils there boils higher at the sea, where limits are stated. */
  heightM: number
}

/** What a reading says of the fluid. What it cannot say is left out. */
export type Told = {
  /** By mass. */
  waterPct?: Band
  /** At sea level. */
  boilingC?: Band
  copperPpm?: Band
  /** Enough by itself to replace the fluid. */
  condemns?: Fact
  /** What this reading cannot know. */
  cannot: Notice[]
}

/** How a reading is asked for. */
export type Asks =
  | { of: 'number'; quantity?: 'temperature'; unit: string; min: number; max: number }
  | { of: 'choice'; options: readonly { value: number; label: string }[] }
  | { of: 'colour' }

/** One kind of instrument. */
export type Tester = {
  /** The public format's kind of reading that it gives; none for a look alone. */
  gives?: 'water-pct' | 'boiling-c' | 'copper-ppm' | 'megohm'
  /** From a look (0) to a boiled sample (5): where two disagree, a surer one is asked for. */
  sureness: number
  /** It has boiled a sample: meters beside it count for nothing. */
  settles?: true
  asks: Asks
  /** Whether its reading alone may say that the fluid stays. */
  mayPass: boolean
  /**
   * @param value as the instrument shows it, within `asks`
   * @throws ImpossibleInput for a value nothing can have
   */
  tell(value: number, sample: Sample): Told
}
