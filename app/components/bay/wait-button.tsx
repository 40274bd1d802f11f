import { Button } from '~/ui/button'
import type { ByItself } from './press-by-itself'

/** Where the next press is called by itself: one large tap holds it back. */
export function WaitButton({ byItself: { on, waits, wait } }: { byItself: ByItself }) {
  if (!on) return null
  return (
    <Button size="glove" chosen={waits} className="text-lg" onClick={() => wait(!waits)}>
      {waits ? 'Waiting: let the next press call itself' : 'Wait before the next press'}
    </Button>
  )
}
