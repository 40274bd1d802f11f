import { type DefaultValue, getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useRef, useState } from 'react'
import { data, Form, Link, redirect } from 'react-router'
import { Choices, NoteField, TextField } from '~/components/field'
import { FormRefusal } from '~/components/form-refusal'
import { LineMap } from '~/components/line-map/line-map'
import { Swatch } from '~/components/swatch'
import { WhatThatMeans } from '~/components/what-that-means'
import { reasonNames } from '~/components/words'
import { database } from '~/context'
import { findJob } from '~/db/jobs.server'
import { shopSettings } from '~/db/settings.server'
import { type CheckInForm, type CheckInTyped, checkInFormSchema, checkInOf } from '~/lib/check-in-form'
import { typedIn, withUnits } from '~/lib/fields'
import { upperFirst } from '~/lib/format'
import { newId } from '~/lib/ids'
import { recordOrReply } from '~/lib/record-event.server'
import { orNotFound } from '~/lib/require'
import { useSay } from '~/lib/say'
import { useFieldText, useShow } from '~/lib/units'
import { fluidSpecs } from '~core/fluid/specs'
import { colourFact, colours } from '~core/fluid/specs/colour'
import type { CheckIn } from '~core/job/events'
import { reasonIds } from '~core/plan/request'
import { wheelsOff } from '~core/plan/wheels-off'
import { partFact, partsOf, reservoirFact } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import type { Route } from './+types/check-in'

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  const { scopeSchool } = await shopSettings(context.get(database))
  return {
    vehicle: state.vehicle,
    before: state.checkIn,
    asked: askedWork(new URL(request.url).searchParams),
    locked: state.run?.plateConfirmed === true || state.filed !== undefined,
    eventId: newId(),
    scopeSchool,
  }
}

/** Work that the fault finder asks for, put in before anybody types. */
function askedWork(
  address: URLSearchParams,
): Pick<CheckInTyped, 'reason' | 'opened' | 'replaced'> | undefined {
  const reason = reasonIds.find((id) => id === address.get('reason'))
  return reason && { reason, opened: address.getAll('opened'), replaced: address.getAll('replaced') }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await request.formData()
  const submission = parseWithZod(withUnits(form), { schema: checkInFormSchema })
  if (submission.status !== 'success') return data(submission.reply(), { status: 400 })
  const { vehicle, tested } = orNotFound(await findJob(context.get(database), params.jobId))
  const act = {
    id: submission.value.eventId,
    type: 'checked-in' as const,
    checkIn: checkInOf(submission.value, vehicle, typedIn(form)),
  }
  const refused = await recordOrReply(context, params.jobId, act, (formErrors) =>
    submission.reply({ formErrors }),
  )
  // A reading that stands is looked at once more: what it was judged by may be what was corrected.
  return refused ?? redirect(tested ? `/jobs/${params.jobId}/test` : `/jobs/${params.jobId}`)
}

function typedBefore(
  before: CheckIn | undefined,
  vehicle: Vehicle,
  text: ReturnType<typeof useFieldText>,
): DefaultValue<CheckInTyped> {
  const brakes = partsOf(vehicle, 'wheel-brake')
  const reservoirs = partsOf(vehicle, 'reservoir')
  // A field for every brake and reservoir from the start, filled or not.
  if (!before)
    return { fluidFound: 'as-specified', wear: brakes.map(() => ''), levelMl: reservoirs.map(() => '') }
  const { work } = before
  return {
    reason: work.reason,
    opened: work.opened,
    replaced: work.replaced,
    state: [
      work.ranDry && 'ranDry',
      work.systemEmpty && 'systemEmpty',
      before.portsStayedCovered && 'portsStayedCovered',
    ].filter((each) => typeof each === 'string'),
    wheels: work.wheelsOff ? brakes.map(({ id }) => id).filter((id) => !work.wheelsOff?.includes(id)) : [],
    pistonsHome: work.pistonsHome ?? [],
    colour: before.colour,
    fluidFound: work.fluidFound ?? 'as-specified',
    levelMl: reservoirs.map(({ id }, i) =>
      text('volume', work.levelMl?.[id] ?? (i === 0 ? before.levelMl : undefined)),
    ),
    wear: brakes.map((brake) => work.padWearMm[brake.id]?.toString() ?? ''),
    odometerKm: text('distance', before.odometerKm),
    bay: before.bay,
    note: before.note,
  }
}

export default function CheckInPage({ loaderData, actionData }: Route.ComponentProps) {
  const { vehicle, before, asked, locked, eventId, scopeSchool } = loaderData
  const form = useRef<HTMLFormElement>(null)
  const [draft, setDraft] = useState(before)
  const [meta, fields] = useForm<CheckInTyped, CheckInForm>({
    lastResult: actionData,
    defaultValue: { ...typedBefore(before, vehicle, useFieldText()), ...asked },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: checkInFormSchema }),
    shouldRevalidate: 'onInput',
  })
  function follow() {
    if (!form.current) return
    const read = parseWithZod(withUnits(new FormData(form.current)), {
      schema: checkInFormSchema.partial({ reason: true, colour: true }),
    })
    if (read.status === 'success')
      setDraft(
        checkInOf(
          { ...read.value, reason: read.value.reason ?? 'repair', colour: read.value.colour ?? 'new' },
          vehicle,
        ),
      )
  }
  function pick(id: string) {
    const box = form.current?.querySelector<HTMLInputElement>(
      `input[name="opened"][value="${CSS.escape(id)}"]`,
    )
    box?.click()
  }
  const show = useShow()
  const say = useSay()
  const brakes = partsOf(vehicle, 'wheel-brake')
  const reservoirs = partsOf(vehicle, 'reservoir')
  const things = [
    ...vehicle.parts.map((part) => ({
      value: part.id,
      label: `${say(partFact(part))}${say(partFact(part)) === part.id ? '' : ` (${part.id})`}`,
    })),
    ...vehicle.lines.map(({ id = '' }) => ({ value: id, label: `line: ${id}` })),
  ]
  const picked = [...(draft?.work.opened ?? []), ...(draft?.work.replaced ?? [])]
  return (
    <Form
      method="post"
      {...getFormProps(meta)}
      ref={form}
      onChange={follow}
      className="grid items-start gap-5 lg:grid-cols-[3fr_2fr]"
    >
      <title>Check in · Ruddy Siphon</title>
      <input type="hidden" name="eventId" value={eventId} />
      <fieldset disabled={locked} className="contents">
        <div className="grid gap-5">
          <section className="panel grid gap-5">
            <div className="flex flex-wrap items-baseline justify-between gap-3">
              <h1 className="text-2xl">Check in</h1>
              <Link to="../pedal" relative="path">
                Feel the pedal first, before anything is opened
              </Link>
            </div>
            <FormRefusal errors={meta.errors} />
            <TextField
              field={fields.bay}
              label="Where does it stand?"
              hint="Like Bay 2; shown large on every screen of this job"
            />
            <Choices
              field={fields.reason}
              legend="Why is it here?"
              options={Object.entries(reasonNames).map(([value, label]) => ({ value, label }))}
              columns="sm:grid-cols-2 xl:grid-cols-4"
            />
            <details open={picked.length > 0} className="border-2 border-rule p-3">
              <summary className="min-h-8 cursor-pointer font-bold">
                What was opened or replaced?
                <span className="font-normal text-quiet">
                  {picked.length === 0
                    ? ' Nothing so far; tap it on the map or open this list.'
                    : ` ${picked.join(', ')}`}
                </span>
              </summary>
              <div className="mt-3 grid gap-4">
                <Choices
                  field={fields.opened}
                  legend="Opened"
                  options={things}
                  columns="sm:grid-cols-2"
                  multiple
                />
                <Choices
                  field={fields.replaced}
                  legend="Replaced with new"
                  options={things}
                  columns="sm:grid-cols-2"
                  multiple
                />
              </div>
            </details>
            <Choices
              field={fields.state}
              legend="Did it run dry?"
              options={[
                { value: 'ranDry', label: 'The reservoir ran dry' },
                { value: 'systemEmpty', label: 'The whole system is empty' },
                {
                  value: 'portsStayedCovered',
                  label: 'Below MIN, but its ports stayed covered: no air went in',
                },
              ]}
              multiple
            />
          </section>
          <section className="panel grid gap-5">
            <h2>What is in it</h2>
            <Choices
              field={fields.colour}
              legend="Colour in the reservoir"
              options={colours.map((value) => ({
                value,
                label: say(colourFact(value)),
                picture: <Swatch colour={value} />,
              }))}
              columns="grid-cols-2 sm:grid-cols-3"
            />
            <Choices
              field={fields.fluidFound}
              legend="Which fluid is in it?"
              options={[
                { value: 'as-specified', label: `As called for: ${vehicle.fluid.spec}` },
                ...fluidSpecs
                  .filter((spec) => spec !== vehicle.fluid.spec)
                  .map((spec) => ({ value: spec, label: spec === 'mineral' ? 'Mineral oil' : spec })),
                { value: 'unknown', label: 'Not known' },
              ]}
              columns="grid-cols-2 sm:grid-cols-3"
            />
          </section>
          <section className="panel grid gap-5">
            <h2>Level and wear</h2>
            <div className="grid gap-4 sm:grid-cols-2">
              {fields.levelMl.getFieldList().map((field, i) => {
                const reservoir = reservoirs[i]
                return (
                  reservoir && (
                    <TextField
                      key={reservoir.id}
                      field={field}
                      label={`In ${say(reservoirFact(vehicle, reservoir.id))} now`}
                      quantity="volume"
                      hint={`MIN ${show.number('volume', reservoir.minMl)}, MAX ${show('volume', reservoir.maxMl)}`}
                    />
                  )
                )
              })}
              <TextField field={fields.odometerKm} label="Odometer" quantity="distance" />
            </div>
            {wheelsOff(vehicle, {}).length > 0 && (
              <Choices
                field={fields.wheels}
                legend="Wheels that stay on: their bleeders are reached as it stands"
                options={brakes.map((brake) => ({
                  value: brake.id,
                  label: upperFirst(say(partFact(brake))),
                }))}
                multiple
              />
            )}
            <Choices
              field={fields.pistonsHome}
              legend="New pads: pistons that are pressed home before the bleed"
              options={brakes.map((brake) => ({ value: brake.id, label: upperFirst(say(partFact(brake))) }))}
              columns="grid-cols-2"
              multiple
            />
            <fieldset>
              <legend className="field-label">
                How far each piston stands out by wear (floating caliper: both pads and the disc)
              </legend>
              <div className="grid gap-4 sm:grid-cols-2">
                {fields.wear.getFieldList().map((field, i) => {
                  const brake = brakes[i]
                  return (
                    brake && (
                      <TextField
                        key={brake.id}
                        field={field}
                        label={say(partFact(brake))}
                        unit="mm"
                        decimal
                        hint={`On file: ${brake.padWearMm} mm`}
                      />
                    )
                  )
                })}
              </div>
            </fieldset>
            <NoteField field={fields.note} label="Wet places, lamps, what the driver said" />
          </section>
        </div>
        <aside className="grid gap-5 lg:sticky lg:top-4">
          <section className="panel" aria-label="Line map">
            <LineMap
              vehicle={vehicle}
              picked={picked}
              onPick={locked ? undefined : pick}
              className="[&_.lm-sheet]:max-h-[44vh]"
            />
          </section>
          <WhatThatMeans vehicle={vehicle} draft={draft} scopeSchool={scopeSchool} />
          {locked ? (
            <p className="font-bold">The bleed has begun, so this stands as it is.</p>
          ) : (
            <button type="submit" className="button button-main">
              {before ? 'Correct the check-in' : 'Checked in: go on to the test'}
            </button>
          )}
        </aside>
      </fieldset>
    </Form>
  )
}
