import type { Reason } from '../decision'
import { chooseContainers } from '../exchange/containers'
import { carryReservoir, type FedCorner } from '../exchange/reservoir-carry'
import type { Choice, chooseMethod } from '../method/choose'
import type { MethodContext } from '../method/method'
import { moistureVerdict } from '../moisture/verdict'
import type { Scope } from '../scope/scope'
import { reservoirIdOf } from '../vehicle/network'
import type { Vehicle } from '../vehicle/schema'
import type { Plan, PlanOrder } from './answer'
import { cautionsFor } from './cautions'
import { type Prepared, preparePlan, startShareOf } from './prepare'
import type { PlanRequest } from './request'
import { buildStages } from './stages'
import { stopsFor } from './stops'
import { topUpEvery } from './top-up-every'

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
  const judged = moistureVerdict(vehicle.fluid.spec, work.reading, undefined, undefined, shop.heightM)
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

/**
 * Plan an exchange or a bleed: verdict, fluid, stages in order, settings, cautions, each with its reasons.
 *
 * A stop means that something must be settled before any fluid is moved; it has no stages.
 */
export function makePlan(request: PlanRequest): Plan {
  const { vehicle, shop } = request
  const prepared = preparePlan(request)
  const { scope, ordered, choice, context, corners, theta, targetPct, reservoirMl } = prepared
  const { conversion } = context
  const stops = stopsFor(request, scope, choice)
  const common = {
    topUpEvery: topUpEvery(vehicle, prepared.reservoirIds),
    methodsRejected: rejectedOf(choice, request),
  }
  const reasons: Reason[] = [...prepared.scopeReasons, ...readingReasons(request, scope)]
  if (stops.length > 0) {
    const none = { spec: vehicle.fluid.spec, totalMl: 0, perBleederMl: {}, reservoirMl: 0, buy: [] }
    return {
      verdict: 'stop',
      stops,
      fluid: none,
      stages: [],
      expectedOldPct: {},
      cautions: cautionsFor({ vehicle, stages: [], conversion }),
      reasons,
      ...common,
    }
  }
  const built = buildStages({
    request,
    scope,
    corners,
    choice: choice.method ? choice : undefined,
    context,
    theta,
    reservoirMl,
  })
  const totalMl = built.stages.reduce((sum, stage) => sum + stage.ml, 0)
  const expected = expectedOldPct(request, prepared, built.perBleederMl)
  reasons.push(
    { code: 'fluid-spec', text: `The vehicle calls for ${vehicle.fluid.spec}.`, basis: 'maker' },
    ...ordered.reasons,
    ...(choice.method ? choice.reasons : []),
    ...settingReasons(choice.method ? choice : undefined, context),
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
  const settings = choice.method ? choice.settings : {}
  return {
    verdict: 'go',
    stops,
    fluid: {
      spec: vehicle.fluid.spec,
      totalMl,
      perBleederMl: built.perBleederMl,
      reservoirMl,
      buy: chooseContainers(totalMl, shop.containersMl),
    },
    stages: built.stages,
    ...(built.stages.some(({ kind }) => kind === 'bleed') && { order: orderOf(request, prepared) }),
    ...settings,
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
    const text = sound
      ? `${pressureKPa} kPa at the reservoir: ${stated?.pressureKPa ? 'the maker’s figure' : 'inside the usual 70–103 kPa'}.`
      : `${pressureKPa} kPa at the reservoir: the cap’s seal is not known to be sound, so inside 35–55 kPa.`
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

/** Methods of other stages that this work does not take are rejected too, each with its reason. */
function rejectedOf(
  choice: ReturnType<typeof chooseMethod>,
  { shop, work }: PlanRequest,
): Plan['methodsRejected'] {
  const rejected = [...choice.rejected]
  const touched = work.opened.length + work.replaced.length > 0 || work.ranDry || work.systemEmpty
  for (const method of ['bench', 'ports', 'control-unit'] as const) {
    if (!touched) rejected.push({ method, code: 'not-needed', text: 'Nothing in this work asks for it.' })
    else if (!shop.methods.includes(method) && method !== 'ports')
      rejected.push({ method, code: 'not-in-shop', text: 'The shop has no equipment for it.' })
  }
  return rejected
}
