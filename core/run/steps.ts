import { perObject } from '../memo'
import { bleedMethodOf } from '../method'
import type { Plan, Stage } from '../plan/answer'
import type { Vehicle } from '../vehicle/schema'
import { bleederRunOf, currentPoint, currentStage } from './points'
import type { JobState, Mend, RunState } from './state'

/** One thing to do and confirm; `asksMl` where an amount is written down with it. */
export type Step = {
  id: string
  text: string
  /** What to mind while doing it. */
  detail?: string
  who: 'wheel' | 'cab' | 'tool'
  asksMl?: 'poured' | 'drawn'
  fillsToMax?: true
  /** Where drawing leaves the reservoir. */
  drawsTo?: 'min' | 'empty'
  /** The one reservoir it concerns; left out, all of them. */
  reservoir?: string
  /** Must be held this long, timed; ended sooner it is not done. */
  holdS?: number
  /** Usually left this long; the timer advises, the eyes decide. */
  waitS?: number
}

/** Held this long, at rest and then firmly, a leak past a seal or a joint shows. @source common practice */
export const HOLD_S = 30
/** Until an emptied system has let its air rise. @source from memory */
const RISE_S = 300

const wheel = (id: string, text: string, detail?: string): Step => ({ id, text, detail, who: 'wheel' })
const fill = (text: string): Step => ({ id: 'fill', text, who: 'wheel', asksMl: 'poured', fillsToMax: true })

const lidOn = wheel('lid', 'Lid on loosely.', 'Released fluid squirts up.')

const plain: Record<Exclude<Stage['kind'], 'bleed' | 'prove'>, (plan: Plan) => Step[]> = {
  'reservoir-exchange': ({ fluid }) => [
    wheel('cover', 'Cover the paint, clean around the lid, take it off.'),
    {
      ...wheel(
        'draw',
        'Draw the old fluid out, down to MIN.',
        'Lower only where every port stays covered. Nobody on the pedal, no bleeder open.',
      ),
      asksMl: 'drawn',
      drawsTo: 'min',
    },
    fill(`Fill to MAX with new ${fluid.spec} from a sealed container.`),
    lidOn,
  ],
  'wipe-reservoir': ({ fluid }) => [
    wheel('cover', 'Cover the paint, clean around the lid, take it off.'),
    {
      ...wheel('empty', 'Draw all of the old fluid out.', 'Nobody on the pedal, no bleeder open.'),
      asksMl: 'drawn',
      drawsTo: 'empty',
    },
    wheel('wipe', 'Wipe the reservoir clean with lint-free cloth.'),
    {
      id: 'first-fill',
      text: `Fill with new ${fluid.spec}, and work the pedal slowly a few times.`,
      who: 'wheel',
      asksMl: 'poured',
    },
    {
      ...wheel('empty-again', 'Draw it out once more.', 'Never dry now: the ports stay covered.'),
      asksMl: 'drawn',
      drawsTo: 'min',
    },
    fill(`Fill to MAX with new ${fluid.spec}.`),
    lidOn,
  ],
  'slow-fill': ({ fluid }) => [
    fill(`Fill slowly to MAX with new ${fluid.spec}; let the level settle and fill again.`),
    wheel('gentle', 'A few short, slow strokes; watch the air rise out of the reservoir.'),
    lidOn,
  ],
  wait: () => [{ ...wheel('risen', 'Wait until no more bubbles rise in the reservoir.'), waitS: RISE_S }],
  'bench-bleed': () => [
    wheel('vice', 'Cylinder in the vice, level as fitted.', 'Held by its flange. Eye protection on.'),
    wheel('hoses', 'Hoses from every port back under the fluid, reservoir half full.'),
  ],
  'port-bleed': () => [wheel('rag', 'Rag under the cylinder, eyes protected, reservoir above MIN.')],
  'control-unit': () => [
    { id: 'battery', text: 'Battery supported. Unit connected, as its maker says.', who: 'tool' },
    {
      id: 'routine',
      text: 'Run the bleed routine this unit offers, to its end. Keep the reservoir above MIN.',
      who: 'tool',
    },
    { id: 'unpower', text: 'Ignition off before the next base bleed.', who: 'tool' },
  ],
  'leak-check': () => [
    wheel('wipe-dry', 'Wipe every joint that was opened dry.'),
    {
      id: 'press-hard',
      text: `Press hard and hold for ${HOLD_S} s, brakes assembled, every bleeder closed.`,
      who: 'cab',
      holdS: HOLD_S,
    },
    wheel('look', 'Every joint dry.', 'A wet one: mend it, wipe, press again.'),
  ],
}

/** Steps before the first bleeder, and after the last, of a bleed stage. */
function bleedSteps(stage: Stage, { pressureKPa, vacuumKPa }: Plan): { before: Step[]; after: Step[] } {
  const before: Step[] = [wheel('stands', 'On stands, brakes assembled, catch bottle ready.')]
  const after: Step[] = []
  const method = stage.method ?? ''
  if (bleedMethodOf(method)?.call === 'pedal')
    before.push({
      id: 'booster',
      text: 'Engine off. Press until the booster’s vacuum is used up.',
      who: 'cab',
    })
  if (method.includes('pressure')) {
    before.push(
      wheel(
        'adapter',
        'Adapter on the reservoir, tight.',
        'Machine filled with new fluid of the right kind.',
      ),
      wheel('pressurise', `Bring it up slowly to ${pressureKPa} kPa and watch the cap for a leak.`),
    )
    after.push(
      wheel('depressurise', 'Let the machine’s pressure off, then take its adapter off.'),
      wheel('draw-to-max', 'Level is usually over MAX now: draw it down to MAX.'),
    )
  }
  if (method.includes('vacuum'))
    before.push(wheel('vacuum', `Trap empty, pump set to ${vacuumKPa} kPa below atmosphere.`))
  if (method === 'gravity') before.push(wheel('bottles', 'A bottle at every bleeder, hose end under fluid.'))
  return { before, after }
}

/** What follows a stage's last point. */
const closing: Partial<Record<Stage['kind'], Step[]>> = {
  'bench-bleed': [
    wheel('fit', 'Ports plugged, cylinder fitted, lines tight to the maker’s torque.'),
    { ...wheel('loss', 'Write down about how much fluid it took.'), asksMl: 'poured' },
  ],
  'port-bleed': [wheel('tight', 'Nuts tight to the maker’s torque; rinse what was spilled.')],
}

type StageSteps = { before: Step[]; after: Step[] }

/** What a stage asks to be done and confirmed, in order. `prove` has none: it is its own station. */
export const stageSteps = (stage: Stage, plan: Plan): StageSteps => stepsOfPlan(plan)(stage)

/** Asked for at every act, and the same as long as the plan is. */
const stepsOfPlan = perObject((plan: Plan) => perObject((stage: Stage) => stepsOf(stage, plan)))

function stepsOf(stage: Stage, plan: Plan): StageSteps {
  if (stage.kind === 'bleed') return bleedSteps(stage, plan)
  if (stage.kind === 'prove') return { before: [], after: [] }
  return { before: plain[stage.kind](plan), after: closing[stage.kind] ?? [] }
}

/** The step to be done now: what went wrong first, then the stage's own before its first point and after its last. */
export function currentStep({
  run,
  planned,
}: Pick<JobState, 'planned'> & { run: RunState }): { step: Step; mend?: Mend } | undefined {
  // A call under way is brought to its end first: nobody leaves a joint open to do something else.
  if (run.call !== 'rest' || run.lookDue) return undefined
  const mend = run.mends[0]
  const mending = mend?.steps.find(({ id }) => !mend.stepsDone.includes(id))
  if (mend && mending) return { step: mending, mend }
  const stageRun = currentStage(run)
  if (!stageRun || !planned) return undefined
  const { before, after } = stageSteps(stageRun.stage, planned.plan)
  const undone = ({ id }: Step) => !stageRun.stepsDone.includes(id)
  const first = before.find(undone)
  if (first) return { step: first }
  const last = currentPoint(run) === undefined ? after.find(undone) : undefined
  return last && { step: last }
}

/** What to do at one point before its first pull. */
export function pointPreparation(vehicle: Vehicle, stage: Stage, point: string): string[] {
  if (stage.kind === 'bench-bleed') return ['Reservoir half full, every hose end under fluid.']
  const placed = bleederRunOf(vehicle, point)
  if (!placed)
    return ['Line spanner on the nut, rag under it.', 'Face shield, or a rag over it: it is under pressure.']
  const spanner =
    placed.bleeder.wrenchMm === undefined
      ? 'Six-point spanner that fits'
      : `${placed.bleeder.wrenchMm} mm six-point spanner`
  return [`Cap off, bleeder clean. ${spanner}.`, 'Hose on, its end under fluid in the bottle.']
}

/** What to do at one point once it is done. */
export function pointClosing(vehicle: Vehicle, stage: Stage, point: string): string {
  if (stage.kind === 'bench-bleed') return 'No bubbles, firm push: plug the ports before it leaves the vice.'
  const bleeder = bleederRunOf(vehicle, point)?.bleeder
  const torque = bleeder?.torqueNm === undefined ? 'the maker’s torque' : `${bleeder.torqueNm} N·m`
  return bleeder ? `Tighten to ${torque}, hose off, cap on.` : `Nut tight to ${torque}, wiped dry.`
}
