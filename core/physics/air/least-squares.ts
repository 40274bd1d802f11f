/** Three unknowns, and how far nine of ten such fits are off in each. */
export type Fit = {
  values: [number, number, number]
  errors: [number, number, number]
  /** Squares of what the fit leaves over, each by the variance of its reading. */
  chiSquared: number
}

type Row = readonly [number, number, number]

/** Nine in ten of a normal spread lie within so many standard deviations. */
export const NINE_IN_TEN = 1.645

/**
 * Weighted least squares for three unknowns by the normal equations and Cramer's rule.
 *
 * @param rows what each reading weighs the unknowns with
 * @param readings as many as rows
 * @param errors how far nine of ten of each reading are off at most, above 0
 * @returns undefined where the readings do not tell the unknowns apart
 * @source weighted least squares; errors are the diagonal of (XᵀWX)⁻¹
 */
export function leastSquares(
  rows: readonly Row[],
  readings: readonly number[],
  errors: readonly number[],
): Fit | undefined {
  const weight = (k: number) => (NINE_IN_TEN / (errors[k] ?? 1)) ** 2
  const sum = (i: 0 | 1 | 2, j: 0 | 1 | 2) =>
    rows.reduce((total, row, k) => total + weight(k) * row[i] * row[j], 0)
  const [a, b, c, d, e, f] = [sum(0, 0), sum(0, 1), sum(0, 2), sum(1, 1), sum(1, 2), sum(2, 2)]
  const first: Row = [d * f - e * e, c * e - b * f, b * e - c * d]
  const second: Row = [c * e - b * f, a * f - c * c, b * c - a * e]
  const third: Row = [b * e - c * d, b * c - a * e, a * d - b * b]
  const determinant = a * first[0] + b * first[1] + c * first[2]
  // Two readings at one effort, or hardly apart, leave nothing but rounding here.
  if (!(determinant > 1e-9 * a * d * f)) return undefined
  const right = (i: 0 | 1 | 2) =>
    rows.reduce((total, row, k) => total + weight(k) * row[i] * (readings[k] ?? 0), 0)
  const value = (row: Row) => (row[0] * right(0) + row[1] * right(1) + row[2] * right(2)) / determinant
  const values: Fit['values'] = [value(first), value(second), value(third)]
  const error = (diagonal: number) => NINE_IN_TEN * Math.sqrt(diagonal / determinant)
  const left = rows.map(
    (row, k) => (readings[k] ?? 0) - row[0] * values[0] - row[1] * values[1] - row[2] * values[2],
  )
  return {
    values,
    errors: [error(first[0]), error(second[1]), error(third[2])],
    chiSquared: left.reduce((total, each, k) => total + weight(k) * each * each, 0),
  }
}

/**
 * What a sum of squares of so many normal deviations stays below in 99 of 100 cases: 6.6 for one, 11.3 for three.
 *
 * @source Wilson and Hilferty 1931, within one in a hundred
 */
export function chiSquared99(freedoms: number): number {
  const ninth = 2 / (9 * freedoms)
  return freedoms * (1 - ninth + 2.326 * Math.sqrt(ninth)) ** 3
}
