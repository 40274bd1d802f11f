import { type Reason, reason } from '../base/decision'
import { type Containers, chooseContainers } from '../physics/exchange/containers'
import { drawDownSavingMl } from '../physics/exchange/draw-down'
import { leastExchange, shareAfterDraw } from '../physics/exchange/least-exchange'
import { outletsAfter } from '../physics/exchange/least-through'
import { meanLeft } from '../physics/exchange/mean-left'
import { bleedOrder } from '../plan/order/bleed-order'
import { volumesInOrder } from '../plan/volumes'
import { MACHINE_KEEPS_ML } from '../technique/machine-pressure'
import { bleederRuns, reservoirIdOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { portsCovered } from '../vehicle/usual-volumes'
import { purge as purgeCalc } from './command/purge'
import { benchPage } from './page'

export type OldFluidResult = {
  /** Bought in all: rinse, filling, what leaves the bleeders, what stays in the machine. */
  needMl: number
  bleedMl: number
  fillMl: number
  /** 0 where a rinse does not pay. */
  rinseMl: number
  /** Through each bleeder, in the order of the corners. */
  throughMl: number[]
  /** What the chosen amount leaves: at the worst outlet, and on average in corners and reservoir. */
  atPoured: { outletPct: number; meanPct: number }
  savedMl: number
  buy: Containers[]
  curve: { pouredMl: number; outletPct: number; meanPct: number }[]
}

/** The volumes before each bleeder of one reservoir, as a plan has them by the maker's order, else furthest first. */
function cornersOf(vehicle: Vehicle, reservoirId: string): number[] {
  const runs = bleederRuns(vehicle).filter(({ part }) => part.type !== 'master-cylinder')
  const order = bleedOrder(vehicle, runs, 'furthest-first', false).value
  const ordered = order.flatMap((id) => runs.filter(({ bleeder }) => bleeder.id === id))
  const volumes = volumesInOrder(vehicle, ordered, {})
  return ordered.flatMap(({ bleeder, run }) =>
    run && reservoirIdOf(vehicle, run.sourceId) === reservoirId ? (volumes.get(bleeder.id) ?? []) : [],
  )
}

/** Which reservoir, in the order of the file. */
const RESERVOIRS = ['first', 'second', 'third', 'fourth']

/** Old fluid left against what is poured, with the target and the sizes on the shelf. */
export const oldFluidBench = benchPage({
  id: 'old-fluid',
  name: 'Old fluid left',
  question: 'How much new fluid until what comes out is new enough, and which containers is that?',
  fields: {
    system: {
      kind: 'choice',
      label: 'Which reservoir',
      options: [
        { value: 'first', label: 'the first' },
        { value: 'second', label: 'the second' },
        { value: 'third', label: 'the third' },
        { value: 'fourth', label: 'the fourth' },
      ],
      initial: 'first',
      hint: 'Each reservoir by itself: a motorcycle has two. One that a vehicle has not is the first again',
    },
    cornersMl: {
      kind: 'list',
      label: 'Old fluid before each bleeder, in order',
      unit: 'mL',
      min: 0,
      max: 20_000,
      most: 12,
      initial: '59 54 38 31',
      hint: 'Spaces between. From a vehicle: chamber, lines, unit, brake as far as its pistons stand out',
    },
    reservoirMl: {
      kind: 'quantity',
      label: 'Reservoir at MAX',
      quantity: 'volume',
      min: 1,
      max: 20_000,
      initial: 420,
    },
    drawToMl: {
      kind: 'quantity',
      label: 'Drawn down until so much is left',
      quantity: 'volume',
      min: 0,
      max: 20_000,
      initial: 40,
      hint: 'As far as every port stays covered; a wiped one is 0',
    },
    kept: {
      kind: 'choice',
      label: 'Kept full by',
      options: [
        { value: 'machine', label: 'a machine' },
        { value: 'hand', label: 'somebody who pours' },
      ],
      initial: 'machine',
    },
    minMl: {
      kind: 'quantity',
      label: 'Poured up from MIN, at',
      quantity: 'volume',
      min: 0,
      max: 20_000,
      initial: 260,
      when: ['kept', 'hand'],
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
      initial: 450,
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
        'reservoir: one stirred tank, carried from bleeder to bleeder; drawn to f it is f old, rinsed with r once more f²/(f + r)',
      source: 'Levenspiel, stirred tanks in series; two dilutions by volume',
      limits:
        'The least that brings every bleeder to the target. Draw down only so far that every port stays covered, nobody on the pedal, no bleeder open.',
    },
  ],
  startFrom: (vehicle, choice) => {
    const reservoirs = partsOf(vehicle, 'reservoir')
    const asked = reservoirs[RESERVOIRS.indexOf(choice('system'))]
    const reservoir = asked ?? reservoirs[0]
    if (!reservoir) return {}
    const corners = cornersOf(vehicle, reservoir.id).slice(0, 12)
    return {
      ...(!asked && { system: RESERVOIRS[0] }),
      ...(corners.length > 0 && { cornersMl: corners.map((ml) => Number(ml.toFixed(2))).join(' ') }),
      reservoirMl: `${reservoir.maxMl}`,
      minMl: `${reservoir.minMl}`,
      drawToMl: `${portsCovered(vehicle, reservoir).ml}`,
    }
  },
  work: ({ cornersMl, reservoirMl, drawToMl, kept, minMl, targetOldPct, pouredMl, sizesMl }) => {
    const fed = kept === 'machine'
    const maxMl = reservoirMl
    const reservoir = { maxMl, minMl: Math.min(minMl, maxMl), drawToMl: Math.min(drawToMl, maxMl) }
    const feeding = { fed, atOnce: 1 }
    const best = leastExchange(reservoir, feeding, cornersMl, targetOldPct / 100)
    const throughMl = best.through.map((each) => each.throughMl)
    const bleedMl = throughMl.reduce((sum, ml) => sum + ml, 0)
    const fillMl = maxMl - reservoir.drawToMl
    const needMl = fillMl + best.rinseMl + bleedMl + (fed ? MACHINE_KEEPS_ML : 0)
    const feed = { ...reservoir, oldShare: best.oldShare }
    /** So much through the bleeders in all, shared out as the least amounts are. */
    const after = (ml: number) => {
      const corners = cornersMl.map((volumeMl, i) => ({
        volumeMl,
        throughMl: bleedMl > 0 ? ((throughMl[i] ?? 0) * ml) / bleedMl : 0,
      }))
      return {
        outletPct: 100 * Math.max(...outletsAfter(feed, feeding, corners)),
        meanPct: 100 * meanLeft(feed, feeding, corners),
      }
    }
    const furthest = Math.max(bleedMl * 1.5, pouredMl * 1.1, 1)
    const curve = Array.from({ length: 81 }, (_, i) => (furthest * i) / 80).map((ml) => ({
      pouredMl: ml,
      ...after(ml),
    }))
    const reasons: Reason[] = [
      reason('old-fluid-worse-of', 'physics'),
      ...(best.rinseMl > 0 ? [reason('old-fluid-rinse', 'physics', { rinseMl: best.rinseMl })] : []),
    ]
    const shareLeft = shareAfterDraw(maxMl, reservoir.drawToMl)
    return {
      result: {
        needMl,
        bleedMl,
        fillMl,
        rinseMl: best.rinseMl,
        throughMl,
        atPoured: after(pouredMl),
        savedMl: shareLeft > 0 ? drawDownSavingMl(maxMl, shareLeft) : 0,
        buy: chooseContainers(needMl, sizesMl),
        curve,
      } satisfies OldFluidResult,
      reasons,
    }
  },
  says: ({ needMl, bleedMl }, { targetOldPct }, show) =>
    `Last drops at most ${targetOldPct} % old take ${show('volume', bleedMl)} through the bleeders, ${show('volume', needMl)} in all.`,
  change: ({ targetOldPct }) => ({ targetOldPct }),
})
