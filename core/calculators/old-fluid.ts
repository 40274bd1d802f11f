import { fact, type Reason, reason } from '../base/decision'
import { type Containers, chooseContainers } from '../physics/exchange/containers'
import { drawDownSavingMl } from '../physics/exchange/draw-down'
import { leastExchange, shareAfterDraw } from '../physics/exchange/least-exchange'
import { outletsAfter } from '../physics/exchange/least-through'
import { meanLeft } from '../physics/exchange/mean-left'
import { bleedOrder } from '../plan/order/bleed-order'
import { volumesInOrder } from '../plan/volumes'
import { MACHINE_KEEPS_ML } from '../technique/machine-pressure'
import { reservoirIdOf, routedBleeders } from '../vehicle/network'
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
  const routes = routedBleeders(vehicle).filter(({ part }) => part.type !== 'master-cylinder')
  const order = bleedOrder(vehicle, routes, 'furthest-first', false).value
  const ordered = order.flatMap((id) => routes.filter(({ bleeder }) => bleeder.id === id))
  const volumes = volumesInOrder(vehicle, ordered, {})
  return ordered.flatMap(({ bleeder, route }) =>
    route && reservoirIdOf(vehicle, route.sourceId) === reservoirId ? (volumes.get(bleeder.id) ?? []) : [],
  )
}

/** Which reservoir, in the order of the file. */
const RESERVOIRS = ['first', 'second', 'third', 'fourth']

/** Old fluid left against what is poured, with the target and the sizes on the shelf. */
export const oldFluidBench = benchPage({
  id: 'old-fluid',
  fields: {
    system: {
      kind: 'choice',
      options: ['first', 'second', 'third', 'fourth'],
      initial: 'first',
      hint: true,
    },
    cornersMl: {
      kind: 'list',
      quantity: 'volume',
      min: 0,
      max: 20_000,
      most: 12,
      initial: '59 54 38 31',
      hint: true,
    },
    reservoirMl: {
      kind: 'quantity',
      quantity: 'volume',
      min: 1,
      max: 20_000,
      initial: 420,
    },
    drawToMl: {
      kind: 'quantity',
      quantity: 'volume',
      min: 0,
      max: 20_000,
      initial: 40,
      hint: true,
    },
    kept: {
      kind: 'choice',
      options: ['machine', 'hand'],
      initial: 'machine',
    },
    minMl: {
      kind: 'quantity',
      quantity: 'volume',
      min: 0,
      max: 20_000,
      initial: 260,
      when: ['kept', 'hand'],
    },
    targetOldPct: {
      kind: 'number',
      unit: '% old',
      min: 0.1,
      max: 50,
      initial: 5,
    },
    pouredMl: {
      kind: 'quantity',
      quantity: 'volume',
      min: 0,
      max: 40_000,
      initial: 450,
    },
    sizesMl: {
      kind: 'list',
      quantity: 'volume',
      min: 1,
      max: 250_000,
      most: 20,
      initial: '500 1000',
    },
  },
  about: [purgeCalc.about, 'reservoir-carry'],
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
  says: ({ needMl, bleedMl }, { targetOldPct }) =>
    fact('bench-old-fluid-says', { targetPct: targetOldPct, bleedMl, needMl }),
  change: ({ targetOldPct }) => ({ targetOldPct }),
})
