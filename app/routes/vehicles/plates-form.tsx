import { useState } from 'react'
import { Form } from 'react-router'
import { Button } from '~/ui/button'
import { VinNote } from './vin-note'

/** What hangs on the vehicle and is stamped into it: no part of its file, so no version of it. */
export function PlatesForm({ plate, vin }: { plate: string; vin: string }) {
  const [typed, setTyped] = useState(vin)
  return (
    <Form method="post" className="grid items-start gap-3 sm:grid-cols-[1fr_2fr_auto]">
      <label className="grid gap-1">
        <span className="field-label">Plate</span>
        <input name="plate" className="input" maxLength={20} autoComplete="off" defaultValue={plate} />
      </label>
      <div>
        <label className="grid gap-1">
          <span className="field-label">Identification number</span>
          <input
            name="vin"
            className="input"
            maxLength={40}
            autoComplete="off"
            value={typed}
            onChange={(event) => setTyped(event.currentTarget.value)}
          />
        </label>
        <VinNote vin={typed} />
      </div>
      <Button type="submit" name="intent" value="plates" className="sm:mt-7">
        Save plate and number
      </Button>
    </Form>
  )
}
