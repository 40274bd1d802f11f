import { useSay } from '~/lib/say'
import { vinWarning } from '~core/vehicle/vin'

/** What looks wrong in an identification number: said, never refused. */
export function VinNote({ vin }: { vin: string }) {
  const say = useSay()
  const warning = vinWarning(vin)
  return (
    <p role="status" className="mt-1 text-sm">
      {warning && (
        <>
          <strong>Look again:</strong> {say(warning)} It is kept as typed.
        </>
      )}
    </p>
  )
}
