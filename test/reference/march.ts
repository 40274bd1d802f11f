/**
 * An exchange gone through in small steps, by plain bookkeeping: a reservoir that is stirred, corners of three stirred
 * volumes, and new fluid poured in. It shares nothing with the planner's closed forms.
 */
export type Marched = { maxMl: number; minMl: number; oldMl: number; levelMl: number }

/** Drawn down, rinsed, drawn down again and filled, from a reservoir full of old fluid. */
export function begun(maxMl: number, minMl: number, drawToMl: number, rinseMl = 0): Marched {
  const mixed = (drawToMl * drawToMl) / Math.max(1e-12, drawToMl + rinseMl)
  return { maxMl, minMl, oldMl: rinseMl > 0 ? mixed : drawToMl, levelMl: maxMl }
}

const SLICES = 60

/**
 * Push fluid through one corner until `ends` says so, and give what went through and how old the last drops are.
 *
 * @param fed kept at MAX all the while; otherwise it sinks to MIN and is then filled
 */
export function march(
  reservoir: Marched,
  volumeMl: number,
  fed: boolean,
  ends: (throughMl: number, outlet: number) => boolean,
): { throughMl: number; outlet: number } {
  const tanks = [1, 1, 1]
  const stepMl = Math.max(0.02, Math.min(volumeMl / SLICES, reservoir.maxMl / 400))
  const outletNow = (throughMl: number) => {
    const volumes = throughMl / volumeMl
    return Math.max(tanks[2] ?? 1, volumes > 0.5 ? 1 / (4 * volumes ** 2) : 1)
  }
  let throughMl = 0
  while (!ends(throughMl, outletNow(throughMl))) {
    // What leaves is gone at the share that stood there; new fluid follows it where something feeds.
    const share = reservoir.oldMl / reservoir.levelMl
    reservoir.oldMl -= share * stepMl
    if (!fed) {
      reservoir.levelMl -= stepMl
      if (reservoir.levelMl <= reservoir.minMl) reservoir.levelMl = reservoir.maxMl
    }
    const turned = 1 - Math.exp((-3 * stepMl) / volumeMl)
    let into = share
    for (const [i, held] of tanks.entries()) {
      const next = held + (into - held) * turned
      into = (held + next) / 2
      tanks[i] = next
    }
    throughMl += stepMl
  }
  return { throughMl, outlet: outletNow(throughMl) }
}
