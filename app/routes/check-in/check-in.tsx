import { type DefaultValue, getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useRef, useState } from 'react'
import { data, Form, redirect } from 'react-router'
import { LineMap } from '~/components/line-map/line-map'
import { typedIn, withUnits } from '~/lib/fields'
import { newId } from '~/lib/ids'
import { orNotFound } from '~/lib/require'
import { useFieldText } from '~/lib/units'
import type { Station } from '~/routes/job/station'
import { WhatThatMeans } from '~/routes/test/what-that-means'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import type { CheckIn } from '~core/job/events'
import { reasonIds } from '~core/plan/request'
import { partsOf } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordOrReply } from '~server/http/record-event.server'
import { findJob } from '~server/store/jobs.server'
import { shopSettings } from '~server/store/settings.server'
import type { Route } from './+types/check-in'
import { type CheckInForm, type CheckInTyped, checkInFormSchema, checkInOf } from './check-in-form'
import { FluidSection } from './fluid-section'
import { WearSection } from './wear-section'
import { pickedIn, WorkSection } from './work-section'

export const handle: Station = { form: true, parksHere: true }

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const state = await jobOnPage(context, params.jobId)
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
  const picked = pickedIn(draft)
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
          <WorkSection vehicle={vehicle} fields={fields} draft={draft} errors={meta.errors} />
          <FluidSection vehicle={vehicle} fields={fields} />
          <WearSection vehicle={vehicle} fields={fields} />
        </div>
        <aside className="grid gap-5 lg:sticky lg:top-4">
          <Panel aria-label="Line map">
            <LineMap
              vehicle={vehicle}
              picked={picked}
              onPick={locked ? undefined : pick}
              className="[&_.lm-sheet]:max-h-[44vh]"
            />
          </Panel>
          <WhatThatMeans vehicle={vehicle} draft={draft} scopeSchool={scopeSchool} />
          {locked && <p className="font-bold">The bleed has begun, so this stands as it is.</p>}
        </aside>
        {!locked && (
          <ActionBar className="lg:col-span-2">
            <Button type="submit" main>
              {before ? 'Correct the check-in' : 'Checked in: go on to the test'}
            </Button>
          </ActionBar>
        )}
      </fieldset>
    </Form>
  )
}
