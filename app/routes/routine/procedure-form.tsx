import { useState } from 'react'
import { useSay } from '~/lib/say'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import type { Fault } from '~core/base/fault'
import { awaitables, procedureActors } from '~core/procedure/schema'
import { emptyStep, type ProcedureTyped, type StepTyped, type whatChoices } from './procedure-fields'

type Choices = ReturnType<typeof whatChoices>
type Props = { first: ProcedureTyped; choices: Choices; faults: Fault[]; busy: boolean }

const actors: Record<(typeof procedureActors)[number], string> = {
  tool: 'Tool',
  wheel: 'Wheel',
  cab: 'Cab',
  desk: 'Desk',
}

/** A routine typed from a tool's screen: one line a step, and of each only what it needs. */
export function ProcedureForm({ first, choices, faults, busy }: Props) {
  const [typed, setTyped] = useState(first)
  const { steps } = typed
  const setSteps = (next: StepTyped[]) => setTyped({ ...typed, steps: next })
  const set = (i: number, change: Partial<StepTyped>) =>
    setSteps(steps.map((step, j) => (i === j ? { ...step, ...change } : step)))
  const moved = (i: number, to: number) => {
    const next = [...steps]
    const [step] = next.splice(i, 1)
    if (step) next.splice(to, 0, step)
    setSteps(next)
  }
  const head = (name: 'name' | 'menu' | 'minVolts', label: string) => (
    <label className="grid gap-1">
      <span className="field-label">{label}</span>
      <input
        className="input"
        value={typed[name]}
        autoComplete="off"
        inputMode={name === 'minVolts' ? 'decimal' : undefined}
        aria-invalid={faults.some(({ path }) => path === name) || undefined}
        onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      />
      {faults
        .filter(({ path }) => path === name)
        .map(({ message }) => (
          <span key={message} role="alert" className="fault">
            Not yet: {message}.
          </span>
        ))}
    </label>
  )
  return (
    <FormPanel className="grid gap-4" noValidate>
      <input type="hidden" name="typed" value={JSON.stringify(typed)} />
      <div className="grid gap-3 md:grid-cols-[2fr_3fr_1fr]">
        {head('name', 'Its name at the tool')}
        {head('menu', 'Where it is in the menus')}
        {head('minVolts', 'Battery, V at least')}
      </div>
      <ol className="grid gap-3">
        {steps.map((step, i) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a step is what stands at its place; two may be alike
            key={i}
            className="grid gap-2 border-2 border-rule bg-enamel p-3 xl:grid-cols-[1fr_auto] xl:items-start"
          >
            <StepFields
              n={i + 1}
              step={step}
              choices={choices}
              faults={faults.filter(({ path }) => path.startsWith(`steps.${i}.`) || path === `steps.${i}`)}
              onChange={(change) => set(i, change)}
            />
            <div className="flex flex-wrap gap-2 xl:max-w-[15rem] xl:justify-end">
              <Button disabled={i === 0} onClick={() => moved(i, i - 1)}>
                Up<span className="sr-only"> with step {i + 1}</span>
              </Button>
              <Button disabled={i === steps.length - 1} onClick={() => moved(i, i + 1)}>
                Down<span className="sr-only"> with step {i + 1}</span>
              </Button>
              <Button onClick={() => setSteps(steps.toSpliced(i + 1, 0, emptyStep))}>
                Another after it<span className="sr-only">: step {i + 1}</span>
              </Button>
              <Button onClick={() => setSteps(steps.filter((_, j) => j !== i))}>
                Not this one<span className="sr-only">: step {i + 1}</span>
              </Button>
            </div>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => setSteps([...steps, emptyStep])}>Add a step</Button>
        <Button onClick={() => setTyped({ name: '', menu: '', minVolts: '', steps: [] })}>
          Begin with an empty sheet
        </Button>
      </div>
      <ActionBar>
        {faults.length > 0 && (
          <p role="alert" className="fault">
            Nothing was kept: mend what is marked.
          </p>
        )}
        <Button type="submit" name="intent" value="typed" main disabled={busy}>
          Keep it with the vehicle
        </Button>
      </ActionBar>
    </FormPanel>
  )
}

type StepProps = {
  n: number
  step: StepTyped
  choices: Choices
  faults: Fault[]
  onChange: (change: Partial<StepTyped>) => void
}

function StepFields({ n, step, choices, faults, onChange }: StepProps) {
  const say = useSay()
  const bleeds = step.what.startsWith('bleed ')
  const field = (name: 'does' | 'shows' | 'leastS' | 'mostS' | 'calibrates', label: string) => (
    <label className="grid gap-1">
      <span className="text-sm">{label}</span>
      <input
        className="input"
        aria-label={`${label}, step ${n}`}
        value={step[name]}
        autoComplete="off"
        inputMode={name === 'leastS' || name === 'mostS' ? 'decimal' : undefined}
        onChange={(event) => onChange({ [name]: event.target.value })}
      />
    </label>
  )
  return (
    <div className="grid gap-2">
      <div className="grid items-end gap-2 md:grid-cols-[2rem_7rem_14rem_1fr]">
        <strong className="text-xl" aria-hidden="true">
          {n}
        </strong>
        <label className="grid gap-1">
          <span className="text-sm">Who</span>
          <select
            className="input"
            aria-label={`Who, step ${n}`}
            value={step.who}
            onChange={(event) => onChange({ who: event.target.value })}
          >
            {procedureActors.map((who) => (
              <option key={who} value={who}>
                {actors[who]}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          <span className="text-sm">What happens</span>
          <select
            className="input"
            aria-label={`What happens, step ${n}`}
            value={step.what}
            onChange={(event) => onChange({ what: event.target.value })}
          >
            {choices.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
        {field('does', 'What to do, in a line')}
      </div>
      <details open={step.shows !== '' || step.awaits !== '' || step.what === 'calibrate'}>
        <summary>
          What the tool says, and what is waited for<span className="sr-only">, step {n}</span>
        </summary>
        <div className="mt-1 grid gap-2 md:grid-cols-[1fr_12rem_6rem_6rem]">
          {field('shows', 'The tool’s words')}
          {!bleeds && (
            <label className="grid gap-1">
              <span className="text-sm">Waits until</span>
              <select
                className="input"
                aria-label={`Waits until, step ${n}`}
                value={step.awaits}
                onChange={(event) => onChange({ awaits: event.target.value })}
              >
                <option value="">nothing</option>
                {awaitables.map((awaits) => (
                  <option key={awaits} value={awaits}>
                    {say({ code: `came-${awaits}` })}
                  </option>
                ))}
              </select>
            </label>
          )}
          {!bleeds && field('leastS', 'At least, s')}
          {!bleeds && field('mostS', 'At most, s')}
          {step.what === 'calibrate' && field('calibrates', 'What is calibrated')}
          <label className="choice min-h-12 md:col-span-2">
            <input
              type="checkbox"
              checked={step.beginsAgain}
              onChange={(event) => onChange({ beginsAgain: event.target.checked })}
            />
            <span>After a break it goes on from here</span>
          </label>
        </div>
      </details>
      {faults.map(({ path, message }) => (
        <p key={path + message} role="alert" className="fault">
          Step {n}: {message}.
        </p>
      ))}
    </div>
  )
}
