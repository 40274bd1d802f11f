import { getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useRef, useState } from 'react'
import { data, redirect } from 'react-router'
import { BoilingChart } from '~/components/chart/boiling-chart'
import { FormRefusal } from '~/components/form-refusal'
import { JudgementPanel } from '~/components/judgement'
import { typedIn, withUnits } from '~/lib/fields'
import { newId } from '~/lib/ids'
import { orNotFound } from '~/lib/require'
import type { Station } from '~/routes/job/station'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { Choices, NoteField, TextField } from '~/ui/field'
import { FormPanel } from '~/ui/form-panel'
import { LoneLink } from '~/ui/lone-link'
import { Panel } from '~/ui/panel'
import { ImpossibleInput } from '~core/base/fault'
import { type FluidCase, judgeFluid } from '~core/fluid/judge'
import type { Judgement } from '~core/fluid/judgement'
import type { LimitsInUse } from '~core/fluid/policy/policy'
import { type TesterId, testerIds, testerTitle } from '~core/fluid/testers'
import { sayMetric } from '~core/words'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordOrReply } from '~server/http/record-event.server'
import { judgedBy } from '~server/services/judged.server'
import { devicePort } from '~server/store/device-ports.server'
import { findJob } from '~server/store/jobs.server'
import type { Route } from './+types/test'
import { ProductFields } from './product-fields'
import { ReadNow } from './read-now'
import { ReadingFields } from './reading-fields'
import { NO_READING, type Tested, type TestFields, testFormSchema } from './test-form'
import { otherThan, useStartingFields } from './use-starting-fields'

export const handle: Station = { form: true, parksHere: true }

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = await jobOnPage(context, params.jobId)
  if (!state.checkIn) throw redirect(`/jobs/${params.jobId}/check-in`)
  return {
    ...(await judgedBy(db, state)),
    vehicleId: state.vehicleId,
    colour: state.checkIn.colour,
    before: state.tested,
    port: await devicePort(db, 'tester'),
    locked: state.run?.plateConfirmed === true || state.filed !== undefined,
    eventId: newId(),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await request.formData()
  const submission = parseWithZod(withUnits(form), { schema: testFormSchema })
  if (submission.status !== 'success') return data(submission.reply(), { status: 400 })
  const { readings, product, notTakenWhy, tool } = submission.value
  const db = context.get(database)
  const { base, limits } = await judgedBy(db, orNotFound(await findJob(db, params.jobId)))
  const judged = judge({ ...base, readings, product }, limits)
  if (readings.length > 0 && !judged.ok)
    return data(submission.reply({ fieldErrors: { value: [judged.fault] } }), { status: 400 })
  const act = {
    id: String(form.get('eventId')),
    type: 'tested' as const,
    tester: tool,
    typed: typedIn(form),
    readings,
    product,
    notTakenWhy,
    heightM: base.heightM,
    judged: judged.ok ? judged.value : undefined,
  }
  const refused = await recordOrReply(context, params.jobId, act, (formErrors) =>
    submission.reply({ formErrors }),
  )
  return refused ?? redirect(`/jobs/${params.jobId}/plan`)
}

type Judged = { ok: true; value: Judgement } | { ok: false; fault: string }

/** The judgement, or what about the readings nothing can have. */
function judge(of: FluidCase, limits: LimitsInUse): Judged {
  try {
    return { ok: true, value: judgeFluid(of, limits) }
  } catch (error) {
    if (error instanceof ImpossibleInput) return { ok: false, fault: `Check the reading: ${error.message}.` }
    throw error
  }
}

const testerChoices = testerIds.map((value) => ({ value, label: sayMetric(testerTitle(value)) }))

export default function TestPage({ loaderData, actionData }: Route.ComponentProps) {
  const { base, limits, hardUse, before, port, locked, eventId, vehicleId } = loaderData
  const form = useRef<HTMLFormElement>(null)
  const starting = useStartingFields(loaderData)
  const [tester, setTester] = useState<TesterId | typeof NO_READING>(starting.tester)
  const [second, setSecond] = useState<TesterId | undefined>(starting.tester2)
  const [typed, setTyped] = useState({ readings: before?.readings ?? [], product: loaderData.product })
  const [meta, fields] = useForm<TestFields, Tested>({
    lastResult: actionData,
    defaultValue: starting,
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: testFormSchema }),
    shouldRevalidate: 'onInput',
  })
  function follow() {
    if (!form.current) return
    const given = withUnits(new FormData(form.current))
    const chosen = (given.get('tester') as TesterId | typeof NO_READING | null) ?? 'percent-meter'
    // What another tester showed is not what this one shows.
    if (chosen !== tester) meta.update({ name: fields.value.name, value: '', validated: false })
    setTester(chosen)
    setSecond((given.get('tester2') as TesterId | null) ?? undefined)
    const read = parseWithZod(given, { schema: testFormSchema })
    if (read.status === 'success') setTyped({ readings: read.value.readings, product: read.value.product })
    else setTyped((was) => ({ ...was, readings: [] }))
  }
  const judged =
    tester !== NO_READING && typed.readings.length === 0
      ? undefined
      : judge(
          { ...base, readings: tester === NO_READING ? [] : typed.readings, product: typed.product },
          limits,
        )
  const value = judged?.ok ? judged.value : undefined
  const taken = (nth: '' | '2') => (
    <ReadNow
      port={port}
      nth={nth}
      form={form}
      onRead={(id) => (nth === '' ? setTester(id) : setSecond(id))}
    />
  )
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[2fr_3fr]">
      <title>Test · Ruddy Siphon</title>
      <FormPanel {...getFormProps(meta)} ref={form} onChange={follow}>
        <fieldset disabled={locked} className="grid gap-5">
          <h1 className="text-2xl">Test the fluid</h1>
          <input type="hidden" name="eventId" value={eventId} />
          <FormRefusal errors={meta.errors} />
          <Choices
            field={fields.tester}
            legend="What was it tested with?"
            options={[...testerChoices, { value: NO_READING, label: 'No reading taken' }]}
            columns="grid-cols-2"
          />
          {tester === NO_READING ? (
            <NoteField field={fields.why} label="Why not?" />
          ) : (
            <ReadingFields tester={tester} value={fields.value} at={fields.at} who="The tester">
              {taken('')}
            </ReadingFields>
          )}
          {tester !== NO_READING && second === undefined && (
            <Button className="justify-self-start" onClick={() => setSecond(otherThan(tester))}>
              Add a second reading
            </Button>
          )}
          {tester !== NO_READING && second !== undefined && (
            <section className="grid gap-4 border-t-2 border-rule pt-4" aria-label="Second reading">
              <label className="grid gap-1">
                <span className="field-label">Second tester</span>
                <select
                  name="tester2"
                  className="input"
                  value={second}
                  onChange={(event) => {
                    meta.update({ name: fields.value2.name, value: '', validated: false })
                    setSecond(event.target.value as TesterId)
                  }}
                >
                  {testerChoices.map(({ value: id, label }) => (
                    <option key={id} value={id}>
                      {label}
                    </option>
                  ))}
                </select>
              </label>
              <ReadingFields tester={second} value={fields.value2} at={fields.at2} who="The second tester">
                {taken('2')}
              </ReadingFields>
              <Button className="justify-self-start" onClick={() => setSecond(undefined)}>
                Leave the second reading out
              </Button>
            </section>
          )}
          <ProductFields fields={fields} open={loaderData.product !== undefined} spec={base.spec} />
          <TextField
            field={fields.tool}
            label="Which instrument"
            hint="Its name or number, for the record."
          />
          {locked ? (
            <p className="font-bold">The bleed has begun, so this stands as it is.</p>
          ) : (
            <ActionBar>
              <Button type="submit" main>
                {before ? 'Correct the test' : 'Tested: go on to the plan'}
              </Button>
            </ActionBar>
          )}
        </fieldset>
      </FormPanel>
      <div className="grid gap-5">
        <Panel>
          <h2>How it boils: {base.spec} by the water in it</h2>
          <BoilingChart
            spec={base.spec}
            waterPct={value?.waterPct?.likely}
            boilingC={value?.boilingC?.likely}
            pair={typed.product}
            limitPct={limits.water}
            className="h-64"
          />
          <LoneLink to={`/vehicles/${vehicleId}/fluid`}>Readings and exchanges of this vehicle</LoneLink>
        </Panel>
        <JudgementPanel judged={value} hardUse={hardUse} />
        {judged && !judged.ok && <p className="fault">{judged.fault}</p>}
      </div>
    </div>
  )
}
