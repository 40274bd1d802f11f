/** Physics written down a second time, in SI units and by the plainest means: it shares nothing with `core/`. */

/** Where a rising function crosses a value, by halving. */
export function halving(rises: (x: number) => number, target: number, from: number, to: number): number {
  let [low, high] = [from, to]
  for (let step = 0; step < 200; step++) {
    const middle = (low + high) / 2
    if (rises(middle) > target) high = middle
    else low = middle
  }
  return low
}

/** Standard atmosphere, kPa. @source ISO 2533 (recalled) */
export const airKPa = (heightM: number): number => 101.325 * (1 - 2.25577e-5 * heightM) ** 5.25588

/** Vapour pressure of water, kPa: Antoine's equation in its two usual stretches. @source recalled */
export function antoineKPa(tempC: number): number {
  const [a, b, c] = tempC < 99 ? [8.07131, 1730.63, 233.426] : [8.14019, 1810.94, 244.485]
  return 10 ** (a - b / (c + tempC)) * 0.133322
}

const moles = (pct: number) => pct / 18.015 / (pct / 18.015 + (100 - pct) / 164.2)
const solventKPa = (tempC: number, dryC: number) =>
  101.325 * Math.exp((88 / 8.314462618) * (1 - (dryC + 273.15) / (tempC + 273.15)))

/** Boiling point of a fluid with some water, °C: Raoult with one activity, fitted where 3.7 % boils at the wet point. */
export function boilsC(dryC: number, wetC: number, waterPct: number, pressureKPa = 101.325): number {
  const gamma = (101.325 - (1 - moles(3.7)) * solventKPa(wetC, dryC)) / (moles(3.7) * antoineKPa(wetC))
  const kPa = (tempC: number) =>
    moles(waterPct) * gamma * antoineKPa(tempC) + (1 - moles(waterPct)) * solventKPa(tempC, dryC)
  return halving(kPa, pressureKPa, 20, dryC + 30)
}

/** Walther's straight line through two points, mm²/s. @source ASTM D341 */
export function viscosity(points: readonly { tempC: number; mm2PerS: number }[], tempC: number): number {
  const [x, y] = [
    points.map((point) => Math.log(point.tempC + 273.15)),
    points.map(({ mm2PerS }) => Math.log(Math.log(mm2PerS + 0.7) / Math.LN10)),
  ] as [[number, number], [number, number]]
  const share = (Math.log(tempC + 273.15) - x[0]) / (x[1] - x[0])
  return Math.exp(Math.LN10 * Math.exp(y[0] + share * (y[1] - y[0]))) - 0.7
}

export type Piece = { lengthM: number; boreMm: number }
const perS = (mlPerMin: number) => mlPerMin / 60e6

/** Pressure some pieces take, Pa: laminar below Reynolds 2300, Blasius above 4000, a line of the friction between. */
export function takesPa(
  pieces: readonly Piece[],
  mlPerMin: number,
  mm2PerS: number,
  densityKgM3: number,
): number {
  let sum = 0
  for (const { lengthM, boreMm } of pieces) {
    const d = boreMm / 1000
    const speed = perS(mlPerMin) / ((Math.PI * d * d) / 4)
    const reynolds = (speed * d) / (mm2PerS * 1e-6)
    const blasius = (re: number) => 0.3164 / Math.sqrt(Math.sqrt(re))
    const between = (re: number) => 64 / 2300 + ((re - 2300) / 1700) * (blasius(4000) - 64 / 2300)
    const friction = reynolds < 2300 ? 64 / reynolds : reynolds > 4000 ? blasius(reynolds) : between(reynolds)
    sum += speed === 0 ? 0 : (friction * (lengthM / d) * densityKgM3 * speed * speed) / 2
  }
  return sum
}

/** Pressure a sharp-edged hole takes, Pa; Cd 0.61. */
export const holePa = (holeMm: number, mlPerMin: number, densityKgM3: number): number =>
  (densityKgM3 / 2) * (perS(mlPerMin) / (0.61 * Math.PI * (holeMm / 2000) ** 2)) ** 2

/** Flow that takes a pressure, mL/min. */
export function flowMlPerMin(
  pieces: readonly Piece[],
  pressureKPa: number,
  mm2PerS: number,
  densityKgM3: number,
  holeMm?: number,
): number {
  const takes = (mlPerMin: number) =>
    takesPa(pieces, mlPerMin, mm2PerS, densityKgM3) +
    (holeMm === undefined ? 0 : holePa(holeMm, mlPerMin, densityKgM3))
  let most = 1
  while (takes(most) < pressureKPa * 1000) most *= 2
  return halving(takes, pressureKPa * 1000, 0, most)
}
