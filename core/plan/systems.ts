import { reason } from '../base/decision'
import { fedBy } from './amounts'
import type { Stage } from './answer'
import { bleedStage, withKept } from './bleed-stage'
import { bleedingStages } from './bleeding-stages'
import { reservoirStages, withRefill } from './reservoir-stages'
import type { Build } from './stage'

/**
 * Hydraulics that share nothing, a motorcycle's front and rear, are finished one after the other: reservoir, then its
 * bleeders, then the next reservoir. Everywhere else reservoirs come first and every bleeder after them.
 *
 * @param between what is done once a reservoir is full and before its first bleeder
 */
export function systemsInTurn(build: Build, between: readonly Stage[]): Stage[] {
  const bleeding = bleedingStages(build)
  const { vehicle, work } = build.request
  const [only, ...others] = bleeding
  const small = vehicle.kind === 'motorcycle' || vehicle.kind === 'quad'
  const systemOf = separateSystems(build)
  const inTurn = [...new Set((only?.order ?? []).flatMap((id) => systemOf.get(id) ?? []))]
  const order = only?.order ?? []
  const grouped = inTurn.flatMap((system) => order.filter((id) => systemOf.get(id) === system))
  // An order that the maker or a person states is kept, whatever it goes back and forth between.
  const stated = work.order !== undefined || (vehicle.makerOrder?.length ?? 0) > 0
  const breaksIt = stated && grouped.some((id, i) => id !== order[i])
  if (
    !small ||
    breaksIt ||
    !only ||
    only.kind !== 'bleed' ||
    others.length > 0 ||
    between.length > 0 ||
    inTurn.length < 2
  )
    return [
      ...reservoirStages(build, build.amounts.reservoirs),
      ...withRefill(build, [...between, ...bleeding], build.amounts.reservoirs),
    ]
  build.reasons.push(reason('systems-in-turn', 'practice', { count: inTurn.length }))
  return inTurn.flatMap((system, i) => {
    const mine = (id: string) => systemOf.get(id) === system
    const corners = build.corners.filter(({ bleeder }) => mine(bleeder.id))
    const works = build.amounts.reservoirs.filter(({ reservoir }) => reservoir.id === system)
    const context = { ...build.context, corners }
    const { technique } = build.choice
    if (!technique) return reservoirStages(build, works)
    const bleed = bleedStage(
      { ...build, context },
      technique,
      corners,
      technique.minutes(context),
      only.reasons,
    )
    const kept = i === 0 ? withKept(bleed, technique) : bleed
    return [...reservoirStages(build, works), ...withRefill(build, [kept], works)]
  })
}

/**
 * The reservoir each bleeder hangs on, by bleeder id; empty where two of them meet in one brake, which is worked as one.
 * That they pass the same unit joins nothing: its circuits are apart.
 */
function separateSystems({ request, reservoirs, opened }: Build): Map<string, string> {
  const systemOf = new Map<string, string>()
  const reached = new Map<string, string>()
  for (const { id } of reservoirs)
    for (const { bleeder, part } of fedBy(request.vehicle, id, opened)) {
      systemOf.set(bleeder.id, id)
      if (part.type !== 'wheel-brake') continue
      if ((reached.get(part.id) ?? id) !== id) return new Map()
      reached.set(part.id, id)
    }
  return systemOf
}
