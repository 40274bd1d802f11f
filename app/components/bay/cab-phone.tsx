import { useEffect, useRef } from 'react'
import { useFetcher } from 'react-router'
import { Button } from '~/ui/button'
import type { PhoneLink } from '~core/cab/agree'
import { BayDialog } from './bay-dialog'
import { type CabCode, CodeShown, phoneLinks } from './code-shown'

/** The phone in the cab: how it stands, and the way to link one. */
export function CabPhone({ jobId, cab, link }: { jobId: string; cab?: CabCode; link: PhoneLink }) {
  const fetcher = useFetcher()
  const send = (intent: string) =>
    void fetcher.submit({ intent }, { method: 'post', action: `/jobs/${jobId}/cab` })
  return (
    <BayDialog
      trigger={cab || link !== 'none' ? `Cab phone: ${phoneLinks[link]}` : 'Link a phone for the cab'}
      title="The helper’s phone"
      wide
    >
      {(close) => (
        <>
          <CloseOnceLinked link={link} close={close} />
          {link !== 'none' ? (
            <div className="grid gap-4">
              <p role="status" className="text-2xl font-bold">
                {phoneLinks[link]}
              </p>
              <p className="text-lg">
                One phone holds this cab, for this job only; it ends when the job is filed. Another phone
                takes over with a code of its own, and this one is told.
              </p>
              <CabActs send={send} />
            </div>
          ) : cab ? (
            <CodeShown cab={cab} link={link}>
              <CabActs send={send} />
            </CodeShown>
          ) : (
            <div className="grid gap-4">
              <p className="text-lg">
                The phone shows whoever sits in the cab one word, and sends back that they press, hold, or
                have let go.
              </p>
              <Button
                main
                size="glove"
                className="text-xl"
                disabled={fetcher.state !== 'idle'}
                onClick={() => send('link')}
              >
                Make a code for it
              </Button>
            </div>
          )}
        </>
      )}
    </BayDialog>
  )
}

/** A phone that links while its code is shown needs the sheet no longer; one that was linked before does not close it. */
function CloseOnceLinked({ link, close }: { link: PhoneLink; close: () => void }) {
  const before = useRef(link)
  useEffect(() => {
    if (before.current === 'none' && link === 'linked') close()
    before.current = link
  }, [link, close])
  return null
}

function CabActs({ send }: { send: (intent: string) => void }) {
  return (
    <div className="flex flex-wrap gap-3">
      <Button size="finger" onClick={() => send('link')}>
        Another code
      </Button>
      <Button size="finger" onClick={() => send('unlink')}>
        No phone: the wheel speaks for the cab
      </Button>
    </div>
  )
}
