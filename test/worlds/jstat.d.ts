/** jStat ships no types; this is the part the checks use. */
declare module 'jstat' {
  export const jStat: {
    gamma: {
      cdf: (x: number, shape: number, scale: number) => number
      inv: (share: number, shape: number, scale: number) => number
    }
  }
}
