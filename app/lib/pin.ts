import { pinFault } from '~core/door/pin'
import { showIn } from '~core/units/show'
import { metricUnits } from '~core/units/units'
import { sayEnglish } from '~core/words'

/** Why a PIN is not taken, in a sentence; undefined where it is. */
export function whyNoPin(pin: string): string | undefined {
  const fault = pinFault(pin)
  return fault && sayEnglish(showIn(metricUnits))(fault)
}
