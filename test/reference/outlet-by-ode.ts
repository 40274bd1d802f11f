import { Solver } from '~test/worlds/odex'

/** Reservoir and three tanks as four differential equations over the volume pushed through. */
export function outletByOde(reservoirMl: number, share: number, volumeMl: number, throughMl: number): number {
  const solver = new Solver(4)
  solver.absoluteTolerance = solver.relativeTolerance = 1e-8
  const tankMl = volumeMl / 3
  const flows = (_q: number, [r = 0, a = 0, b = 0, c = 0]: number[]) => [
    -r / reservoirMl,
    (r - a) / tankMl,
    (a - b) / tankMl,
    (b - c) / tankMl,
  ]
  return solver.solve(flows, 0, [share, 1, 1, 1], throughMl).y[3] ?? Number.NaN
}
