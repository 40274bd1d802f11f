import { getFormProps, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useRef, useState } from 'react'
import { data, Form, redirect } from 'react-router'
import { z } from 'zod'
import { BoilingChart } from '~/components/chart/boiling-chart'
import { Choices, NoteField, TextField } from '~/components/field'
import { FormRefusal } from '~/components/form-refusal'
import { Reasons } from '~/components/reasons'
import { verdictWords } from '~/components/words'
import { database } from '~/context'
import { findJob } from '~/db/jobs.server'
import { shopSettings } from '~/db/settings.server'
import { requiredDecimal, requiredQuantity, typedIn, withUnits } from '~/lib/fields'
import { newId } from '~/lib/ids'
import { recordOrReply } from '~/lib/record-event.server'
import { orNotFound } from '~/lib/require'
import { useFieldText, useShow } from '~/lib/units'
import { ImpossibleInput } from '~core/fault'
import type { FluidSpec } from '~core/fluids'
import { type MoistureReading, type MoistureVerdict, moistureVerdict } from '~core/moisture/verdict'
import { readingPlaces } from '~core/plan/request'
import type { Route } from './+types/test'

const kinds = {
  'water-pct': { label: 'Water, %', unit: '%', max: 100 },
  'boiling-c': { label: 'Boiling point', unit: '°C', max: 400 },
  'copper-ppm': { label: 'Copper, ppm', unit: 'ppm', max: 100_000 },
  megohm: { label: 'Resistance, MΩ', unit: 'MΩ', max: 100_000 },
  none: { label: 'No reading taken', unit: '', max: 0 },
} as const

/** A reading with its place, or why there is none. */
const testFormSchema = z.intersection(
  z.object({ eventId: z.string(), tester: z.string().max(200, 'At most 200 characters.').default('') }),
  z.discriminatedUnion(
    'kind',
    [
      readingOf('water-pct'),
      readingOf('boiling-c'),
      readingOf('copper-ppm'),
      readingOf('megohm'),
      z.object({
        kind: z.literal('none'),
        why: z.string('Say why no reading was taken.').max(2000, 'At most 2000 characters.'),
      }),
    ],
    { error: 'Pick what was measured, or that nothing was.' },
  ),
)

function readingOf<K extends Exclude<keyof typeof kinds, 'none'>>(kind: K) {
  const { max, unit } = kinds[kind]
  const missing = 'Give what the tester showed.'
  return z.object({
    kind: z.literal(kind),
    value:
      kind === 'boiling-c'
        ? requiredQuantity('temperature', { min: 0, max }, missing)
        : requiredDecimal({ min: 0, max, unit }, missing),
    at: z.enum(readingPlaces, 'Say where the sample was taken.'),
  })
}

export async function loader({ params, context }: Route.LoaderArgs) {
  const state = orNotFound(await findJob(context.get(database), params.jobId))
  if (!state.checkIn) throw redirect(`/jobs/${params.jobId}/check-in`)
  return {
    spec: state.vehicle.fluid.spec,
    heightM: (await shopSettings(context.get(database))).heightM,
    before: state.tested,
    locked: state.run?.plateConfirmed === true || state.filed !== undefined,
    eventId: newId(),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await request.formData()
  const submission = parseWithZod(withUnits(form), { schema: testFormSchema })
  if (submission.status !== 'success') return data(submission.reply(), { status: 400 })
  const { eventId, tester, ...rest } = submission.value
  const what =
    rest.kind === 'none'
      ? { notTakenWhy: rest.why }
      : { reading: { kind: rest.kind, value: rest.value, at: rest.at } }
  const act = { id: eventId, type: 'tested' as const, tester, typed: typedIn(form), ...what }
  const refused = await recordOrReply(context, params.jobId, act, (formErrors) =>
    submission.reply({ formErrors }),
  )
  return refused ?? redirect(`/jobs/${params.jobId}/plan`)
}

export default function TestPage({ loaderData, actionData }: Route.ComponentProps) {
  const { spec, heightM, before, locked, eventId } = loaderData
  const form = useRef<HTMLFormElement>(null)
  const [kind, setKind] = useState<keyof typeof kinds>(
    before?.notTakenWhy === undefined ? (before?.reading?.kind ?? 'water-pct') : 'none',
  )
  const [reading, setReading] = useState(before?.reading)
  const text = useFieldText()
  const [meta, fields] = useForm({
    lastResult: actionData,
    defaultValue: {
      kind,
      value:
        before?.reading?.kind === 'boiling-c'
          ? text('temperature', before.reading.value)
          : before?.reading?.value.toString(),
      at: before?.reading?.at ?? 'reservoir',
      tester: before?.tester,
      why: before?.notTakenWhy,
    },
    onValidate: ({ formData }) => parseWithZod(withUnits(formData), { schema: testFormSchema }),
    shouldRevalidate: 'onInput',
  })
  function follow() {
    if (!form.current) return
    const typed = withUnits(new FormData(form.current))
    setKind((typed.get('kind') as keyof typeof kinds | null) ?? 'water-pct')
    typed.set('eventId', 'draft')
    const read = parseWithZod(typed, { schema: testFormSchema })
    setReading(
      read.status === 'success' && read.value.kind !== 'none'
        ? { kind: read.value.kind, value: read.value.value, at: read.value.at }
        : undefined,
    )
  }
  const judged = reading && judge(spec, reading, heightM)
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[2fr_3fr]">
      <title>Test · Ruddy Siphon</title>
      <Form method="post" {...getFormProps(meta)} ref={form} onChange={follow} className="panel">
        <fieldset disabled={locked} className="grid gap-5">
          <h1 className="text-2xl">Test the fluid</h1>
          <input type="hidden" name="eventId" value={eventId} />
          <FormRefusal errors={meta.errors} />
          <Choices
            field={fields.kind}
            legend="What was measured?"
            options={Object.entries(kinds).map(([value, { label }]) => ({ value, label }))}
            columns="grid-cols-2"
          />
          {kind === 'none' ? (
            <NoteField field={fields.why} label="Why not?" />
          ) : (
            <>
              <TextField
                key={kind}
                field={fields.value}
                label="The tester shows"
                {...(kind === 'boiling-c'
                  ? { quantity: 'temperature' }
                  : { unit: kinds[kind].unit, decimal: true })}
              />
              <Choices
                field={fields.at}
                legend="Sample taken from"
                options={[
                  { value: 'reservoir', label: 'the reservoir' },
                  { value: 'caliper', label: 'a caliper (older fluid)' },
                ]}
              />
            </>
          )}
          <TextField field={fields.tester} label="Tester" hint="Which instrument, for the record." />
          {locked ? (
            <p className="font-bold">The bleed has begun, so this stands as it is.</p>
          ) : (
            <button type="submit" className="button button-main">
              {before ? 'Correct the test' : 'Tested: go on to the plan'}
            </button>
          )}
        </fieldset>
      </Form>
      <div className="grid gap-5">
        <section className="panel">
          <h2>How it boils: {spec} by the water in it</h2>
          <BoilingChart spec={spec} waterPct={judged?.waterPct} boilingC={judged?.boilingC} />
        </section>
        <Verdict judged={judged} />
      </div>
    </div>
  )
}

function judge(spec: FluidSpec, reading: MoistureReading, heightM: number): MoistureVerdict | undefined {
  try {
    return moistureVerdict(spec, reading, undefined, undefined, heightM)
  } catch (error) {
    // A value no fluid can have is faulted beside its field; there is nothing to judge meanwhile.
    if (error instanceof ImpossibleInput) return undefined
    throw error
  }
}

const verdictLooks = {
  keep: 'bg-enamel',
  watch: 'bg-oxide-wash',
  replace: 'bg-oxide text-on-oxide',
  retest: 'hatched',
}

function Verdict({ judged }: { judged?: MoistureVerdict }) {
  const show = useShow()
  return (
    <section className="panel" aria-live="polite">
      <h2>Verdict under the shop’s policy: replace at 3 % water, or at the wet boiling point</h2>
      {!judged && <p>Type what the tester shows.</p>}
      {judged && (
        <div className="grid gap-3">
          <div className="flex flex-wrap items-center gap-5">
            <p
              className={`border-2 border-ink px-4 py-2 text-2xl font-extrabold ${verdictLooks[judged.verdict]}`}
            >
              {verdictWords[judged.verdict]}
            </p>
            {judged.boilingC !== undefined && (
              <p className="text-xl">
                boils at about <strong>{show('temperature', judged.boilingC)}</strong>
                {judged.bandC !== undefined && ` ± ${show.apart('temperature', Math.ceil(judged.bandC))}`}
              </p>
            )}
          </div>
          <Reasons reasons={judged.reasons} />
        </div>
      )}
    </section>
  )
}
