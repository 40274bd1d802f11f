import type { Reason } from '../base/decision'
import { suits } from '../fluid/specs/suits'
import { defaultPolicy, moistureVerdict } from '../fluid/verdict'
import { carryReservoir, type FedCorner } from '../physics/exchange/reservoir-carry'
import type { Choice, NoChoice } from '../technique/choose'
import { techniqueOf } from '../technique/index'
import { type MethodContext, methodIds } from '../technique/technique'
import { reservoirIdOf } from '../vehicle/network'
import type { Vehicle } from '../vehicle/schema'
import type { Plan, PlanOrder, Ways } from './answer'
import { cautionsFor } from './cautions'
import { containersFor } from './containers'
import { fluidUsed, type Prepared, preparePlan, startShareOf } from './prepare'
import type { PlanRequest } from './request'
import type { Scope } from './scope/scope'
import { buildStages } from './stages'
import { stopsFor } from './stops'
import { topUpEvery } from './top-up-every'
import { unitsToCycle } from './units'

function targetReason(targetPct: number, { work, shop }: PlanRequest): Reason {
  const basis = shop.targetOldPct === undefined ? 'practice' : 'default'
  const why = work.reason === 'conversion' ? 'a conversion' : 'an exchange'
  return {
    code: 'purge-target',
    text: `Each bleeder until at most ${targetPct} % of what comes out is old: the worse of stirred tanks and laminar tail, for ${why}.`,
    basis,
  }
}

function readingReasons({ vehicle, work, shop }: PlanRequest, scope: Scope): Reason[] {
  if (!work.reading) return []
  const policy = { ...defaultPolicy, ...shop.moisture }
  const judged = moistureVerdict(vehicle.fluid.spec, work.reading, work.product, policy, shop.heightM)
  const worth = judged.verdict === 'replace' && !scope.whole
  return worth
    ? [
        ...judged.reasons,
        {
          code: 'reading-asks-exchange',
          text: 'The reading alone calls for a full exchange: offer it with this work.',
          basis: 'practice',
        },
      ]
    : judged.reasons
}

/** Old share each bleeder ends at, its own reservoir's state carried from wheel to wheel. */
function expectedOldPct(
  request: PlanRequest,
  prepared: Prepared,
  throughMl: Record<string, number>,
): Record<string, number> {
  const { ordered, reservoirs } = prepared
  const expected: Record<string, number> = {}
  for (const reservoir of reservoirs) {
    const fed: FedCorner[] = ordered.bleeders
      .filter(({ run }) => run && reservoirIdOf(request.vehicle, run.sourceId) === reservoir.id)
      .map(({ bleeder }) => ({
        id: bleeder.id,
        volumeMl: ordered.volumeMl.get(bleeder.id) ?? 0,
        throughMl: throughMl[bleeder.id] ?? 0,
      }))
    const { outlet } = carryReservoir(reservoir.maxMl, startShareOf(reservoir, request, prepared), fed)
    for (const corner of fed) if (corner.volumeMl > 0) expected[corner.id] = 100 * (outlet[corner.id] ?? 0)
  }
  return expected
}

function carryReason(expected: Record<string, number>, targetPct: number): Reason[] {
  const worst = Math.max(0, ...Object.values(expected))
  if (worst <= targetPct * 1.05) return []
  const text = `The volumes hold for a clean feed. What stays in the reservoir below MIN is old, so the worst bleeder is expected to end at about ${Math.round(worst)} % old: draw lower where the ports stay covered, or draw and fill again before bleeding.`
  return [{ code: 'reservoir-carries-old', text, basis: 'physics' }]
}

function assumedReason({ assumed = [], parts, lines }: Vehicle): Reason[] {
  const known = new Set([...parts.map(({ id }) => id), ...lines.flatMap(({ id }) => id ?? [])])
  const count = assumed.filter((id) => known.has(id)).length
  if (count === 0) return []
  const text = `${count} parts and lines of this vehicle have usual sizes, not measured ones: volumes and minutes are estimates, and colour and bubbles decide.`
  return [{ code: 'sizes-assumed', text, basis: 'default' }]
}

/** What goes in, and why it may. */
function fluidReasons(request: PlanRequest): Reason[] {
  const { spec, isoClass } = request.vehicle.fluid
  const used = fluidUsed(request)
  const judged = suits(used, request.vehicle.fluid)
  const reasons: Reason[] = [{ code: 'fluid-spec', text: `The vehicle calls for ${spec}.`, basis: 'maker' }]
  if (isoClass !== undefined)
    reasons.push({
      code: 'fluid-iso-class',
      text: `Of ISO 4925 class ${isoClass.replace(/^class\s*/i, '')}: look for it on the container.`,
      basis: 'maker',
    })
  if (judged.value === 'as-good')
    reasons.push({
      code: 'fluid-as-good',
      text: `${used} goes in: same base, and in nothing worse: ${judged.better.join('; ') || 'the same limits'}.`,
      basis: 'standard',
    })
  if (judged.value === 'allowed')
    reasons.push({
      code: 'fluid-maker-allows',
      text: `${used} goes in because the maker allows it, though ${judged.worse.join('; ')}.`,
      basis: 'maker',
    })
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
  const { scope, ordered, choice, targetPct, reservoirMl } = prepared
  const { conversion } = prepared.context
  const spec = fluidUsed(request)
  const stops = stopsFor(request, prepared)
  const ways = waysOf(request, prepared)
  const common = {
    topUpEvery: topUpEvery(vehicle, prepared.reservoirIds),
    methodsRejected: methodsRejected(ways),
    ways,
  }
  const reasons: Reason[] = [...prepared.scopeReasons, ...readingReasons(request, scope)]
  if (stops.length > 0) {
    const none = { spec, totalMl: 0, perBleederMl: {}, reservoirMl: 0, buy: [], onHand: [], leftMl: 0 }
    return {
      verdict: 'stop',
      stops,
      fluid: none,
      stages: [],
      limits: {},
      expectedOldPct: {},
      cautions: cautionsFor({ vehicle, stages: [], conversion }),
      reasons,
      ...common,
    }
  }
  const built = buildStages(request, prepared)
  const totalMl = built.stages.reduce((sum, stage) => sum + stage.ml, 0)
  const expected = expectedOldPct(request, prepared, built.perBleederMl)
  const bled = choice.technique && prepared.corners.length > 0 ? choice : undefined
  const containers = containersFor(totalMl, request)
  reasons.push(
    ...fluidReasons(request),
    ...ordered.reasons,
    ...(bled?.reasons ?? []),
    ...settingReasons(bled, prepared.context),
    targetReason(targetPct, request),
    ...carryReason(expected, targetPct),
    ...assumedReason(vehicle),
    ...built.reasons,
    {
      code: 'top-up-never-below-min',
      text: `From MAX to MIN is ${Math.round(common.topUpEvery.ml)} mL: at most ${common.topUpEvery.strokes} full strokes before someone pours.`,
      basis: 'physics',
    },
    {
      code: 'buy-least-left',
      text: 'Containers from the sizes on the shelf, with the least left over.',
      basis: 'practice',
    },
  )
  if (containers.onHand.length > 0)
    reasons.push({
      code: 'on-hand-first',
      text: `Sealed ${spec} on the shelf is opened before any is bought.`,
      basis: 'practice',
    })
  const settings = bled?.settings ?? {}
  return {
    verdict: 'go',
    stops,
    fluid: { spec, totalMl, perBleederMl: built.perBleederMl, reservoirMl, ...containers },
    stages: built.stages,
    ...(built.stages.some(({ kind, order }) => kind === 'bleed' || order.length > 0) && {
      order: orderOf(request, prepared),
    }),
    ...settings,
    limits: bled?.limits ?? {},
    expectedOldPct: expected,
    cautions: [
      ...ordered.warnings.map((warning) => ({ ...warning, at: 'bleed' as const })),
      ...cautionsFor({ vehicle, stages: built.stages, pressureKPa: settings.pressureKPa, conversion }),
    ],
    reasons,
    ...common,
  }
}

function orderOf({ work }: PlanRequest, { ordered }: Prepared): PlanOrder {
  return {
    bleeders: ordered.bleeders.map(({ bleeder }) => bleeder.id),
    schools: ordered.schools,
    ...(work.order && { stated: { why: work.order.why, warnings: ordered.warnings, usual: ordered.usual } }),
  }
}

function settingReasons(choice: Choice | undefined, { vehicle, reservoirs }: MethodContext): Reason[] {
  const reasons: Reason[] = []
  const { pressureKPa, vacuumKPa } = choice?.settings ?? {}
  const stated = vehicle.makerSettings
  if (pressureKPa !== undefined) {
    const sound = reservoirs.every((reservoir) => reservoir.capSeal === 'sound')
    const rated = choice?.limits.pressureKPa?.[1] === pressureKPa && pressureKPa !== stated?.pressureKPa
    const [makers, usual] = ['the maker’s figure', 'inside the usual 70–103 kPa']
    const text = !sound
      ? `${pressureKPa} kPa at the reservoir: the cap’s seal is not known to be sound, so never above 55 kPa.`
      : `${pressureKPa} kPa at the reservoir: ${stated?.pressureKPa === pressureKPa ? makers : rated ? 'no more than the adapter is made for' : usual}.`
    reasons.push({
      code: 'pressure-setting',
      text,
      basis: sound && stated?.pressureKPa ? 'maker' : 'practice',
    })
  }
  if (vacuumKPa !== undefined)
    reasons.push({
      code: 'vacuum-setting',
      text: `${vacuumKPa} kPa below atmosphere: ${stated?.vacuumKPa ? 'the maker’s figure' : 'inside the usual 60–85 kPa'}.`,
      basis: stated?.vacuumKPa ? 'maker' : 'practice',
    })
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
      return why
        ? { method, code: why.code, text: why.text }
        : { method, code: 'not-needed', text: 'Nothing in this work asks for it.' }
    })
}
