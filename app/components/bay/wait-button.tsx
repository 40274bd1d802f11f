import type { ByItself } from './press-by-itself'

/** Where the next press is called by itself: one large tap holds it back. */
export function WaitButton({ byItself: { on, waits, wait } }: { byItself: ByItself }) {
  if (!on) return null
  return (
    <button
      type="button"
      className={`button min-h-[72px] text-lg ${waits ? 'border-oxide bg-oxide-wash shadow-[inset_0_-6px_0_var(--color-oxide)]' : ''}`}
      onClick={() => wait(!waits)}
    >
      {waits ? 'Waiting: let the next press call itself' : 'Wait before the next press'}
    </button>
  )
}
