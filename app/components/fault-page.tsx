import { useEffect, useState } from 'react'
import { LinkButton } from '~/ui/button'

/** What a person sees where a page cannot be shown: what happened, and where to go from here. Never a stack. */
export function FaultPage({ status, sentence }: { status: number; sentence?: string }) {
  const reference = useReference()
  const missing = status === 404
  return (
    <main className="mx-auto grid max-w-3xl gap-4 p-8">
      <title>{missing ? 'Not here · Ruddy Siphon' : 'Fault · Ruddy Siphon'}</title>
      <p className="hatched border-2 border-ink p-3 text-5xl font-extrabold">{status}</p>
      <h1 className="text-3xl">
        {missing
          ? 'There is nothing at this address'
          : sentence
            ? status === 400
              ? 'That cannot be taken'
              : 'Nothing can be saved now'
            : 'Something broke on our side'}
      </h1>
      <p>
        {sentence ??
          (missing
            ? 'The vehicle or job may have another address, or the link was cut short. Nothing is lost.'
            : 'What was recorded before is kept. Go back and try again; if it breaks again, pass on the number below: it is in the server’s log.')}
      </p>
      {!missing && !sentence && reference && (
        <p>
          Reference number <strong className="plate">{reference}</strong>
        </p>
      )}
      <p>
        <LinkButton to="/" main reloadDocument>
          To the yard
        </LinkButton>
      </p>
    </main>
  )
}

/** The number that ties this fault to the server's log; the server leaves it in a cookie that lasts a minute. */
function useReference() {
  const [reference, setReference] = useState<string>()
  useEffect(() => setReference(/(?:^|;\s*)reference=(\w+)/.exec(document.cookie)?.[1]), [])
  return reference
}
