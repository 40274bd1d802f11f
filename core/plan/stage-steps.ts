import { atTool, atWheel, inCab, type Step, type Steps } from '../technique/step'
import type { Technique } from '../technique/technique'
import type { StageKind } from './answer'

/** Held this long, at rest and then firmly, a leak past a seal or a joint shows. @source common practice */
export const HOLD_S = 30
/** Until an emptied system has let its air rise. @source from memory */
const RISE_S = 300

const fill = (text: string): Step => ({ ...atWheel('fill', text), asksMl: 'poured', fillsToMax: true })
const lidOn = atWheel('lid', 'Lid on loosely.', 'Released fluid squirts up.')
const cover = atWheel('cover', 'Cover the paint, clean around the lid, take it off.')

/** Every opened joint under full effort. */
export const leakCheckSteps: Step[] = [
  atWheel('wipe-dry', 'Wipe every joint that was opened dry.'),
  {
    ...inCab('press-hard', `Press hard and hold for ${HOLD_S} s, brakes assembled, every bleeder closed.`),
    holdS: HOLD_S,
  },
  atWheel('look', 'Every joint dry.', 'A wet one: mend it, wipe, press again.'),
]

type Kind = Exclude<StageKind, 'bleed' | 'bench-bleed' | 'port-bleed' | 'control-unit'>

/** What a stage asks for besides the way it is done; `spec` is the fluid that goes in. */
const plain: Record<Kind, (spec: string) => Step[]> = {
  'reservoir-exchange': (spec) => [
    cover,
    {
      ...atWheel(
        'draw',
        'Draw the old fluid out, down to MIN.',
        'Lower only where every port stays covered. Nobody on the pedal, no bleeder open.',
      ),
      asksMl: 'drawn',
      drawsTo: 'min',
    },
    fill(`Fill to MAX with new ${spec} from a sealed container.`),
    lidOn,
  ],
  'wipe-reservoir': (spec) => [
    cover,
    {
      ...atWheel('empty', 'Draw all of the old fluid out.', 'Nobody on the pedal, no bleeder open.'),
      asksMl: 'drawn',
      drawsTo: 'empty',
    },
    atWheel('wipe', 'Wipe the reservoir clean with lint-free cloth.'),
    {
      ...atWheel('first-fill', `Fill with new ${spec}, and work the pedal slowly a few times.`),
      asksMl: 'poured',
    },
    {
      ...atWheel('empty-again', 'Draw it out once more.', 'Never dry now: the ports stay covered.'),
      asksMl: 'drawn',
      drawsTo: 'min',
    },
    fill(`Fill to MAX with new ${spec}.`),
    lidOn,
  ],
  'slow-fill': (spec) => [
    fill(`Fill slowly to MAX with new ${spec}; let the level settle and fill again.`),
    atWheel('gentle', 'A few short, slow strokes; watch the air rise out of the reservoir.'),
    lidOn,
  ],
  wait: () => [{ ...atWheel('risen', 'Wait until no more bubbles rise in the reservoir.'), waitS: RISE_S }],
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
      return {
        before: [atWheel('stands', 'On stands, brakes assembled, catch bottle ready.'), ...steps.before],
        after: steps.after,
      }
    case 'bench-bleed':
    case 'control-unit':
      return steps
    case 'port-bleed':
      // Bleeders on the cylinder itself are worked by the way the wheels are; its ports by a way of their own.
      return technique?.at === 'cylinder'
        ? steps
        : {
            before: [atWheel('rag', 'Rag under the cylinder, eyes protected, reservoir above MIN.')],
            after: [],
          }
    default:
      return { before: plain[kind](spec), after: [] }
  }
}

/** Before the unit is powered for the first time after a base bleed. */
export const powerUp = atTool(
  'power-unit',
  'Base bleed is clean: plug the control unit in.',
  'Not before: its valves move when it wakes, and lock air in.',
)
