import { atTool, atWheel, inCab, type Step, type Steps } from '../technique/step'
import type { Technique } from '../technique/technique'
import type { StageKind } from './answer'

/** Held this long, at rest and then firmly, a leak past a seal or a joint shows. @source common practice */
export const HOLD_S = 30
/** Until an emptied system has let its air rise. @source from memory */
const RISE_S = 300

const fill = (code: string, spec: string): Step => ({
  ...atWheel(code, { spec }, 'fill'),
  asksMl: 'poured',
  fillsToMax: true,
})

/** Every opened joint under full effort. */
export const leakCheckSteps: Step[] = [
  atWheel('wipe-dry'),
  { ...inCab('press-hard', { holdS: HOLD_S }), holdS: HOLD_S },
  atWheel('look'),
]

type Kind = Exclude<StageKind, 'bleed' | 'bench-bleed' | 'port-bleed' | 'control-unit'>

/** What a stage asks for besides the way it is done; `spec` is the fluid that goes in. */
const plain: Record<Kind, (spec: string) => Step[]> = {
  'reservoir-exchange': (spec) => [
    atWheel('cover'),
    { ...atWheel('draw'), asksMl: 'drawn', drawsTo: 'min' },
    fill('fill-sealed', spec),
    atWheel('lid'),
  ],
  'wipe-reservoir': (spec) => [
    atWheel('cover'),
    { ...atWheel('empty'), asksMl: 'drawn', drawsTo: 'empty' },
    atWheel('wipe'),
    { ...atWheel('first-fill', { spec }), asksMl: 'poured' },
    { ...atWheel('empty-again'), asksMl: 'drawn', drawsTo: 'min' },
    fill('fill', spec),
    atWheel('lid'),
  ],
  'slow-fill': (spec) => [fill('fill-slowly', spec), atWheel('gentle'), atWheel('lid')],
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
): Steps {
  switch (kind) {
    case 'bleed':
      return { before: [atWheel('stands'), ...steps.before], after: steps.after }
    case 'bench-bleed':
    case 'control-unit':
      return steps
    case 'port-bleed':
      // Bleeders on the cylinder itself are worked by the way the wheels are; its ports by a way of their own.
      return technique?.at === 'cylinder' ? steps : { before: [atWheel('rag')], after: [] }
    default:
      return { before: plain[kind](spec), after: [] }
  }
}

/** Before the unit is powered for the first time after a base bleed. */
export const powerUp = atTool('power-unit')
