/** Three unknowns, and how far each may be off: one standard deviation for an error of 1 in every reading. */
export type Fit = { values: [number, number, number]; errors: [number, number, number] }

type Row = readonly [number, number, number]

/**
 * Least squares for three unknowns by the normal equations and Cramer's rule.
 *
 * @param rows what each reading weighs the unknowns with; @param readings as many as rows
 * @returns undefined where the readings do not tell the unknowns apart
 * @source ordinary least squares; errors are the diagonal of (XᵀX)⁻¹
 */
export function leastSquares(rows: readonly Row[], readings: readonly number[]): Fit | undefined {
  const sum = (i: 0 | 1 | 2, j: 0 | 1 | 2) => rows.reduce((total, row) => total + row[i] * row[j], 0)
  const [a, b, c, d, e, f] = [sum(0, 0), sum(0, 1), sum(0, 2), sum(1, 1), sum(1, 2), sum(2, 2)]
  const cofactors: readonly Row[] = [
    [d * f - e * e, c * e - b * f, b * e - c * d],
    [c * e - b * f, a * f - c * c, b * c - a * e],
    [b * e - c * d, b * c - a * e, a * d - b * b],
  ]
  const [first, second, third] = cofactors as [Row, Row, Row]
  const determinant = a * first[0] + b * first[1] + c * first[2]
  // Two readings at one effort, or hardly apart, leave nothing but rounding here.
  if (!(determinant > 1e-9 * a * d * f)) return undefined
  const right = [0, 1, 2].map((i) =>
    rows.reduce((total, row, k) => total + (row[i as 0 | 1 | 2] ?? 0) * (readings[k] ?? 0), 0),
  ) as [number, number, number]
  const value = (row: Row) => (row[0] * right[0] + row[1] * right[1] + row[2] * right[2]) / determinant
  const error = (diagonal: number) => Math.sqrt(diagonal / determinant)
  return {
    values: [value(first), value(second), value(third)],
    errors: [error(first[0]), error(second[1]), error(third[2])],
  }
}
