import { fact, reason } from '../base/decision'
import { type FluidSpec, fluidOf } from '../fluid/specs'
import { bubbleRise } from '../physics/air/bubble-rise'
import { bubbleSticks } from '../physics/air/bubble-sticks'
import { liquidAt } from '../technique/corner-flow'
import { bubbleRise as riseCalc } from './command/bubble-rise'
import { bubbleSticks as sticksCalc } from './command/bubble-sticks'
import { fluidField } from './fields'
import { benchPage } from './page'

export type BubblesResult = {
  seconds: number
  withinStokes: boolean
  sticks: boolean
  marginal: boolean
  number: number
  curve: { bubbleMm: number; seconds: number }[]
}

/** @source from memory */
const SURFACE_TENSION_N_M = { glycol: 0.035, silicone: 0.021, mineral: 0.03 }
const SMALLEST_MM = 0.03
const LARGEST_MM = 1

/** How long froth needs, and whether a bubble leaves a tube by itself. */
export const bubblesBench = benchPage({
  id: 'bubbles',
  fields: {
    spec: fluidField(),
    tempC: {
      kind: 'quantity',
      quantity: 'temperature',
      min: -20,
      max: 60,
      initial: 20,
    },
    depthMm: {
      kind: 'quantity',
      quantity: 'length',
      min: 1,
      max: 2000,
      initial: 60,
    },
    bubbleMm: {
      kind: 'quantity',
      quantity: 'length',
      min: SMALLEST_MM,
      max: LARGEST_MM,
      initial: 0.1,
      hint: { fineMm: 0.1, toMm: 0.3 },
    },
    boreMm: { kind: 'quantity', quantity: 'length', min: 0.5, max: 40, initial: 3.34 },
  },
  about: [riseCalc.about, sticksCalc.about],
  startFrom: (vehicle) => {
    const bores = vehicle.lines.flatMap(({ segments }) => segments.map(({ boreMm }) => boreMm))
    // Where it is narrowest a bubble stays first.
    return { spec: vehicle.fluid.spec, ...(bores.length > 0 && { boreMm: `${Math.min(...bores)}` }) }
  },
  work: ({ spec, tempC, depthMm, bubbleMm, boreMm }) => {
    const fluid = fluidOf(spec as FluidSpec)
    const { mm2PerS, densityKgM3 } = liquidAt({ fluid, tempC })
    const rises = (mm: number) => bubbleRise({ bubbleMm: mm, depthMm, mm2PerS })
    const stuck = bubbleSticks({ boreMm, densityKgM3, surfaceTensionNM: SURFACE_TENSION_N_M[fluid.base] })
    const { seconds, withinStokes } = rises(bubbleMm)
    const curve = Array.from(
      { length: 61 },
      (_, i) => SMALLEST_MM * (LARGEST_MM / SMALLEST_MM) ** (i / 60),
    ).map((mm) => ({ bubbleMm: mm, seconds: rises(mm).seconds }))
    return {
      result: { seconds, withinStokes, ...stuck, curve } satisfies BubblesResult,
      reasons: [
        reason('wait-then-slow', 'practice'),
        reason(stuck.marginal ? 'tube-marginal' : stuck.sticks ? 'tube-sticks' : 'tube-rises', 'physics'),
        ...(withinStokes ? [] : [reason('beyond-stokes', 'physics')]),
      ],
    }
  },
  says: ({ seconds }, { bubbleMm, tempC }) =>
    fact(seconds < 90 ? 'bench-bubbles-says' : 'bench-bubbles-says-minutes', {
      bubbleMm,
      needS: Math.ceil(seconds),
      minutes: (seconds / 60).toFixed(1),
      atC: tempC,
    }),
})
