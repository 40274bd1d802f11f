import { getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { data, redirect } from 'react-router'
import { FormRefusal } from '~/components/form-refusal'
import { typedIn, withUnits } from '~/lib/fields'
import { newId } from '~/lib/ids'
import { orNotFound } from '~/lib/require'
import { today } from '~/lib/today'
import { useShow } from '~/lib/units'
import { WasIt } from '~/routes/find/was-it'
import type { Station } from '~/routes/job/station'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { Choices, NoteField, TextField } from '~/ui/field'
import { FormPanel } from '~/ui/form-panel'
import { Notice } from '~/ui/notice'
import { cabPerson } from '~core/cab/person'
import { sharesOf } from '~core/diagnosis/shares'
import { faultCase } from '~core/job/fault-case'
import { filingRefusal, type Outcome } from '~core/job/filing'
import { followUpsFrom } from '~core/job/follow-ups'
import { checksFor, proofFact } from '~core/job/proofs/checks'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { jobTally, wasteMl } from '~core/job/tally'
import { allBleeders } from '~core/vehicle/parts'
import { cameFrom, database, personHere } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordOrReply } from '~server/http/record-event.server'
import { sayHere } from '~server/http/say.server'
import { knownToFit } from '~server/services/known-to-fit.server'
import { dueAfterFiling } from '~server/services/work-out-due.server'
import { findJob } from '~server/store/jobs.server'
import { checkPin, listPeople } from '~server/store/people.server'
import type { Route } from './+types/file'
import { Checker } from './checker'
import { LookedAtAgain, NextDue, outcomeOptions } from './ending'
import { fileFormSchema, NOBODY } from './file-form'
import { FittedFields } from './fitted-fields'
import { fittedFrom } from './fitted-form'

export const handle: Station = { form: true, whileParked: true }

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = await jobOnPage(context, params.jobId)
  if (state.filed) throw redirect(`/jobs/${params.jobId}/record`)
  const { people, parked, tested } = state
  const may = (outcome: Outcome) => filingRefusal(state, outcome) === undefined
  const say = sayHere(context)
  const here = context.get(personHere) ?? undefined
  // A phone in the cab signs for nothing.
  const workers = people.filter(({ id }) => id !== cabPerson.id)
  const unproved = checksFor(state).filter((check) => !state.proofs[check.id]?.passed)
  const bled = bleedDone(state)
  const due = await dueAfterFiling(db, state, today())
  return {
    mayDrive: may('fit'),
    mayDecline: may('declined'),
    mayKeep: may('kept'),
    judged: tested?.judged?.verdict,
    unproved: unproved.map(({ id }) => say(proofFact(id))),
    bled,
    parked: parked !== undefined,
    outMl: wasteMl(jobTally(state)),
    doneBy: (workers.length > 0 ? workers : here ? [here] : []).map(({ name }) => name).join(', '),
    others: (await listPeople(db)).filter(({ id }) => id !== here?.id),
    due,
    fitted: await knownToFit(db, params.jobId, state),
    again: followUpsFrom(state, today()),
    search: unendedSearch(state),
    eventId: newId(),
  }
}

/** A search for a fault that nobody has ended, and what it may have been, likeliest first. */
function unendedSearch(state: JobState) {
  const { faultFinding } = state
  if (!faultFinding || faultFinding.was !== undefined) return undefined
  return { finding: faultFinding, causes: sharesOf(faultCase(state, faultFinding)).map(({ id }) => id) }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await request.formData()
  const submission = parseWithZod(withUnits(form), { schema: fileFormSchema })
  // A PIN is not sent back to the page with what else was typed.
  const reply = (errors?: { fieldErrors?: Record<string, string[]>; formErrors?: string[] }) =>
    submission.reply({ ...errors, hideFields: ['checkPin'] })
  if (submission.status !== 'success') return data(reply(), { status: 400 })
  const { eventId, checkedBy, checkPin: pin, waterAfterPct, ...rest } = submission.value
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  const { vehicle } = state
  const fitted = fittedFrom(
    form,
    allBleeders(vehicle).map(({ bleeder }) => bleeder.id),
  )
  if (!fitted.ok) return data(reply({ formErrors: [fitted.fault] }), { status: 400 })
  const checker =
    checkedBy === NOBODY ? undefined : await checkPin(db, checkedBy, pin, new Date(), context.get(cameFrom))
  if (checker && !checker.ok)
    return data(reply({ fieldErrors: { checkPin: [checker.fault.text] } }), { status: 400 })
  const act = {
    id: eventId,
    type: 'filed' as const,
    on: today(),
    typed: typedIn(form),
    ...rest,
    ...(waterAfterPct !== undefined && {
      readingAfter: { tester: 'percent-meter' as const, value: waterAfterPct, at: 'reservoir' as const },
    }),
    nextDueByHand: rest.nextDue !== (await dueAfterFiling(db, state, today()))?.likely,
    checkedBy: checker?.person,
    fitted: fitted.fitted,
  }
  const refused = await recordOrReply(context, params.jobId, act, (formErrors) => reply({ formErrors }))
  return refused ?? redirect(`/jobs/${params.jobId}/record`)
}

export default function FilePage({ loaderData, actionData, params }: Route.ComponentProps) {
  const { mayDrive, mayDecline, mayKeep, judged, unproved, bled, parked, outMl, due, eventId } = loaderData
  const show = useShow()
  const [meta, fields] = useForm({
    lastResult: actionData,
    defaultValue: {
      outcome: mayDrive ? 'fit' : mayKeep && judged === 'keep' ? 'kept' : mayDecline ? undefined : 'not-fit',
      checkedBy: NOBODY,
      doneBy: loaderData.doneBy,
      wasteMl: show.number('volume', outMl),
      nextDue: due?.likely,
    },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: fileFormSchema }),
  })
  return (
    <>
      {loaderData.search && <WasIt jobId={params.jobId} {...loaderData.search} />}
      <FormPanel {...getFormProps(meta)} className="mx-auto mt-5 grid w-full max-w-4xl gap-5">
        <title>File · Ruddy Siphon</title>
        <h1 className="text-2xl">File it</h1>
        <input type="hidden" name="eventId" value={eventId} />
        <FormRefusal errors={meta.errors} />
        {!mayDrive && !mayDecline && (
          <Notice kind="stop" className="font-bold">
            {parked
              ? 'It is parked, as it was left. '
              : bled
                ? `Not proved: ${unproved.join(', ')}. `
                : 'The bleed is not finished. '}
            It can only be filed as not fit to drive, and it does not leave on its own wheels.
          </Notice>
        )}
        <Choices
          field={fields.outcome}
          legend="How does it end?"
          options={outcomeOptions({ mayDrive, mayKeep, mayDecline, judged })}
        />
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField field={fields.doneBy} label="Done by" />
          <TextField field={fields.wasteMl} label="Used fluid into the drum" quantity="volume" />
          <TextField
            field={fields.waterAfterPct}
            label="Water read in the new fluid"
            unit="%"
            decimal
            hint="By a percentage meter, for the record; may be left empty"
          />
          <Checker field={fields.checkedBy} pin={fields.checkPin} others={loaderData.others} />
          <NextDue field={fields.nextDue} due={due} />
        </div>
        {mayDrive && <LookedAtAgain again={loaderData.again} />}
        <FittedFields {...loaderData.fitted} />
        <NoteField field={fields.note} label="Note" />
        <ActionBar>
          <Button type="submit" main>
            File it: the record is frozen from here on
          </Button>
        </ActionBar>
      </FormPanel>
    </>
  )
}
