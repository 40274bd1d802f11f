import type { Fact, Params } from '../base/decision'
import { atTool, atWheel, inCab, type Step, type Steps } from '../technique/step'
import type { Technique } from '../technique/technique'
import type { ReservoirWork } from './amounts'
import type { StageKind } from './answer'

/** Held this long, at rest and then firmly, a leak past a seal or a joint shows. @source common practice */
export const HOLD_S = 30
/** Until an emptied system has let its air rise. @source from memory */
const RISE_S = 300

/** What is done to one reservoir, what it is called, and whether there are others. */
export type ReservoirSteps = ReservoirWork & { name: Fact; several: boolean }

/** A step about one reservoir; where there are several it is told apart by it. */
const atReservoir = (
  code: string,
  { reservoir, name, several }: ReservoirSteps,
  params: Params = {},
  id = code,
): Step => ({
  ...atWheel(code, { ...params, reservoir: name }, several ? `${id} ${reservoir.id}` : id),
  reservoir: reservoir.id,
})

const fill = (code: string, spec: string, work: ReservoirSteps, aboutMl: number): Step => ({
  ...atReservoir(code, work, { spec }, 'fill'),
  asksMl: 'poured',
  fillsToMax: true,
  aboutMl,
})

/** One that stands below MIN, before anything is opened. */
export const refillStep = (spec: string, work: ReservoirSteps): Step => ({
  ...atReservoir('refill', work, { spec }),
  asksMl: 'poured',
  fillsToMax: true,
  aboutMl: work.pouredMl,
})

/** Old fluid out, rinsed and out again where that pays, new fluid in. */
function exchangeSteps(spec: string, work: ReservoirSteps): Step[] {
  const { drawToMl, rinseMl, pouredMl } = work
  if (drawToMl === undefined) return [fill('fill-sealed', spec, work, pouredMl)]
  const drawn = { asksMl: 'drawn', drawsToMl: drawToMl } as const
  const steps: Step[] = [{ ...atReservoir('draw-to', work, { leftMl: drawToMl }, 'draw'), ...drawn }]
  if (rinseMl !== undefined)
    steps.push(
      { ...atReservoir('rinse', work, { rinseMl, spec }), asksMl: 'poured', aboutMl: rinseMl },
      { ...atReservoir('rinse-out', work, { leftMl: drawToMl }), ...drawn, aboutMl: rinseMl },
    )
  return [...steps, fill('fill-sealed', spec, work, pouredMl - (rinseMl ?? 0))]
}

/** Emptied and wiped, filled, worked through, emptied as far as the ports allow, filled once more. */
function wipeSteps(spec: string, work: ReservoirSteps): Step[] {
  const half = work.pouredMl / 2
  const leftMl = work.portsCoveredMl
  return [
    { ...atReservoir('empty', work), asksMl: 'drawn', drawsToMl: 0 },
    atReservoir('wipe', work),
    { ...atReservoir('first-fill', work, { spec }), asksMl: 'poured', fillsToMax: true, aboutMl: half },
    { ...atReservoir('empty-again', work), asksMl: 'drawn', drawsToMl: leftMl, aboutMl: half - leftMl },
    fill('fill', spec, work, half),
  ]
}

/** Every opened joint under full effort. */
export const leakCheckSteps: Step[] = [
  atWheel('wipe-dry'),
  { ...inCab('press-hard', { holdS: HOLD_S }), holdS: HOLD_S },
  atWheel('look'),
]

/** Fresh joints under the machine's pressure, before any fluid is spent. */
export const machineLeakSteps = (machine: Steps): Step[] => {
  const on = machine.before.filter(
    ({ id }) => id === 'adapter' || id === 'pressurise' || id === 'hold-metering',
  )
  const off = machine.after.filter(({ id }) => id !== 'draw-to-max')
  return [atWheel('wipe-dry'), ...on, atWheel('look-machine'), ...off]
}

type Kind = Exclude<StageKind, 'bleed' | 'bench-bleed' | 'port-bleed' | 'control-unit'>

/** What a stage asks for besides the way it is done; `spec` is the fluid that goes in. */
const plain: Record<Kind, (spec: string, reservoirs: readonly ReservoirSteps[]) => Step[]> = {
  'reservoir-exchange': (spec, reservoirs) => [
    atWheel('cover'),
    ...reservoirs.flatMap((work) => exchangeSteps(spec, work)),
    atWheel('lid'),
  ],
  'wipe-reservoir': (spec, reservoirs) => [
    atWheel('cover'),
    ...reservoirs.flatMap((work) => wipeSteps(spec, work)),
    atWheel('lid'),
  ],
  'slow-fill': (spec, reservoirs) => [
    ...reservoirs.map((work) => fill('fill-slowly', spec, work, work.pouredMl)),
    atWheel('gentle'),
    atWheel('lid'),
  ],
  wait: () => [{ ...atWheel('risen'), waitS: RISE_S }],
  'leak-check': () => leakCheckSteps,
  prove: () => [],
}

/** A stage's own steps and those of the way it is done, before what this vehicle's parts ask for is added. */
export function ownSteps(
  kind: StageKind,
  spec: string,
  technique: Technique | undefined,
  steps: Steps,
  { lifted, reservoirs }: { lifted: boolean; reservoirs: readonly ReservoirSteps[] },
): Steps {
  switch (kind) {
    case 'bleed':
      return { before: [atWheel(lifted ? 'stands' : 'bottle-ready'), ...steps.before], after: steps.after }
    case 'bench-bleed':
    case 'control-unit':
      return steps
    case 'port-bleed':
      // Bleeders on the cylinder itself are worked by the way the wheels are; its ports by a way of their own.
      return technique?.at === 'cylinder' ? steps : { before: [atWheel('rag')], after: [] }
    default:
      return { before: plain[kind](spec, reservoirs), after: [] }
  }
}

/** Before the unit is powered for the first time after a base bleed. */
export const powerUp = { ...atTool('power-unit'), clears: 'unit-unplugged' }
