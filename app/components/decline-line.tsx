import { useState } from 'react'
import { useFetcher } from 'react-router'
import { Button } from '~/ui/button'
import type { Fact } from '~core/base/decision'
import type { DeclinedLine } from '~core/job/events/line-declined'

type Props = { jobId: string; line: string; says: Fact; declined?: DeclinedLine; locked: boolean }

/** One line of an estimate that the customer does not want, with what was said; or wants after all. */
export function DeclineLine({ jobId, line, says, declined, locked }: Props) {
  const fetcher = useFetcher<{ refusal?: string }>()
  const [open, setOpen] = useState(false)
  const [note, setNote] = useState('')
  const busy = fetcher.state !== 'idle'
  const send = (more: { note: string; wanted?: true }) => {
    setOpen(false)
    fetcher.submit({ line, says, ...more } as never, {
      method: 'post',
      action: `/jobs/${jobId}/declined`,
      encType: 'application/json',
    })
  }
  if (declined)
    return (
      <p className="flex basis-full flex-wrap items-center justify-between gap-2">
        <span>
          <strong>Declined:</strong> {declined.note}
        </span>
        {!locked && (
          <Button className="px-3" disabled={busy} onClick={() => send({ note: '', wanted: true })}>
            Wanted after all
          </Button>
        )}
      </p>
    )
  if (locked) return null
  return (
    <>
      {open ? (
        <form
          className="flex basis-full flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            send({ note: note.trim() })
          }}
        >
          <label className="grid flex-1 gap-1">
            <span className="field-label">Who declined it, and why</span>
            <input
              className="input"
              value={note}
              onChange={(event) => setNote(event.target.value)}
              required
            />
          </label>
          <Button type="submit" disabled={busy || note.trim() === ''}>
            Declined
          </Button>
        </form>
      ) : (
        <Button className="px-3" disabled={busy} onClick={() => setOpen(true)}>
          Decline
        </Button>
      )}
      {fetcher.data?.refusal && (
        <p role="alert" className="fault">
          {fetcher.data.refusal}
        </p>
      )}
    </>
  )
}
