/** jStat ships no types; this is the part the checks use. */
declare module 'jstat' {
  const jStat: {
    models: {
      ols: (
        readings: number[],
        rows: number[][],
      ) => { coef: number[]; SSR: number; df_resid: number; t: { se: number[] } }
    }
    inv: (matrix: number[][]) => number[][]
    chisquare: { inv: (share: number, freedoms: number) => number }
    gamma: {
      cdf: (x: number, shape: number, scale: number) => number
      inv: (share: number, shape: number, scale: number) => number
    }
  }
  export default jStat
}
