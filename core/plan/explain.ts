import { type Basis, type Fact, fact } from '../base/decision'
import type { Containers } from '../physics/exchange/containers'
import { cornerVolumes } from '../physics/exchange/purge'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { gravityKPa, liquidAt } from '../technique/corner-flow'
import { techniqueOf } from '../technique/index'
import type { Quantity } from '../units/units'
import { partsOf } from '../vehicle/parts'
import type { Plan, Stage } from './answer'
import { fluidUsed, preparePlan } from './prepare'
import type { PlanRequest } from './request'
import { lineMl, passagesInOrder } from './volumes'

/** One number a figure was worked out from, in its own unit, or a word where it is none. */
export type ExplainedInput = { name: string } & ({ quantity: Quantity; value: number } | { text: string })

/** How a figure came about: formula, what went into it, and what it rests on. */
export type Explained = {
  /** In words, or as the way it is about. */
  title: string | Fact
  formula: string
  inputs: ExplainedInput[]
  basis: Basis
  source: string
}

/** Every figure of a plan that opens. */
export type FigureId =
  | { figure: 'total' | 'containers' | 'time' | 'top-up' | 'pressure' | 'vacuum' }
  | { figure: 'bleeder' | 'last-drops'; bleeder: string }
  | { figure: 'stage'; index: number }

const volume = (name: string, value: number): ExplainedInput => ({ name, quantity: 'volume', value })
const pressure = (name: string, value: number): ExplainedInput => ({ name, quantity: 'pressure', value })
const word = (name: string, text: string): ExplainedInput => ({ name, text })
const minutes = (value: number) => `${value.toFixed(1)} min`

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

const total = ({ fluid, stages }: Plan): Explained => ({
  title: 'New fluid in all',
  formula: 'reservoir + through every bleeder + left in the vice or at the ports',
  inputs: [
    volume('reservoir', fluid.reservoirMl),
    volume(
      'through the bleeders',
      Object.values(fluid.perBleederMl).reduce((sum, ml) => sum + ml, 0),
    ),
    volume(
      'bench and ports',
      stages.reduce(
        (sum, { kind, ml }) => (['bench-bleed', 'port-bleed'].includes(kind) ? sum + ml : sum),
        0,
      ),
    ),
  ],
  basis: 'physics',
  source: 'Geometry of the lines and pistons in the vehicle’s file; the purge model at each bleeder.',
})

const listed = (containers: readonly Containers[]): string =>
  containers.map(({ ml, count }) => `${count} × ${ml} mL`).join(' + ') || 'nothing'

const containers = ({ shop }: PlanRequest, { fluid }: Plan): Explained => ({
  title: 'Containers to open',
  formula: 'sealed ones on the shelf first, then the sizes that leave least over',
  inputs: [
    volume('needed', fluid.totalMl),
    word('from the shelf', listed(fluid.onHand)),
    word('to buy', listed(fluid.buy)),
    word('sizes to buy', shop.containersMl.map((ml) => `${ml} mL`).join(', ')),
    volume('left over', fluid.leftMl),
  ],
  basis: 'practice',
  source: 'Common practice: a sealed container, opened at the job.',
})

const time = ({ stages }: Plan): Explained => ({
  title: 'Time',
  formula: 'fluid’s own minutes + hands’ minutes, over every stage',
  inputs: [
    word('fluid', minutes(stages.reduce((sum, each) => sum + each.fluidMinutes, 0))),
    word('hands', minutes(stages.reduce((sum, each) => sum + each.handlingMinutes, 0))),
  ],
  basis: 'physics',
  source: 'Flow by Hagen and Poiseuille with the bleeder’s hole; hands’ time from memory.',
})

function topUp({ vehicle }: PlanRequest, { topUpEvery }: Plan): Explained {
  const strokes = partsOf(vehicle, 'master-cylinder').flatMap(({ chambers, fedBy }) =>
    chambers
      .filter((chamber) => (chamber.fedBy ?? fedBy) === topUpEvery.reservoir)
      .map(({ boreMm, strokeMm }) => cylinderMl(boreMm, strokeMm)),
  )
  return {
    title: 'Top up every',
    formula: 'whole strokes in (MAX − MIN) ÷ mL of one full stroke; never below MIN',
    inputs: [
      word('reservoir', topUpEvery.reservoir),
      volume('MAX − MIN', topUpEvery.ml),
      volume('full stroke of the largest chamber', Math.max(0, ...strokes)),
    ],
    basis: 'physics',
    source: 'Geometry: π/4 · bore² · stroke.',
  }
}

function setting(which: 'pressure' | 'vacuum', { vehicle, shop }: PlanRequest, plan: Plan): Explained {
  const key = which === 'pressure' ? 'pressureKPa' : 'vacuumKPa'
  const stated = vehicle.makerSettings?.[key]
  const [least, most] = plan.limits[key] ?? [0, 0]
  const sound = partsOf(vehicle, 'reservoir').every(({ capSeal }) => capSeal === 'sound')
  return {
    title: which === 'pressure' ? 'Pressure at the reservoir' : 'Vacuum at the bleeder',
    formula:
      which === 'pressure'
        ? 'the maker’s, else the usual; never above the lowest of maker, cap and adapter'
        : 'the maker’s, else the middle of the usual range',
    inputs: [
      pressure('set to', plan[key] ?? 0),
      pressure('at least', least),
      pressure('at most', most),
      stated === undefined ? word('maker', 'states none') : pressure('maker', stated),
      ...(which === 'pressure' ? [word('cap’s seal', sound ? 'sound' : 'not known to be sound')] : []),
      ...(which === 'pressure' && shop.adapters.length > 0
        ? shop.adapters.map(({ name, maxKPa }) => pressure(`adapter ${name}`, maxKPa))
        : []),
    ],
    basis: stated === plan[key] ? 'maker' : 'practice',
    source: 'Common practice: 70–103 kPa on a sound cap, 35–55 on another, 60–85 of vacuum.',
  }
}

function bleeder(id: string, request: PlanRequest, plan: Plan): Explained {
  const { vehicle, work } = request
  const { ordered, targetPct } = preparePlan(request)
  const passage = passagesInOrder(vehicle, ordered.bleeders, work.padWearMm).find((each) => each.id === id)
  const lines = (passage?.lines ?? []).reduce((sum, line) => sum + lineMl(line), 0)
  return {
    title: `Through ${id}`,
    formula: 'volume before it × volumes for the target; the worse of stirred tanks and laminar tail',
    inputs: [
      volume('its own brake', passage?.ownMl ?? 0),
      volume('lines not yet purged', lines),
      volume('its part of the unit', passage?.unitMl ?? 0),
      word('volumes for the target', cornerVolumes(targetPct / 100).toFixed(2)),
      word('target', `at most ${targetPct} % old in the last drops`),
      volume('over all stages', plan.fluid.perBleederMl[id] ?? 0),
    ],
    basis: 'physics',
    source: 'Levenspiel: three tanks in series, and the laminar tail 1/(4θ²).',
  }
}

function lastDrops(id: string, request: PlanRequest, plan: Plan): Explained {
  const { reservoirs } = preparePlan(request)
  return {
    title: `Last drops at ${id}`,
    formula: 'the reservoir’s own share of old, carried from wheel to wheel through stirred tanks',
    inputs: [
      word('expected', `${(plan.expectedOldPct[id] ?? 0).toFixed(1)} % old`),
      ...reservoirs.flatMap((each) => [
        volume(`${each.id}, MIN that stays old`, each.minMl),
        volume(`${each.id}, MAX`, each.maxMl),
      ]),
    ],
    basis: 'physics',
    source: 'Levenspiel, tanks in series. Drawn lower with every port covered, it is less.',
  }
}

function stageMinutes(stage: Stage | undefined, request: PlanRequest): Explained {
  const { context } = preparePlan(request)
  const technique = stage?.technique && techniqueOf(stage.technique)
  const { mm2PerS } = liquidAt(context)
  return {
    title: technique ? fact(`technique-${technique.id}`) : 'This stage',
    formula: 'volume ÷ flow at this temperature + hands’ time',
    inputs: [
      word('fluid', minutes(stage?.fluidMinutes ?? 0)),
      word('hands', minutes(stage?.handlingMinutes ?? 0)),
      volume('new fluid', stage?.ml ?? 0),
      { name: 'temperature', quantity: 'temperature', value: context.tempC },
      word(`${fluidUsed(request)} is then`, `${mm2PerS.toFixed(1)} mm²/s`),
      ...(technique?.drives === 'gravity' ? [pressure('0.6 m of fluid', gravityKPa(context))] : []),
    ],
    basis: 'physics',
    source:
      'Hagen and Poiseuille with the bleeder’s passage and hole; Walther (ASTM D341) for the viscosity; hands’ time from memory.',
  }
}
