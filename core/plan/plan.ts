import { fact, type Reason, reason } from '../base/decision'
import { judgeFluid, judgementReasons } from '../fluid/judge'
import { measuredLimits } from '../fluid/policy/policy'
import { fluidOf } from '../fluid/specs'
import { suits } from '../fluid/specs/suits'
import { drawDownSavingMl } from '../physics/exchange/draw-down'
import type { Choice, NoChoice } from '../technique/choose'
import { techniqueOf } from '../technique/index'
import { pressure as machine } from '../technique/pressure'
import { methodIds, type TechniqueContext } from '../technique/technique'
import { partFact, reservoirFact } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { deadVolume, portsCovered } from '../vehicle/usual-volumes'
import { clearingAmounts, closedMlIn } from './amounts'
import type { Plan, PlanOrder, Ways } from './answer'
import { cautionsFor } from './cautions'
import { containersFor } from './containers'
import { fluidUsed, type Prepared, preparePlan } from './prepare'
import { type PlanRequest, readingsOf } from './request'
import type { Scope } from './scope/scope'
import { buildStages } from './stages'
import { stopsFor } from './stops'
import { topUpEvery } from './top-up-every'
import { branchesLeftClosed, unitsToCycle } from './units'

function targetReason(targetPct: number, { work, shop }: PlanRequest): Reason {
  const basis = shop.targetOldPct === undefined ? 'practice' : 'default'
  return reason('purge-target', basis, { targetPct, conversion: work.reason === 'conversion' })
}

function readingReasons({ vehicle, work, shop }: PlanRequest, scope: Scope): Reason[] {
  const { readings } = readingsOf(work)
  if (readings.length === 0) return []
  const { spec } = vehicle.fluid
  const { product, monthsSince, kmSince } = work
  const judged = judgeFluid(
    { spec, kind: vehicle.kind, readings, product, heightM: shop.heightM, monthsSince, kmSince },
    shop.limits ?? measuredLimits(shop.moisture),
  )
  const reasons = judgementReasons(judged)
  const worth = judged.verdict === 'replace' && !scope.whole
  return worth ? [...reasons, reason('reading-asks-exchange', 'practice')] : reasons
}

/** What is said of the amounts: what they promise, what they leave where it is, and which usual figures they rest on. */
function amountReasons(request: PlanRequest, { scope, amounts, targetPct, opened }: Prepared): Reason[] {
  const { vehicle } = request
  if (opened.length === 0) return []
  if (!scope.exchange) return [reason('clear-target', 'practice')]
  const reasons = [targetReason(targetPct, request)]
  const drawn = amounts.reservoirs.filter(({ drawToMl }) => drawToMl !== undefined)
  for (const { reservoir, drawToMl = 0, rinseMl } of drawn) {
    const name = reservoirFact(vehicle, reservoir.id)
    reasons.push(
      reason('draw-down', portsCovered(vehicle, reservoir).usual ? 'default' : 'maker', {
        reservoir: name,
        leftMl: drawToMl,
      }),
    )
    if (rinseMl !== undefined) reasons.push(reason('rinse-saves', 'physics', { reservoir: name, rinseMl }))
  }
  const savedMl = drawn.reduce((sum, { reservoir, drawToMl = 0 }) => {
    const savingMl = drawToMl > 0 ? drawDownSavingMl(reservoir.maxMl, drawToMl / reservoir.maxMl) : 0
    return sum + savingMl
  }, 0)
  if (savedMl > 0) reasons.push(reason('draw-down-saves', 'physics', { savedMl }))
  const closed = branchesLeftClosed(request)
  if (closed.length > 0)
    reasons.push(
      reason(request.work.reason === 'conversion' ? 'branches-keep-wrong' : 'branches-keep-old', 'physics', {
        units: closed.map(partFact),
        aboutMl: closed.reduce((sum, unit) => sum + closedMlIn(unit), 0),
      }),
    )
  const usual = new Set(
    opened.flatMap(({ part }) => (part.type === 'wheel-brake' && deadVolume(part).usual ? part.id : [])),
  )
  if (usual.size > 0) reasons.push(reason('dead-volumes-usual', 'default', { count: usual.size }))
  return reasons
}

function assumedReason({ assumed = [], parts, lines }: Vehicle): Reason[] {
  const known = new Set([...parts.map(({ id }) => id), ...lines.flatMap(({ id }) => id ?? [])])
  const count = assumed.filter((id) => known.has(id)).length
  if (count === 0) return []
  return [reason('sizes-assumed', 'default', { count })]
}

/** What goes in, and why it may. */
function fluidReasons(request: PlanRequest): Reason[] {
  const { spec, isoClass } = request.vehicle.fluid
  const used = fluidUsed(request)
  const judged = suits(used, request.vehicle.fluid)
  const reasons: Reason[] = [reason('fluid-spec', 'maker', { spec })]
  if (isoClass !== undefined)
    reasons.push(reason('fluid-iso-class', 'maker', { isoClass: isoClass.replace(/^class\s*/i, '') }))
  if (judged.value === 'as-good')
    reasons.push(reason('fluid-as-good', 'standard', { used, better: judged.better }))
  if (judged.value === 'allowed')
    reasons.push(reason('fluid-maker-allows', 'maker', { used, worse: judged.worse }))
  return reasons
}

/**
 * Plan an exchange or a bleed: verdict, fluid, stages in order, settings, cautions, each with its reasons.
 *
 * A stop means that something must be settled before any fluid is moved; it has no stages.
 */
export function makePlan(request: PlanRequest): Plan {
  const { vehicle } = request
  const prepared = preparePlan(request)
  const { scope, ordered, choice, targetPct, amounts, opened } = prepared
  const { conversion } = prepared.context
  const spec = fluidUsed(request)
  const stops = stopsFor(request, prepared)
  const base = fluidOf(spec).base
  const cautioned = {
    vehicle,
    conversion,
    base,
    mineral: base === 'mineral' || request.work.fluidFound === 'mineral',
    replaced: request.work.replaced,
  }
  const ways = waysOf(request, prepared)
  const common = {
    topUpEvery: topUpEvery(vehicle, prepared.reservoirIds),
    methodsRejected: methodsRejected(ways),
    ways,
  }
  const reasons: Reason[] = [...prepared.scopeReasons, ...readingReasons(request, scope)]
  if (stops.length > 0) {
    const none = {
      spec,
      totalMl: 0,
      perBleederMl: {},
      reservoirMl: 0,
      drawToMl: {},
      rinseMl: {},
      passageMl: {},
      cleanFeedMl: {},
      buy: [],
      onHand: [],
      leftMl: 0,
    }
    return {
      verdict: 'stop',
      stops,
      fluid: none,
      stages: [],
      limits: {},
      expectedOldPct: {},
      cautions: cautionsFor({ ...cautioned, stages: [] }),
      reasons,
      ...common,
    }
  }
  const built = buildStages(request, prepared)
  const totalMl = built.stages.reduce((sum, stage) => sum + stage.ml, 0)
  const bled = choice.technique && prepared.corners.length > 0 ? choice : undefined
  const keptMl = bled?.technique.keepsMl ?? 0
  // A look at fresh joints sets the machine too, where another way bleeds.
  const early = built.stages.some(({ kind, technique }) => kind === 'leak-check' && technique === machine.id)
  const settings = { ...(early && machine.settings(prepared.context)), ...bled?.settings }
  const limits = { ...(early && machine.limits(prepared.context)), ...bled?.limits }
  const containers = containersFor(totalMl, request)
  reasons.push(
    ...fluidReasons(request),
    ...ordered.reasons,
    ...(bled?.reasons ?? []),
    ...settingReasons({ settings, limits }, prepared.context),
    ...amountReasons(request, prepared),
    ...assumedReason(vehicle),
    ...built.reasons,
    reason('top-up-never-below-min', 'physics', {
      usableMl: common.topUpEvery.ml,
      strokes: common.topUpEvery.strokes,
    }),
    reason('buy-least-left', 'practice'),
  )
  if (containers.onHand.length > 0) reasons.push(reason('on-hand-first', 'practice', { spec }))
  return {
    verdict: 'go',
    stops,
    fluid: {
      spec,
      totalMl,
      perBleederMl: Object.fromEntries(amounts.throughMl),
      ...reservoirAmounts(prepared),
      passageMl: Object.fromEntries(opened.map(({ bleeder, volumeMl }) => [bleeder.id, volumeMl])),
      cleanFeedMl: Object.fromEntries(clearingAmounts(opened, targetPct / 100).throughMl),
      ...(keptMl > 0 && { keptMl }),
      ...(scope.exchange && { targetOldPct: targetPct }),
      ...containers,
    },
    stages: built.stages,
    ...(built.stages.some(({ kind, order }) => kind === 'bleed' || order.length > 0) && {
      order: orderOf(request, prepared),
    }),
    ...settings,
    limits,
    expectedOldPct: Object.fromEntries([...amounts.outletShare].map(([id, share]) => [id, 100 * share])),
    cautions: [
      ...ordered.warnings.map((warning) => ({ ...warning, at: 'bleed' as const })),
      ...cautionsFor({ ...cautioned, stages: built.stages, pressureKPa: settings.pressureKPa }),
    ],
    reasons,
    ...common,
  }
}

/** What goes in and out of the reservoirs before the first bleeder is opened. */
function reservoirAmounts({ amounts: { reservoirs } }: Prepared) {
  const by = (of: 'drawToMl' | 'rinseMl') =>
    Object.fromEntries(
      reservoirs.flatMap((each) => (each[of] === undefined ? [] : [[each.reservoir.id, each[of]]])),
    )
  return {
    reservoirMl: reservoirs.reduce((sum, { pouredMl }) => sum + pouredMl, 0),
    drawToMl: by('drawToMl'),
    rinseMl: by('rinseMl'),
  }
}

function orderOf({ work }: PlanRequest, { ordered }: Prepared): PlanOrder {
  return {
    bleeders: ordered.bleeders.map(({ bleeder }) => bleeder.id),
    schools: ordered.schools,
    ...(work.order && { stated: { why: work.order.why, warnings: ordered.warnings, usual: ordered.usual } }),
  }
}

function settingReasons(
  { settings, limits }: Pick<Choice, 'settings' | 'limits'>,
  { vehicle, reservoirs }: TechniqueContext,
): Reason[] {
  const reasons: Reason[] = []
  const { pressureKPa, vacuumKPa } = settings
  const stated = vehicle.makerSettings
  if (pressureKPa !== undefined) {
    const sound = reservoirs.every((reservoir) => reservoir.capSeal === 'sound')
    const rated = limits.pressureKPa?.[1] === pressureKPa && pressureKPa !== stated?.pressureKPa
    const because = !sound
      ? 'cap-doubtful'
      : stated?.pressureKPa === pressureKPa
        ? 'makers-figure'
        : rated
          ? 'adapter-rating'
          : 'usual-pressure'
    reasons.push(
      reason('pressure-setting', sound && stated?.pressureKPa ? 'maker' : 'practice', {
        setKPa: pressureKPa,
        because: fact(because),
      }),
    )
  }
  if (vacuumKPa !== undefined)
    reasons.push(
      reason('vacuum-setting', stated?.vacuumKPa ? 'maker' : 'practice', {
        setKPa: vacuumKPa,
        because: fact(stated?.vacuumKPa ? 'makers-figure' : 'usual-vacuum'),
      }),
    )
  return reasons
}

/** How each place of work that this work has is done, and why each other way of it is not. */
function waysOf(
  request: PlanRequest,
  { choice, cylinder, unit, scope, corners, unitCorners }: Prepared,
): Ways[] {
  const places: [Ways['at'], Choice | NoChoice, boolean][] = [
    ['bleeders', choice, corners.length > 0 || unitCorners.length === 0],
    ['cylinder', cylinder, scope.cylinder !== 'none'],
    ['unit', unit, unitCorners.length > 0 || unitsToCycle(request).length > 0],
  ]
  return places
    .filter(([, , needed]) => needed)
    .map(([at, { technique, notTaken, ...rest }]) => ({
      at,
      ...(technique && { taken: technique.id }),
      ...('usual' in rest && { usual: rest.usual }),
      ...byHand(request, technique?.id, 'usual' in rest ? rest.usual : undefined),
      notTaken,
    }))
}

/** The reason that was given for taking another way than the usual one. */
function byHand({ work }: PlanRequest, taken?: string, usual?: string): Pick<Ways, 'why'> {
  const asked = taken === usual ? undefined : work.ways.find(({ technique }) => technique === taken)
  return asked ? { why: asked.why } : {}
}

/** The same by method: one is not taken where none of its ways is. */
function methodsRejected(ways: readonly Ways[]): Plan['methodsRejected'] {
  const taken = new Set(ways.flatMap((way) => (way.taken ? [techniqueOf(way.taken).method] : [])))
  const notTaken = ways.flatMap((way) => way.notTaken)
  return methodIds
    .filter((id) => !taken.has(id))
    .map((method) => {
      const own = notTaken.filter((each) => each.method === method)
      const why = own.find(({ excluded }) => !excluded) ?? own[0]
      return why ? { method, ...fact(why.code, why.params) } : { method, ...fact('not-needed') }
    })
}
