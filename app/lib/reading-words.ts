import type { TakenReading } from '~core/fluid/readings'
import { colourFact, colours } from '~core/fluid/specs/colour'
import { testerOf } from '~core/fluid/testers'
import type { Show } from '~core/units/show'
import { sayEnglish } from '~core/words'

/** What a tester showed, in words with its unit. */
export function readingWords({ tester, value }: Pick<TakenReading, 'tester' | 'value'>, show: Show): string {
  const { asks, gives } = testerOf(tester)
  switch (asks.of) {
    case 'number': {
      if (asks.quantity) return `boils at ${show(asks.quantity, value)}`
      const of = { 'water-pct': ' water', 'copper-ppm': ' copper', 'boiling-c': '', megohm: '' }
      return `${value} ${asks.unit}${gives ? of[gives] : ''}`
    }
    case 'choice':
      return `${asks.options.find((option) => option.value === value)?.label ?? value} water`
    case 'colour': {
      const colour = colours[value]
      return colour ? `looks ${sayEnglish(show)(colourFact(colour)).toLowerCase()}` : ''
    }
  }
}
