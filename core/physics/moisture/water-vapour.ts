const CRITICAL_K = 647.096
const CRITICAL_KPA = 22_064

/**
 * Saturation pressure of pure water.
 *
 * @param tempC 0.01 to 373.9 °C; outside it water has no saturation pressure and the answer is not finite.
 * @returns kPa absolute; waterVapourKPa(100) is 101.42
 * @source Wagner & Pruss 1993, IAPWS SR1-86 (coefficients recalled, checked at five tabled points)
 */
export function waterVapourKPa(tempC: number): number {
  const kelvin = tempC + 273.15
  const tau = 1 - kelvin / CRITICAL_K
  // Powers by multiplying: a curve asks for thousands of them.
  const root = Math.sqrt(tau)
  const cube = tau * tau * tau
  const exponent =
    -7.85951783 * tau +
    1.84408259 * tau * root -
    11.7866497 * cube +
    22.6807411 * cube * root -
    15.9618719 * cube * tau +
    1.80122502 * cube * cube * tau * root
  return CRITICAL_KPA * Math.exp((CRITICAL_K / kelvin) * exponent)
}
