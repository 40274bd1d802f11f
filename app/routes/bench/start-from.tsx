import { Form, useSubmit } from 'react-router'

type Choice = { id: string; name: string }
type Props = { pageId: string; jobs: Choice[]; vehicles: Choice[]; chosen: string }

/** The inputs of a job's or a vehicle's own file, instead of the page's example. */
export function StartFrom({ pageId, jobs, vehicles, chosen }: Props) {
  const submit = useSubmit()
  return (
    <Form className="print:hidden">
      <label htmlFor="start-from" className="field-label">
        Start from
      </label>
      <select
        id="start-from"
        className="input"
        value={chosen}
        onChange={(event) => {
          const [kind = '', ...id] = event.target.value.split(' ')
          void submit(kind === '' ? {} : { [kind]: id.join(' ') }, { action: `/bench/${pageId}` })
        }}
      >
        <option value="">an example</option>
        <optgroup label="A job in the yard">
          {jobs.map(({ id, name }) => (
            <option key={id} value={`job ${id}`}>
              {name}
            </option>
          ))}
        </optgroup>
        <optgroup label="A vehicle">
          {vehicles.map(({ id, name }) => (
            <option key={id} value={`vehicle ${id}`}>
              {name}
            </option>
          ))}
        </optgroup>
      </select>
    </Form>
  )
}
