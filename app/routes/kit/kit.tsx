import { useForm } from '@conform-to/react'
import { Swatch } from '~/components/swatch'
import { orNotFound } from '~/lib/require'
import { ActionBar } from '~/ui/action-bar'
import { Button, type ControlSize, FileButton, LinkButton } from '~/ui/button'
import { Choices, NoteField, TextField } from '~/ui/field'
import { FormPanel } from '~/ui/form-panel'
import { LoneFileLink, LoneLink } from '~/ui/lone-link'
import { Notice, type NoticeKind } from '~/ui/notice'
import { Panel, PanelLink } from '~/ui/panel'
import { ScrollsSideways } from '~/ui/scrolls-sideways'
import { SheetButton } from '~/ui/sheet'

/** For whoever builds screens: it stands in the demo and in no shop. */
export function loader() {
  orNotFound(process.env.SIPHON_DEMO)
  return null
}

const sizes: Record<ControlSize, string> = {
  desk: 'Desk, 48 px',
  finger: 'Finger, 56 px',
  glove: 'Glove, 72 px',
  call: 'Call, 96 px',
}
const notices: Record<NoticeKind, string> = {
  said: 'Said: this plan was taken, and the work has begun under it.',
  mind: 'To be minded: it came back.',
  wrong: 'Wrong in what was given: say why the order is changed.',
  stop: 'Stops the work: the fluid found is not known.',
}

/** Every part of the kit, in every state and size; by day or by night as the whole page is. */
export default function Kit() {
  return (
    <>
      <title>Kit · Ruddy Siphon</title>
      <h1 className="mb-4 text-3xl">The kit of parts</h1>
      <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-2">
        <Buttons />
        <div className="grid gap-5">
          <Notices />
          <Fields />
          <Small />
        </div>
      </div>
    </>
  )
}

const Buttons = () => (
  <Panel title="Buttons" className="grid gap-3">
    {(Object.keys(sizes) as ControlSize[]).map((size) => (
      <div key={size} className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        <Button size={size}>{sizes[size]}</Button>
        <Button size={size} main>
          The main one
        </Button>
        <Button size={size} chosen>
          Picked
        </Button>
        <Button size={size} alarm>
          <span aria-hidden="true">✗</span> Went wrong
        </Button>
        <Button size={size} disabled>
          Not now
        </Button>
        <Button size={size} main disabled>
          Nor this
        </Button>
        <LinkButton size={size} to="/kit">
          Leads on
        </LinkButton>
        <FileButton size={size} href="/favicon.svg" download>
          A file
        </FileButton>
      </div>
    ))}
  </Panel>
)

const Notices = () => (
  <Panel title="Notices" className="grid gap-3">
    {(Object.keys(notices) as NoticeKind[]).map((kind) => (
      <Notice key={kind} kind={kind}>
        {notices[kind]}
      </Notice>
    ))}
  </Panel>
)

type KitForm = { amount: string; faulty: string; note: string; colour: string }

function Fields() {
  const [, fields] = useForm<KitForm>({
    defaultValue: { amount: '350', faulty: 'plenty', colour: 'brown' },
    lastResult: {
      status: 'error',
      initialValue: { amount: '350', faulty: 'plenty', colour: 'brown' },
      error: { faulty: ['Give a number, like 3.1 or 3,1.'] },
    },
  })
  return (
    <FormPanel className="grid gap-4" aria-label="Fields" onSubmit={(event) => event.preventDefault()}>
      <h2>Fields</h2>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField field={fields.amount} label="In the reservoir now" quantity="volume" hint="MIN 180" />
        <TextField field={fields.faulty} label="The tester shows" unit="%" />
      </div>
      <Choices
        field={fields.colour}
        legend="Colour"
        options={(['new', 'brown', 'black'] as const).map((value) => ({
          value,
          label: value,
          picture: <Swatch colour={value} />,
        }))}
        columns="grid-cols-3"
      />
      <NoteField field={fields.note} label="Note" />
      <ActionBar>
        <Button main>What the form is there for</Button>
      </ActionBar>
    </FormPanel>
  )
}

const Small = () => (
  <Panel title="Small things" className="grid gap-2">
    <PanelLink to="/kit">A panel that leads on as a whole</PanelLink>
    <p>
      <span className="plate text-xl">GNT 107</span> a plate; <span className="fault">a fault beside it</span>
    </p>
    <div className="flex flex-wrap gap-x-5">
      <LoneLink to="/kit">A link that stands by itself</LoneLink>
      <LoneFileLink href="/favicon.svg" download>
        and one to a file
      </LoneFileLink>
    </div>
    <ScrollsSideways label="A wide table">
      <table className="min-w-[60rem] text-left">
        <tbody>
          <tr>
            <td>What is wider than a phone moves by itself, by finger and by keys.</td>
            <td className="text-right">The page stays.</td>
          </tr>
        </tbody>
      </table>
    </ScrollsSideways>
    <SheetButton trigger="What lies over a page" title="A sheet">
      {(close) => (
        <>
          <p>Until it is answered or laid aside.</p>
          <Button onClick={close}>Lay aside</Button>
        </>
      )}
    </SheetButton>
    <details>
      <summary>What opens</summary>
      <p>and what it held.</p>
    </details>
    <progress aria-label="Part of it" value={0.4} />
  </Panel>
)
