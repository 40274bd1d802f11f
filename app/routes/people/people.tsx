import { data, Form } from 'react-router'
import { counted } from '~/lib/format'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { Notice } from '~/ui/notice'
import { Panel } from '~/ui/panel'
import type { Person } from '~core/job/events'
import { cameFrom, database, personHere } from '~server/http/context.server'
import {
  addPerson,
  changePin,
  checkPin,
  listPeople,
  personLeft,
  unlockPerson,
  wrongPinsFor,
} from '~server/store/people.server'
import type { Route } from './+types/people'
import { EASY, newPersonSchema, pinSchema } from './person-form'

export async function loader({ request, context }: Route.LoaderArgs) {
  const people = await listPeople(context.get(database))
  return {
    people: people.map((person) => ({ ...person, wrongPins: wrongPinsFor(person.id) })),
    here: context.get(personHere) ?? undefined,
    easyPin: new URL(request.url).searchParams.has(EASY),
  }
}

export async function action({ request, context }: Route.ActionArgs) {
  const db = context.get(database)
  const here = context.get(personHere) ?? undefined
  const form = Object.fromEntries(await request.formData()) as Record<string, string>
  const answer = (at: string, fault?: string, name = '') =>
    data({ at, fault, name }, { status: fault === undefined ? 200 : 400 })
  if (form.intent === 'add') {
    const read = newPersonSchema.safeParse(form)
    if (!read.success) return answer('add', read.error.issues[0]?.message, form.name)
    const added = await addPerson(db, read.data.name, read.data.pin, here)
    return added.ok ? answer('add') : answer('add', added.fault.text, form.name)
  }
  if (form.intent === 'pin' && here) {
    const next = pinSchema.safeParse(form.next)
    if (!next.success) return answer('pin', next.error.issues[0]?.message)
    const checked = await checkPin(db, here.id, form.pin ?? '', new Date(), context.get(cameFrom))
    if (!checked.ok) return answer('pin', checked.fault.text)
    await changePin(db, here.id, next.data)
    return answer('pin')
  }
  if (form.intent === 'unlock') {
    unlockPerson(form.person ?? '')
    return answer('unlock')
  }
  if (form.intent === 'left' && form.person !== here?.id) {
    await personLeft(db, form.person ?? '', new Date())
    return answer('left')
  }
  return answer('left', 'Somebody else says that you no longer work here.')
}

export default function People({ loaderData: { people, here, easyPin }, actionData }: Route.ComponentProps) {
  const faultAt = (at: string) => (actionData?.at === at ? actionData.fault : undefined)
  const doneAt = (at: string) => actionData?.at === at && actionData.fault === undefined
  const addForm = (
    <FormPanel className="grid gap-3" key={doneAt('add') ? people.length : 'add'}>
      <h2>Add somebody</h2>
      <Line label="Name" name="name" first={actionData?.name} />
      <Line label="Their own PIN, 4 to 8 digits" name="pin" secret />
      <Fault text={faultAt('add')} />
      <ActionBar>
        <Button type="submit" name="intent" value="add" main>
          Add
        </Button>
      </ActionBar>
    </FormPanel>
  )
  const ownPin = (
    <FormPanel className="grid gap-3" key="pin">
      <h2>{here?.name}: another PIN</h2>
      {easyPin && !doneAt('pin') && (
        <Notice role="alert" kind="mind">
          Anybody guesses the PIN that you have: choose another. Whatever is recorded with it bears your name.
        </Notice>
      )}
      <Line label="PIN now" name="pin" secret />
      <Line label="New PIN, 4 to 8 digits" name="next" secret />
      <Fault text={faultAt('pin')} />
      <Button type="submit" name="intent" value="pin" main={easyPin}>
        Change it
      </Button>
      {doneAt('pin') && <p role="status">Changed.</p>}
    </FormPanel>
  )
  return (
    <div className="mx-auto grid max-w-4xl items-start gap-5 md:grid-cols-2">
      <title>People · Ruddy Siphon</title>
      <Panel className="md:row-span-2">
        <h1 className="mb-3 text-2xl">People</h1>
        <p className="mb-3 text-quiet">
          Whatever is recorded bears the name of who is at the screen. A name stays on its records when its
          person has gone.
        </p>
        <ul className="grid gap-2">
          {people.map((person) => (
            <Somebody key={person.id} person={person} isHere={person.id === here?.id} />
          ))}
        </ul>
        <Fault text={faultAt('left')} />
      </Panel>
      {easyPin ? [ownPin, addForm] : [addForm, ownPin]}
    </div>
  )
}

function Somebody({ person, isHere }: { person: Person & { wrongPins: number }; isHere: boolean }) {
  return (
    <li className="flex min-h-12 items-center justify-between gap-3 border-2 border-rule bg-enamel px-3">
      <span className="wrap-anywhere">
        {person.name}
        {isHere && <span className="text-quiet"> at this screen</span>}
        {person.wrongPins > 0 && (
          <span className="block text-sm">{counted(person.wrongPins, 'wrong PIN')} since</span>
        )}
      </span>
      {person.wrongPins > 0 && (
        <Form method="post" className="ml-auto">
          <input type="hidden" name="person" value={person.id} />
          <Button type="submit" name="intent" value="unlock" aria-label={`Unlock ${person.name}`}>
            Unlock
          </Button>
        </Form>
      )}
      {!isHere && (
        <Form method="post">
          <input type="hidden" name="person" value={person.id} />
          <button
            type="submit"
            name="intent"
            value="left"
            className="min-h-12 underline"
            aria-label={`${person.name}, no longer here`}
          >
            no longer here
          </button>
        </Form>
      )}
    </li>
  )
}

function Line({
  label,
  name,
  first,
  secret = false,
}: {
  label: string
  name: string
  first?: string
  secret?: boolean
}) {
  return (
    <label className="grid gap-1">
      <span className="field-label">{label}</span>
      <input
        name={name}
        className="input"
        type={secret ? 'password' : 'text'}
        inputMode={secret ? 'numeric' : undefined}
        autoComplete="off"
        defaultValue={first}
        maxLength={secret ? 8 : 80}
        required
      />
    </label>
  )
}

function Fault({ text }: { text?: string }) {
  if (text === undefined) return null
  return (
    <p role="alert" className="fault">
      {text}
    </p>
  )
}
