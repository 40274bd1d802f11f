import { z } from 'zod'
import type { Fault, Reading } from '~core/base/fault'
import { readWith } from '~core/base/zod-faults'
import { drivesIn, procedureFaults } from '~core/procedure/check'
import { type Procedure, type ProcedureStep, procedureSchema, unpluggables } from '~core/procedure/schema'

const text = z.string().max(1000)
/** One step as it stands in the form: what happens is one choice, so that few fields are filled. */
const stepTypedSchema = z.object({
  who: text,
  what: text,
  does: text,
  shows: text,
  awaits: text,
  leastS: text,
  mostS: text,
  calibrates: text,
  beginsAgain: z.boolean(),
  /** What a file said beyond what the form has fields for: it stays. */
  rest: z.record(text, z.unknown()).default({}),
})
export type StepTyped = z.output<typeof stepTypedSchema>
export const typedSchema = z.object({
  name: text,
  menu: text,
  minVolts: text,
  steps: z.array(stepTypedSchema).max(100),
})
export type ProcedureTyped = z.output<typeof typedSchema>

export const emptyStep: StepTyped = {
  who: 'tool',
  what: '',
  does: '',
  shows: '',
  awaits: '',
  leastS: '',
  mostS: '',
  calibrates: '',
  beginsAgain: false,
  rest: {},
}

type Choice = { value: string; label: string; sets: Partial<ProcedureStep> }

/** What may happen in a step, on a vehicle with these bleeders. */
export const whatChoices = (bleeders: readonly string[], routine: string): Choice[] => [
  { value: '', label: 'What the words say', sets: {} },
  { value: 'foot-hold', label: 'Foot: press and hold', sets: { foot: 'hold' } },
  { value: 'foot-pump', label: 'Foot: pump', sets: { foot: 'pump' } },
  { value: 'foot-release', label: 'Foot: let it up', sets: { foot: 'release' } },
  { value: 'ignition-on', label: 'Ignition on', sets: { ignition: 'on' } },
  { value: 'ignition-off', label: 'Ignition off', sets: { ignition: 'off' } },
  { value: 'bottle-on', label: 'Inverted bottle on', sets: { bottle: 'on' } },
  { value: 'bottle-off', label: 'Inverted bottle off', sets: { bottle: 'off' } },
  { value: 'fill', label: 'Fill to MAX', sets: { fillsToMax: true } },
  { value: 'calibrate', label: 'Calibrate (say what)', sets: {} },
  ...unpluggables.flatMap((thing): Choice[] => [
    { value: `unplug-${thing}`, label: `Unplug: ${thing.replace('-', ' ')}`, sets: { unplugs: thing } },
    { value: `back-${thing}`, label: `Plug back: ${thing.replace('-', ' ')}`, sets: { plugsBack: thing } },
  ]),
  ...bleeders.flatMap((bleed) =>
    drivesIn(routine).map(
      (by): Choice => ({
        value: `bleed ${by} ${bleed}`,
        label: `Bleed ${bleed}: ${{ unit: 'by the unit alone', 'unit-pumped': 'unit, foot pumps', foot: 'by foot' }[by]}`,
        sets: { bleed, by },
      }),
    ),
  ),
]

/** A procedure as its form holds it. */
export const typedFrom = ({ name, menu, minVolts, steps }: Procedure, choices: Choice[]): ProcedureTyped => ({
  name,
  menu: menu ?? '',
  minVolts: minVolts === undefined ? '' : String(minVolts),
  steps: steps.map((step) => ({
    who: step.who,
    what: whatOf(step, choices),
    does: step.does ?? '',
    shows: step.shows ?? '',
    awaits: step.awaits ?? '',
    leastS: step.leastS === undefined ? '' : String(step.leastS),
    mostS: step.mostS === undefined ? '' : String(step.mostS),
    calibrates: step.calibrates ?? '',
    beginsAgain: step.beginsAgain === true,
    rest: restOf(step, choices),
  })),
})

/** Fields that have a place of their own in the form. */
const OWN = ['who', 'does', 'shows', 'awaits', 'leastS', 'mostS', 'calibrates', 'beginsAgain']

function restOf(step: ProcedureStep, choices: Choice[]): Record<string, unknown> {
  const chosen = choices.find(({ value }) => value === whatOf(step, choices))?.sets ?? {}
  return Object.fromEntries(
    Object.entries(step).filter(([key]) => !OWN.includes(key) && !Object.hasOwn(chosen, key)),
  )
}

const whatOf = (step: ProcedureStep, choices: Choice[]): string =>
  step.calibrates !== undefined
    ? 'calibrate'
    : (choices.find(({ sets }) => {
        const keys = Object.keys(sets) as (keyof ProcedureStep)[]
        return keys.length > 0 && keys.every((key) => step[key] === sets[key])
      })?.value ?? '')

const numberOf = (text: string): number | undefined | string => {
  const said = text.trim().replace(',', '.')
  if (said === '') return undefined
  return Number.isFinite(Number(said)) ? Number(said) : text
}
const textOf = (text: string) => (text.trim() === '' ? undefined : text.trim())

/** What was typed as a procedure, or every fault with the path of its field. */
export function procedureFromTyped(
  { name, menu, minVolts, steps }: ProcedureTyped,
  of: { routine: string; bleeders: readonly string[]; by?: string; on?: string },
): Reading<Procedure> {
  const choices = whatChoices(of.bleeders, of.routine)
  const made = {
    name,
    menu: textOf(menu),
    minVolts: numberOf(minVolts),
    by: of.by,
    on: of.on,
    steps: steps.map((step) => ({
      ...step.rest,
      who: step.who,
      does: textOf(step.does),
      shows: textOf(step.shows),
      awaits: textOf(step.awaits),
      leastS: numberOf(step.leastS),
      mostS: numberOf(step.mostS),
      calibrates: step.what === 'calibrate' ? step.calibrates : undefined,
      ...(step.beginsAgain && { beginsAgain: true }),
      ...choices.find(({ value }) => value === step.what)?.sets,
    })),
  }
  const read = readWith(procedureSchema, JSON.parse(JSON.stringify(made)))
  if (!read.ok) return read
  const faults: Fault[] = procedureFaults(read.value, { routine: of.routine, bleeders: new Set(of.bleeders) })
  return faults.length > 0 ? { ok: false, faults } : read
}
