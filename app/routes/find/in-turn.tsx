import { useState } from 'react'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { fact } from '~core/base/decision'

type Props = {
  places: readonly { id: string; name: string }[]
  /** What it shows where there is nothing, and where there is something. */
  results: readonly [nothing: string, something: string]
  locked: boolean
  onResult: (result: string, at?: string) => void
}

/** One place after the other, until one shows it or all were tried. */
export function InTurn({ places, results: [nothing, something], locked, onResult }: Props) {
  const say = useSay()
  const [tried, setTried] = useState(0)
  const here = places[tried]
  if (!here) return null
  const last = tried === places.length - 1
  return (
    <div className="grid gap-3">
      <p className="text-xl">
        {tried + 1} of {places.length}: <strong>{here.name}</strong>
      </p>
      <div className="grid gap-3 sm:grid-cols-2">
        <Button
          disabled={locked}
          size="glove"
          className="text-xl"
          onClick={() => (last ? onResult(nothing) : setTried(tried + 1))}
        >
          {say(fact(`result-${nothing}`))}
          {last ? ', none of them' : ': on to the next'}
        </Button>
        <Button
          disabled={locked}
          size="glove"
          className="text-xl"
          onClick={() => onResult(something, here.id)}
        >
          {say(fact(`result-${something}`))}
        </Button>
      </div>
    </div>
  )
}
