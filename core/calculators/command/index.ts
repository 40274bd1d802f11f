import { boilingPoint } from './boiling-point'
import { bubbleRise } from './bubble-rise'
import { bubbleSticks } from './bubble-sticks'
import type { Calculator } from './calculator'
import { flow } from './flow'
import { moistureForecast } from './moisture-forecast'
import { moistureVerdict } from './moisture-verdict'
import { purge } from './purge'
import { restriction } from './restriction'
import { topUp } from './top-up'
import { trappedAir } from './trapped-air'
import { viscosity } from './viscosity'
import { waterFromBoiling } from './water-from-boiling'
import { wearDrop } from './wear-drop'

/** Every calculator of the command and the bench. A new one is one file and one line here. */
export const calculators: readonly Calculator[] = [
  viscosity,
  boilingPoint,
  waterFromBoiling,
  flow,
  restriction,
  purge,
  trappedAir,
  bubbleRise,
  bubbleSticks,
  topUp,
  wearDrop,
  moistureVerdict,
  moistureForecast,
]
