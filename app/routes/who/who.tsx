import { useState } from 'react'
import { data, Form, redirect, useNavigation } from 'react-router'
import { z } from 'zod'
import { whyNoPin } from '~/lib/pin'
import { EASY_PIN, newPersonSchema } from '~/routes/people/person-form'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { LoneFileLink } from '~/ui/lone-link'
import type { Database } from '~server/db/database.server'
import { cameFrom, database, personHere } from '~server/http/context.server'
import { log } from '~server/http/log.server'
import { backTo, screenCookie, screenToken } from '~server/http/who.server'
import { screenLeft } from '~server/live/hub.server'
import { isFirstCode } from '~server/services/first-code.server'
import { addPerson, checkPin, leaveScreen, listPeople, takeScreen } from '~server/store/people.server'
import type { Route } from './+types/who'
import { PinPad } from './pin-pad'

export async function loader({ request, context }: Route.LoaderArgs) {
  const people = await listPeople(context.get(database))
  return {
    people,
    here: context.get(personHere) ?? undefined,
    to: backTo(new URL(request.url).searchParams.get('to')),
  }
}

const takeSchema = z.object({ person: z.string('Pick who you are.'), pin: z.string() })

export async function action({ request, context }: Route.ActionArgs) {
  const db = context.get(database)
  const form = Object.fromEntries(await request.formData())
  const to = backTo(String(form.to ?? ''))
  const now = new Date()
  const refuse = (fault: string, name = '') => data({ fault, name }, { status: 400 })
  const token = screenToken(request)
  if (form.intent === 'leave') {
    if (token) await left(db, token)
    throw redirect('/who', { headers: { 'Set-Cookie': screenCookie('') } })
  }
  let personId: string
  let goTo = to
  if (form.intent === 'first') {
    const read = newPersonSchema.safeParse(form)
    if (!read.success) return refuse(read.error.issues[0]?.message ?? '', String(form.name ?? ''))
    if (!isFirstCode(String(form.code ?? '')))
      return refuse('That is not the code. It stands where the program was started.', read.data.name)
    const added = await addPerson(db, read.data.name, read.data.pin)
    if (!added.ok) return refuse(added.fault.text, read.data.name)
    personId = added.person.id
  } else {
    const read = takeSchema.safeParse(form)
    if (!read.success) return refuse(read.error.issues[0]?.message ?? '')
    const checked = await checkPin(db, read.data.person, read.data.pin, now, context.get(cameFrom))
    if (!checked.ok) {
      log.warn(
        { person: read.data.person, from: context.get(cameFrom), code: checked.fault.code },
        'not let in',
      )
      return refuse(checked.fault.text)
    }
    personId = checked.person.id
    // One of before such PINs were refused still opens, or a whole shop would stand still some morning.
    if (whyNoPin(read.data.pin) !== undefined) goTo = EASY_PIN
  }
  // Whoever was here before is not any more: work from now on bears one name.
  if (token) await left(db, token)
  throw redirect(goTo, { headers: { 'Set-Cookie': screenCookie(await takeScreen(db, personId, now)) } })
}

async function left(db: Database, token: string): Promise<void> {
  await leaveScreen(db, token)
  screenLeft(token)
}

export default function Who({ loaderData: { people, here, to }, actionData }: Route.ComponentProps) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-4xl content-center gap-4 p-4 md:gap-6 md:p-6">
      <title>Who is here · Ruddy Siphon</title>
      <h1 className="text-2xl md:text-4xl">Who is at this screen?</h1>
      {people.length === 0 ? (
        <FirstPerson to={to} fault={actionData?.fault} name={actionData?.name} />
      ) : (
        <Picker people={people} hereId={here?.id} to={to} fault={actionData?.fault} />
      )}
      {here && (
        <Form method="post" className="flex items-center gap-4">
          <Button type="submit" name="intent" value="leave">
            {here.name} leaves this screen
          </Button>
          <LoneFileLink href={to}>Back, still {here.name}</LoneFileLink>
        </Form>
      )}
    </main>
  )
}

type PickerProps = { people: { id: string; name: string }[]; hereId?: string; to: string; fault?: string }

function Picker({ people, hereId, to, fault }: PickerProps) {
  const [picked, setPicked] = useState<string>()
  const waiting = useNavigation().state !== 'idle'
  return (
    <FormPanel className="grid gap-4 md:grid-cols-2 md:gap-6">
      <input type="hidden" name="to" value={to} />
      <fieldset>
        <legend className="field-label">Everything recorded here bears this name</legend>
        <div className="grid max-h-[60vh] grid-cols-2 gap-2 overflow-y-auto md:grid-cols-1">
          {people.map(({ id, name }) => (
            <label key={id} className="choice min-h-[72px] text-lg md:text-xl">
              <input type="radio" name="person" value={id} onChange={() => setPicked(id)} required />
              <span className="wrap-anywhere">
                {name}
                {id === hereId && <span className="text-base text-quiet"> here now</span>}
              </span>
            </label>
          ))}
        </div>
      </fieldset>
      <PinPad key={picked} label="Your own PIN" disabled={picked === undefined} fault={fault}>
        <Button
          type="submit"
          main
          size="glove"
          className="text-xl"
          disabled={picked === undefined || waiting}
        >
          {waiting ? 'Looking…' : 'It is me'}
        </Button>
      </PinPad>
    </FormPanel>
  )
}

function FirstPerson({ to, fault, name }: { to: string; fault?: string; name?: string }) {
  return (
    <FormPanel className="grid gap-6 md:grid-cols-2">
      <input type="hidden" name="to" value={to} />
      <div className="grid content-start gap-4">
        <p>Nobody is known here yet. Add yourself; you add the others under People.</p>
        <label>
          <span className="field-label">Your name</span>
          <input name="name" className="input" defaultValue={name} autoComplete="off" required />
        </label>
        <label>
          <span className="field-label">The code from where this program was started</span>
          <input name="code" className="input font-mono uppercase" autoComplete="off" required />
        </label>
      </div>
      <PinPad label="A PIN of 4 to 8 digits, your own" fault={fault}>
        <Button type="submit" name="intent" value="first" main size="glove" className="text-xl">
          Add me
        </Button>
      </PinPad>
    </FormPanel>
  )
}
