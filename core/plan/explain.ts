import { type Basis, type Fact, fact } from '../base/decision'
import type { Containers } from '../physics/exchange/containers'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { gravityKPa, liquidAt } from '../technique/corner-flow'
import { techniqueOf } from '../technique/index'
import type { Quantity } from '../units/units'
import { partsOf, reservoirFact } from '../vehicle/parts'
import type { Plan, Stage } from './answer'
import { fluidUsed, preparePlan } from './prepare'
import type { PlanRequest } from './request'
import { lineMl, passagesInOrder, wearAtBleed } from './volumes'

/** One number a figure was worked out from, in its own unit, or what stands for it where it is none. */
export type ExplainedInput = { name: Fact } & ({ quantity: Quantity; value: number } | { is: Fact })

/** How a figure came about: formula, what went into it, and what it rests on. */
export type Explained = {
  title: Fact
  formula: Fact
  inputs: ExplainedInput[]
  basis: Basis
  source: Fact
}

/** Every figure of a plan that opens. */
export type FigureId =
  | { figure: 'total' | 'containers' | 'time' | 'top-up' | 'pressure' | 'vacuum' }
  | { figure: 'bleeder' | 'last-drops'; bleeder: string }
  | { figure: 'stage'; index: number }

type Names = Parameters<typeof fact>[1]
const input = (code: string, params?: Names) => fact(`input-${code}`, params)
const volume = (code: string, value: number, params?: Names): ExplainedInput => ({
  name: input(code, params),
  quantity: 'volume',
  value,
})
const pressure = (code: string, value: number, params?: Names): ExplainedInput => ({
  name: input(code, params),
  quantity: 'pressure',
  value,
})
const said = (code: string, is: Fact, params?: Names): ExplainedInput => ({ name: input(code, params), is })
const pct = (value: number) => fact('so-many-pct', { valuePct: value })
const minutes = (value: number) => fact('so-many-minutes', { minutes: value })

const explained = (
  figure: string,
  inputs: ExplainedInput[],
  basis: Basis,
  title: Fact = fact(`figure-${figure}`),
): Explained => ({
  title,
  formula: fact(`formula-${figure}`),
  inputs,
  basis,
  source: fact(`source-${figure}`),
})

/** How one figure of a plan came about. */
export function explainFigure(id: FigureId, request: PlanRequest, plan: Plan): Explained {
  switch (id.figure) {
    case 'total':
      return total(plan)
    case 'containers':
      return containers(request, plan)
    case 'time':
      return time(plan)
    case 'top-up':
      return topUp(request, plan)
    case 'pressure':
    case 'vacuum':
      return setting(id.figure, request, plan)
    case 'bleeder':
      return bleeder(id.bleeder, request, plan)
    case 'last-drops':
      return lastDrops(id.bleeder, request, plan)
    case 'stage':
      return stageMinutes(plan.stages[id.index], request)
  }
}

const sum = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0)

function total({ fluid, stages }: Plan): Explained {
  const bled = sum(Object.values(fluid.perBleederMl))
  const atCylinder = sum(
    stages.flatMap(({ kind, ml }) => (kind === 'bench-bleed' || kind === 'port-bleed' ? ml : [])),
  )
  const kept = fluid.keptMl ?? 0
  const again = fluid.totalMl - fluid.reservoirMl - bled - atCylinder - kept
  return explained(
    'total',
    [
      volume('reservoir', fluid.reservoirMl),
      volume('through-bleeders', bled),
      ...(again > 1e-6 ? [volume('after-cycles', again)] : []),
      volume('bench-and-ports', atCylinder),
      ...(kept > 0 ? [volume('kept-in-machine', kept)] : []),
    ],
    'physics',
  )
}

const listed = (all: readonly Containers[]): Fact =>
  all.length === 0
    ? fact('nothing')
    : fact('containers-listed', {
        all: all.map(({ ml, count }) => fact('so-many-of', { count, eachMl: ml })),
      })

const containers = ({ shop }: PlanRequest, { fluid }: Plan): Explained =>
  explained(
    'containers',
    [
      volume('needed', fluid.totalMl),
      said('from-shelf', listed(fluid.onHand)),
      said('to-buy', listed(fluid.buy)),
      said('sizes', fact('sizes-listed', { sizesMl: shop.containersMl })),
      volume('left-over', fluid.leftMl),
    ],
    'practice',
  )

const time = ({ stages }: Plan): Explained =>
  explained(
    'time',
    [
      said('fluid-time', minutes(sum(stages.map((each) => each.fluidMinutes)))),
      said('hands-time', minutes(sum(stages.map((each) => each.handlingMinutes)))),
    ],
    'physics',
  )

function topUp({ vehicle }: PlanRequest, { topUpEvery }: Plan): Explained {
  const strokes = partsOf(vehicle, 'master-cylinder').flatMap(({ chambers, fedBy }) =>
    chambers
      .filter((chamber) => (chamber.fedBy ?? fedBy) === topUpEvery.reservoir)
      .map(({ boreMm, strokeMm }) => cylinderMl(boreMm, strokeMm)),
  )
  return explained(
    'top-up',
    [
      said('which-reservoir', fact('as-named', { name: topUpEvery.reservoir })),
      volume('between-marks', topUpEvery.ml),
      volume('full-stroke', Math.max(0, ...strokes)),
    ],
    'physics',
  )
}

function setting(which: 'pressure' | 'vacuum', { vehicle, shop }: PlanRequest, plan: Plan): Explained {
  const key = which === 'pressure' ? 'pressureKPa' : 'vacuumKPa'
  const stated = vehicle.makerSettings?.[key]
  const [least, most] = plan.limits[key] ?? [0, 0]
  const sound = partsOf(vehicle, 'reservoir').every(({ capSeal }) => capSeal === 'sound')
  return explained(
    which,
    [
      pressure('set-to', plan[key] ?? 0),
      pressure('at-least', least),
      pressure('at-most', most),
      stated === undefined ? said('maker', fact('states-none')) : pressure('maker', stated),
      ...(which === 'pressure'
        ? [
            said('cap-seal', fact(sound ? 'seal-sound' : 'seal-not-known')),
            ...shop.adapters.map(({ name, maxKPa }) => pressure('adapter', maxKPa, { name })),
          ]
        : []),
    ],
    stated === plan[key] ? 'maker' : 'practice',
  )
}

/** What stands before a bleeder, what a clean feed would ask for, and what the reservoir’s own old fluid adds. */
function bleeder(id: string, request: PlanRequest, plan: Plan): Explained {
  const { vehicle, work } = request
  const { opened, feeding } = preparePlan(request)
  const passages = passagesInOrder(vehicle, opened, wearAtBleed(work), false, feeding.atOnce)
  const passage = passages.find((each) => each.id === id)
  const { targetOldPct, cleanFeedMl, perBleederMl } = plan.fluid
  const clean = cleanFeedMl[id] ?? 0
  const through = perBleederMl[id] ?? 0
  return explained(
    targetOldPct === undefined ? 'clearing' : 'bleeder',
    [
      volume('own-brake', passage?.ownMl ?? 0),
      volume('chamber', passage?.chamberMl ?? 0),
      volume('lines', sum((passage?.lines ?? []).map(lineMl))),
      volume('unit-share', passage?.unitMl ?? 0),
      volume('clean-feed', clean),
      ...(through - clean > 1e-6 ? [volume('for-reservoir', through - clean)] : []),
      volume('through', through),
      ...(targetOldPct === undefined ? [] : [said('target', pct(targetOldPct))]),
    ],
    'physics',
    fact('figure-bleeder', { bleeder: id }),
  )
}

function lastDrops(id: string, request: PlanRequest, plan: Plan): Explained {
  const { amounts } = preparePlan(request)
  return explained(
    'last-drops',
    [
      said('expected', pct(plan.expectedOldPct[id] ?? 0)),
      ...amounts.reservoirs.flatMap(({ reservoir, drawToMl, rinseMl, oldShare }) => {
        const params = { reservoir: reservoirFact(request.vehicle, reservoir.id) }
        return [
          ...(drawToMl === undefined ? [] : [volume('drawn-to', drawToMl, params)]),
          ...(rinseMl === undefined ? [] : [volume('rinsed-with', rinseMl, params)]),
          volume('at-max', reservoir.maxMl, params),
          said('old-at-first', pct(100 * oldShare), params),
        ]
      }),
    ],
    'physics',
    fact('figure-last-drops', { bleeder: id }),
  )
}

function stageMinutes(stage: Stage | undefined, request: PlanRequest): Explained {
  const { context } = preparePlan(request)
  const technique = stage?.technique && techniqueOf(stage.technique)
  const { mm2PerS } = liquidAt(context)
  return explained(
    'stage',
    [
      said('fluid-time', minutes(stage?.fluidMinutes ?? 0)),
      said('hands-time', minutes(stage?.handlingMinutes ?? 0)),
      volume('new-fluid', stage?.ml ?? 0),
      { name: input('temperature'), quantity: 'temperature', value: context.tempC },
      said('viscosity', fact('so-viscous', { mm2PerS }), { spec: fluidUsed(request) }),
      ...(technique?.drives === 'gravity' ? [pressure('gravity-head', gravityKPa(context))] : []),
    ],
    'physics',
    technique ? fact(`technique-${technique.id}`) : fact('figure-stage'),
  )
}
