/** Speed as ratios and times from one run on one machine; nothing here passes or fails. */
export const line = (what: string, measured: string, aim: string) =>
  console.log(`${what.padEnd(52)} ${measured.padStart(16)}   aim ${aim}`)
export const ms = (value: number) => `${value.toFixed(2)} ms`

export function quantile(values: number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length * share)] ?? Number.NaN
}

export async function medianMs(times: number, work: () => unknown): Promise<number> {
  const taken: number[] = []
  for (let i = 0; i < times; i++) {
    const began = performance.now()
    await work()
    taken.push(performance.now() - began)
  }
  return quantile(taken.slice(Math.floor(times / 5)), 0.5)
}
