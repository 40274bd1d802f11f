import { type Fact, fact } from '../../base/decision'
import { type FluidSpec, fluidOf, mayMix } from './index'
import { iso4925 } from './iso-4925'

/** What a vehicle calls for. */
export type FluidWanted = { spec: FluidSpec; alsoAllowed: readonly FluidSpec[]; isoClass?: string }

type Limits = { dryC?: number; wetC?: number; coldViscosityMaxMm2PerS?: number }

/** The tighter of what the specification and, where one is stated, the ISO class ask for. */
function wantedLimits({ spec, isoClass }: FluidWanted): Limits {
  const own = fluidOf(spec)
  const named = Object.entries(iso4925).find(([id]) => id === isoClass?.replace(/^class\s*/i, '').trim())?.[1]
  if (!named) return own
  const most = (a: number | undefined, b: number) => Math.max(a ?? b, b)
  const least = (a: number | undefined, b: number) => Math.min(a ?? b, b)
  return {
    dryC: most(own.dryC, named.dryC),
    wetC: most(own.wetC, named.wetC),
    coldViscosityMaxMm2PerS: least(own.coldViscosityMaxMm2PerS, named.coldViscosityMaxMm2PerS),
  }
}

/**
 * Whether a fluid may go in where another is called for. There is no single scale: base, dry and wet boiling point and
 * cold viscosity are compared each on its own, and worse in any is a refusal unless the maker allows it. DOT 4 for
 * DOT 3 boils higher and is thicker in the cold, 1800 against 1500 mm²/s: worse.
 *
 * @returns `never` for another base, `allowed` where only the maker's word makes it good; `worse` and `better` in words
 * @source FMVSS No. 116 and ISO 4925 for the limits (recalled); common practice for the comparison
 */
export function suits(
  candidate: FluidSpec,
  wanted: FluidWanted,
): { value: 'same' | 'as-good' | 'allowed' | 'worse' | 'never'; worse: Fact[]; better: Fact[] } {
  if (candidate === wanted.spec) return { value: 'same', worse: [], better: [] }
  if (!mayMix(candidate, wanted.spec)) {
    const [has, wants] = [fluidOf(candidate).base, fluidOf(wanted.spec).base]
    return { value: 'never', worse: [fact('base-differs', { has, wants })], better: [] }
  }
  const has = fluidOf(candidate)
  const wants = wantedLimits(wanted)
  const worse: Fact[] = []
  const better: Fact[] = []
  const compare = (code: string, mine: number | undefined, limit: number | undefined, sign: 1 | -1) => {
    if (limit === undefined || mine === limit) return
    const suffix = code === 'cold-viscosity' ? 'Mm2PerS' : 'C'
    const compared = fact(code, { [`mine${suffix}`]: mine, [`limit${suffix}`]: limit })
    if (mine === undefined || sign * (mine - limit) < 0) worse.push(compared)
    else better.push(compared)
  }
  compare('dry-point', has.dryC, wants.dryC, 1)
  compare('wet-point', has.wetC, wants.wetC, 1)
  compare('cold-viscosity', has.coldViscosityMaxMm2PerS, wants.coldViscosityMaxMm2PerS, -1)
  if (worse.length === 0) return { value: 'as-good', worse, better }
  return { value: wanted.alsoAllowed.includes(candidate) ? 'allowed' : 'worse', worse, better }
}
