import { getFormProps, getInputProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { data, Link, redirect } from 'react-router'
import { FormRefusal } from '~/components/form-refusal'
import { typedIn, withUnits } from '~/lib/fields'
import { newId } from '~/lib/ids'
import { today } from '~/lib/today'
import { useShow } from '~/lib/units'
import type { Station } from '~/routes/job/station'
import { Button } from '~/ui/button'
import { DateInput } from '~/ui/date-input'
import { Faults, NoteField, TextField } from '~/ui/field'
import { FormPanel } from '~/ui/form-panel'
import { ScrollsSideways } from '~/ui/scrolls-sideways'
import type { Container } from '~core/job/events'
import { pointFact } from '~core/job/points'
import { pointsOnPaper } from '~core/job/selectors'
import { readCode } from '~core/stock/code'
import type { Queries } from '~server/db/database.server'
import { database, personHere } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordOrReply } from '~server/http/record-event.server'
import { sayHere } from '~server/http/say.server'
import { findContainer } from '~server/store/shelf.server'
import type { Route } from './+types/from-paper'
import { paperFormSchema } from './paper-form'
import { PaperRow, type RowFields } from './paper-row'

export const handle: Station = { form: true }

export async function loader({ params, context }: Route.LoaderArgs) {
  const state = await jobOnPage(context, params.jobId)
  const { run, vehicle, filed } = state
  const say = sayHere(context)
  if (!run || filed) throw redirect(`/jobs/${params.jobId}`)
  return {
    eventId: newId(),
    rows: pointsOnPaper(state).map(({ stage, point }) => ({
      stage,
      point,
      name: say(pointFact(vehicle, point)),
      plannedMl: run.stages[stage]?.stage.mlByBleeder?.[point],
    })),
    person: context.get(personHere)?.name ?? '',
    today: today(),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await request.formData()
  const submission = parseWithZod(withUnits(form), { schema: paperFormSchema })
  if (submission.status !== 'success') return data(submission.reply(), { status: 400 })
  const { eventId, ticked: _ticked, rows, code, ...rest } = submission.value
  const container = code === undefined ? undefined : await labelled(context.get(database), code)
  if (code !== undefined && !container)
    return data(
      submission.reply({
        fieldErrors: { code: ['There is no such label on the shelf: read it again, or leave it out.'] },
      }),
      { status: 400 },
    )
  const refused = await recordOrReply(
    context,
    params.jobId,
    { type: 'paper-entered', id: eventId, ...rest, container, points: rows, typed: typedIn(form) },
    (formErrors) => submission.reply({ formErrors }),
  )
  return refused ?? redirect(`/jobs/${params.jobId}/prove`)
}

/** The container that a label's code names, as an event keeps it. */
async function labelled(db: Queries, typed: string): Promise<Container | undefined> {
  const code = readCode(typed)
  const found = code === undefined ? undefined : await findContainer(db, code)
  if (!found) return undefined
  const { product, spec, batch, sizeMl, openedOn } = found
  return { code, product, spec, batch, sizeMl, openedOn }
}

/** A bleed done with the bay card in hand, entered afterwards; the record says that it was. */
export default function FromPaper({ loaderData, actionData, params }: Route.ComponentProps) {
  const { eventId, rows, person, today } = loaderData
  const show = useShow()
  const [meta, fields] = useForm({
    lastResult: actionData,
    defaultValue: {
      doneBy: person,
      doneOn: today,
      rows: rows.map(({ stage, point }) => ({ stage: String(stage), point, colour: '', bubbles: '' })),
    },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: paperFormSchema }),
  })
  const list = fields.rows.getFieldList()
  return (
    <FormPanel {...getFormProps(meta)} className="mx-auto grid w-full max-w-5xl gap-5">
      <title>From the bay card · Ruddy Siphon</title>
      <h1 className="text-2xl">Enter a bleed done from the bay card</h1>
      <p>
        As it stands on the card, nothing better. No call was led on the screen, and the record says so.{' '}
        <Link to={`/jobs/${params.jobId}/card`}>The card</Link>
      </p>
      <FormRefusal errors={meta.errors} />
      <input type="hidden" name="eventId" value={eventId} />
      <ScrollsSideways label="Amounts">
        <table className="w-full text-left [&_td]:p-1.5 [&_td]:align-top">
          <thead>
            <tr className="border-b-2 border-ink">
              <th scope="col">Stage</th>
              <th scope="col">Place</th>
              <th scope="col">Planned</th>
              <th scope="col">Out, {show.unit('volume')}</th>
              <th scope="col">Pulls</th>
              <th scope="col">Last colour</th>
              <th scope="col">Last bubbles</th>
            </tr>
          </thead>
          <tbody>
            {list.map((row, i) => {
              const { stage = 0, name = '', plannedMl } = rows[i] ?? {}
              return (
                <PaperRow
                  key={row.key}
                  fields={row.getFieldset() as unknown as RowFields}
                  stage={stage}
                  name={name}
                  plannedMl={plannedMl}
                />
              )
            })}
          </tbody>
        </table>
      </ScrollsSideways>
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField field={fields.inMl} label="Poured in" quantity="volume" />
        <TextField field={fields.drawnMl} label="Drawn out" quantity="volume" />
        <TextField field={fields.spilledMl} label="Spilled" quantity="volume" />
        <TextField
          field={fields.code}
          label="Label of the container"
          hint="Its code, like F4K7QM2X; empty where it was not the shelf’s"
        />
      </div>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField field={fields.doneBy} label="Done by" />
        <div>
          <label htmlFor={fields.doneOn.id} className="field-label">
            On
          </label>
          <DateInput {...getInputProps(fields.doneOn, { type: 'date' })} key={fields.doneOn.key} />
          <Faults field={fields.doneOn} />
        </div>
      </div>
      <NoteField field={fields.note} label="Note" />
      <div>
        <label className="choice w-fit">
          <input {...getInputProps(fields.ticked, { type: 'checkbox' })} key={fields.ticked.key} />
          Every step on the card is ticked, and what had to be held was held
        </label>
        <Faults field={fields.ticked} />
      </div>
      <Button type="submit" main className="justify-self-start text-lg">
        Enter it and go on to the proof
      </Button>
    </FormPanel>
  )
}
