import type { Reason } from '../base/decision'
import { crossing } from '../base/solve'
import { type Containers, chooseContainers } from '../physics/exchange/containers'
import { drawDownSavingMl } from '../physics/exchange/draw-down'
import { laminarOutletShare } from '../physics/exchange/laminar-tail'
import { tanksMeanShare } from '../physics/exchange/mean-share'
import { CORNER_TANKS } from '../physics/exchange/purge'
import { cornerOutletShare } from '../physics/exchange/reservoir-carry'
import { bleedOrder } from '../plan/order/bleed-order'
import { volumesInOrder } from '../plan/volumes'
import { bleederRuns } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { purge as purgeCalc } from './command/purge'
import { benchPage } from './page'

export type OldFluidResult = {
  /** Poured in all, for the target at the worst bleeder; of it `bleedMl` through the bleeders. */
  needMl: number
  bleedMl: number
  /** What the chosen amount leaves: at the worst outlet, and on average behind it. */
  atPoured: { outletPct: number; meanPct: number }
  savedMl: number
  buy: Containers[]
  curve: { pouredMl: number; outletPct: number; meanPct: number }[]
}

type Work = { cornersMl: number[]; reservoirMl: number; startPct: number }

/** The worst bleeder's last drops, in per cent old, when so much went through all of them in proportion. */
function worstOutletPct({ cornersMl, reservoirMl, startPct }: Work, bleedMl: number): number {
  const sum = cornersMl.reduce((total, ml) => total + ml, 0)
  const volumes = bleedMl / sum
  let share = startPct / 100
  let worst = laminarOutletShare(volumes)
  for (const volumeMl of cornersMl) {
    worst = Math.max(worst, cornerOutletShare(reservoirMl, share, volumeMl, volumes * volumeMl))
    share *= Math.exp((-volumes * volumeMl) / reservoirMl)
  }
  return 100 * worst
}

/** The volumes that stand before each bleeder, in the order they would be opened. */
function cornersOf(vehicle: Vehicle): number[] {
  const runs = bleederRuns(vehicle).filter(({ run }) => run !== undefined)
  const order = bleedOrder(vehicle, runs, 'furthest-first', false).value
  const ordered = order.flatMap((id) => runs.filter(({ bleeder }) => bleeder.id === id))
  return [...volumesInOrder(vehicle, ordered, {}).values()].filter((ml) => ml > 0)
}

/** Old fluid left against what is poured, with the target and the sizes on the shelf. */
export const oldFluidBench = benchPage({
  id: 'old-fluid',
  name: 'Old fluid left',
  question: 'How much new fluid until what comes out is new enough, and which containers is that?',
  fields: {
    cornersMl: {
      kind: 'list',
      label: 'Old fluid before each bleeder, in order',
      unit: 'mL',
      min: 0.1,
      max: 20_000,
      most: 12,
      initial: '60 45 38 24',
      hint: 'Spaces between. From a vehicle: its lines, unit and worn pistons',
    },
    reservoirMl: {
      kind: 'quantity',
      label: 'Reservoir at MAX',
      quantity: 'volume',
      min: 1,
      max: 20_000,
      initial: 400,
    },
    startPct: {
      kind: 'number',
      label: 'Old fluid still in it when the bleed begins',
      unit: '%',
      min: 0,
      max: 100,
      initial: 10,
      hint: 'Drawn to MIN it is MIN over MAX; a wiped one is 0',
    },
    targetOldPct: {
      kind: 'number',
      label: 'Last drops at most',
      unit: '% old',
      min: 0.1,
      max: 50,
      initial: 5,
    },
    pouredMl: {
      kind: 'quantity',
      label: 'Poured through the bleeders',
      quantity: 'volume',
      min: 0,
      max: 40_000,
      initial: 500,
    },
    sizesMl: {
      kind: 'list',
      label: 'Container sizes',
      unit: 'mL',
      min: 1,
      max: 250_000,
      most: 20,
      initial: '500 1000',
    },
  },
  about: [
    purgeCalc.about,
    {
      formula:
        'reservoir: one stirred tank, carried from bleeder to bleeder; drawing down saves V·(ln(1/f) − (1 − f))',
      source: 'Levenspiel, stirred tanks in series',
      limits:
        'The same number of volumes through every bleeder. Draw down only so far that every port stays covered, nobody on the pedal, no bleeder open.',
    },
  ],
  startFrom: (vehicle) => {
    const [reservoir] = partsOf(vehicle, 'reservoir')
    const corners = cornersOf(vehicle).slice(0, 12)
    return {
      ...(corners.length > 0 && { cornersMl: corners.map((ml) => ml.toFixed(1)).join(' ') }),
      ...(reservoir && {
        reservoirMl: `${reservoir.maxMl}`,
        startPct: `${Math.round((100 * reservoir.minMl) / reservoir.maxMl)}`,
      }),
    }
  },
  work: ({ cornersMl, reservoirMl, startPct, targetOldPct, pouredMl, sizesMl }) => {
    const work = { cornersMl, reservoirMl, startPct }
    const held = cornersMl.reduce((sum, ml) => sum + ml, 0)
    const outlet = (ml: number) => worstOutletPct(work, ml)
    let most = held
    while (outlet(most) > targetOldPct) most *= 2
    const bleedMl = crossing(outlet, targetOldPct, 0, most)
    // Filled up once at the start, with what was drawn out of it.
    const fillMl = reservoirMl * (1 - startPct / 100)
    const needMl = bleedMl + fillMl
    const meanPct = (ml: number) => 100 * tanksMeanShare(ml / held, CORNER_TANKS)
    const furthest = Math.max(bleedMl * 1.5, pouredMl * 1.1, held)
    const curve = Array.from({ length: 81 }, (_, i) => (furthest * i) / 80).map((ml) => ({
      pouredMl: ml,
      outletPct: outlet(ml),
      meanPct: meanPct(ml),
    }))
    const reasons: Reason[] = [
      {
        code: 'old-fluid-worse-of',
        text: 'The worse of stirred tanks and laminar tail, at the worst bleeder, with the reservoir carried along.',
        basis: 'physics',
      },
    ]
    return {
      result: {
        needMl,
        bleedMl,
        atPoured: { outletPct: outlet(pouredMl), meanPct: meanPct(pouredMl) },
        savedMl: startPct > 0 ? drawDownSavingMl(reservoirMl, startPct / 100) : 0,
        buy: chooseContainers(needMl, sizesMl),
        curve,
      } satisfies OldFluidResult,
      reasons,
    }
  },
  says: ({ needMl, bleedMl }, { targetOldPct }, show) =>
    `Last drops at most ${targetOldPct} % old take ${show('volume', bleedMl)} through the bleeders, ${show('volume', needMl)} with the reservoir.`,
  change: ({ targetOldPct }) => ({ targetOldPct }),
})
