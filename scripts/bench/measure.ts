/** Speed as ratios and times from one run on one machine; nothing here passes or fails. */
export const line = (what: string, measured: string, aim: string) =>
  console.log(`${what.padEnd(52)} ${measured.padStart(16)}   aim ${aim}`)
export const ms = (value: number) => `${value.toFixed(2)} ms`

export function quantile(values: number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length * share)] ?? Number.NaN
}

/** Each work's median where they are done in turn; the first fifth, while all is cold, does not count. */
export async function mediansMs(times: number, works: (() => unknown)[]): Promise<number[]> {
  const taken: number[][] = works.map(() => [])
  for (let i = 0; i < times; i++)
    for (const [k, work] of works.entries()) {
      const began = performance.now()
      await work()
      taken[k]?.push(performance.now() - began)
    }
  return taken.map((each) => quantile(each.slice(Math.floor(times / 5)), 0.5))
}

export async function medianMs(times: number, work: () => unknown): Promise<number> {
  const [median = Number.NaN] = await mediansMs(times, [work])
  return median
}
