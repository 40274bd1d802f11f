import { leastExchange } from '../physics/exchange/least-exchange'
import { type Feeding, leastThrough } from '../physics/exchange/least-through'
import { cornerVolumes } from '../physics/exchange/purge'
import type { Technique } from '../technique/technique'
import { type RoutedBleeder, reservoirIdOf } from '../vehicle/network'
import type { PartOf, Vehicle } from '../vehicle/schema'
import { portsCovered } from '../vehicle/usual-volumes'
import { passagesInOrder } from './volumes'

/** How a way of bleeding keeps the reservoir full. */
export const feedingOf = ({ feedsReservoir, bottlesAtOnce = 1 }: Technique): Feeding => ({
  fed: feedsReservoir === true,
  atOnce: bottlesAtOnce,
})

/** One bleeder and what stands before it, in the order they are opened. */
export type Opened = RoutedBleeder & { volumeMl: number }

/** What one reservoir goes through before the first bleeder is opened. */
export type ReservoirWork = {
  reservoir: PartOf<'reservoir'>
  /** What must stay in it so that every port is covered. */
  portsCoveredMl: number
  /** Old fluid is drawn out down to this; absent where there is none to draw. */
  drawToMl?: number
  /** Rinsed with this and drawn down again; absent where that does not pay. */
  rinseMl?: number
  /** New fluid poured in until it stands at MAX, the rinse included. */
  pouredMl: number
  /** Old share of it as the first bleeder is opened, 0 to 1. */
  oldShare: number
}

/** What has to leave each bleeder, and what it ends at. */
export type Amounts = {
  reservoirs: ReservoirWork[]
  throughMl: Map<string, number>
  /** Old share of the last drops, 0 to 1; only of bleeders that are promised one. */
  outletShare: Map<string, number>
}

/**
 * How a reservoir is begun where the fluid is exchanged: emptied and wiped, drawn down, or filled up from the little
 * that stands in it, mL.
 */
export type ReservoirStart = 'wiped' | 'drawn' | { standsAtMl: number }

/** Bleeders by the reservoir that feeds them, in the order they are opened. */
export const fedBy = (vehicle: Vehicle, reservoirId: string, opened: readonly Opened[]): Opened[] =>
  opened.filter(({ route }) => route !== undefined && reservoirIdOf(vehicle, route.sourceId) === reservoirId)

/**
 * Amounts of a whole exchange: draw-down, rinse and what leaves each bleeder, the least that brings every one of them
 * to the target; each reservoir by itself.
 */
export function exchangeAmounts(
  vehicle: Vehicle,
  opened: readonly Opened[],
  reservoirs: readonly { reservoir: PartOf<'reservoir'>; start: ReservoirStart }[],
  feeding: Feeding,
  targetShare: number,
): Amounts {
  const amounts: Amounts = { reservoirs: [], throughMl: new Map(), outletShare: new Map() }
  for (const { reservoir, start } of reservoirs) {
    const { maxMl, minMl } = reservoir
    const fed = fedBy(vehicle, reservoir.id, opened)
    const volumesMl = fed.map(({ volumeMl }) => volumeMl)
    const portsCoveredMl = portsCovered(vehicle, reservoir).ml
    if (start === 'drawn') {
      const drawToMl = portsCoveredMl
      const best = leastExchange({ maxMl, minMl, drawToMl }, feeding, volumesMl, targetShare)
      const { rinseMl, oldShare } = best
      amounts.reservoirs.push({
        reservoir,
        portsCoveredMl,
        drawToMl,
        ...(rinseMl > 0 && { rinseMl }),
        pouredMl: maxMl - drawToMl + rinseMl,
        oldShare,
      })
      note(amounts, fed, best.through)
    } else {
      // A wiped one is filled, worked through, emptied and filled once more.
      const standsAtMl = start === 'wiped' ? 0 : start.standsAtMl
      const pouredMl = start === 'wiped' ? 2 * maxMl : maxMl - standsAtMl
      const oldShare = standsAtMl / maxMl
      amounts.reservoirs.push({ reservoir, portsCoveredMl, pouredMl, oldShare })
      note(amounts, fed, leastThrough({ maxMl, minMl, oldShare }, feeding, volumesMl, targetShare))
    }
  }
  return amounts
}

function note(
  { throughMl, outletShare }: Amounts,
  fed: readonly Opened[],
  through: ReturnType<typeof leastThrough>,
) {
  for (const [i, { bleeder }] of fed.entries()) {
    throughMl.set(bleeder.id, through[i]?.throughMl ?? 0)
    outletShare.set(bleeder.id, through[i]?.outletShare ?? 0)
  }
}

/**
 * Amounts that bring the reservoir's own fluid, whatever its age, to each bleeder, with what air stood on the way. No
 * old share is promised: nobody draws the reservoir down for one corner.
 */
export function clearingAmounts(
  opened: readonly Opened[],
  targetShare: number,
  refills: readonly ReservoirWork[] = [],
): Amounts {
  const volumes = cornerVolumes(targetShare)
  return {
    reservoirs: [...refills],
    throughMl: new Map(opened.map(({ bleeder, volumeMl }) => [bleeder.id, volumes * volumeMl])),
    outletShare: new Map(),
  }
}

/** What is missing from MAX where nothing is exchanged: it is poured too before the vehicle leaves. */
export const refillsFor = (
  vehicle: Vehicle,
  reservoirs: readonly PartOf<'reservoir'>[],
  levelMl: Readonly<Record<string, number>> = {},
): ReservoirWork[] =>
  reservoirs.flatMap((reservoir) => {
    const missingMl = reservoir.maxMl - (levelMl[reservoir.id] ?? reservoir.maxMl)
    if (missingMl <= 0) return []
    const portsCoveredMl = portsCovered(vehicle, reservoir).ml
    return { reservoir, portsCoveredMl, pouredMl: missingMl, oldShare: 1 }
  })

/** Part of a unit that its valves keep closed at rest. @source from memory */
const CLOSED_SHARE = 0.3

/** What stands in the closed branches of a unit, mL. */
export const closedMlIn = ({ volumeMl }: Pick<PartOf<'control-unit'>, 'volumeMl'>): number =>
  CLOSED_SHARE * volumeMl

/**
 * What a unit's routine lets out of its closed branches towards each bleeder, in the order they are opened: each
 * circuit's share goes to the first of them, who has to carry it away.
 */
export function closedBranchesMl(vehicle: Vehicle, bleeders: readonly RoutedBleeder[]): number[] {
  return passagesInOrder(vehicle, bleeders, {}, true).map(({ unitMl }) => CLOSED_SHARE * unitMl)
}

/**
 * Through one bleeder after a routine: once what stands between the unit and it, to carry air out, and as much more as
 * brings what the closed branches let go to the target.
 *
 * @param volumeMl from the unit to the bleeder, which was brought to the target before
 */
export function againMl(volumeMl: number, closedMl: number, targetShare: number): number {
  if (volumeMl <= 0) return 0
  const oldShare = Math.min(1, closedMl / volumeMl + targetShare)
  return volumeMl * Math.max(1, cornerVolumes(targetShare / oldShare))
}
