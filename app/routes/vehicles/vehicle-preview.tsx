import { LineMap } from '~/components/line-map/line-map'
import { ownMarks } from '~/components/line-map/own-marks'
import { useSay } from '~/lib/say'
import { Panel } from '~/ui/panel'
import type { Reading } from '~core/base/fault'
import { routedBleeders } from '~core/vehicle/network'
import { partFact } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'

/** The vehicle as the answers make it so far: its map and the runs that follow. */
export function VehiclePreview({ made }: { made: Reading<Vehicle> }) {
  const say = useSay()
  if (!made.ok)
    return (
      <Panel aria-label="Line map">
        {made.faults.map(({ path, message }) => (
          <p key={path} className="fault">
            {message}
          </p>
        ))}
      </Panel>
    )
  const vehicle = made.value
  return (
    <aside className="grid grid-cols-1 gap-5 lg:sticky lg:top-4">
      <Panel aria-label="Line map">
        <LineMap vehicle={vehicle} marks={ownMarks(vehicle)} className="[&_.lm-sheet]:max-h-[46vh]" />
      </Panel>
      <Panel title="Runs from the cylinder">
        <ul className="grid gap-1">
          {routedBleeders(vehicle).map(({ bleeder, part, route }) => (
            <li key={bleeder.id} className="grid grid-cols-[4rem_1fr_auto] gap-3 border-b border-rule py-1">
              <strong>{bleeder.id}</strong>
              <span>{say(partFact(part))}</span>
              <span>{route ? `≈ ${route.lengthM.toFixed(2)} m` : 'at the source'}</span>
            </li>
          ))}
        </ul>
        <p className="mt-3 text-sm text-quiet">
          ≈ usual lengths and sizes for this layout, wheelbase and track, not measured. Spanners, torques and
          the maker’s order are left open: a guess would be worse than none.
        </p>
      </Panel>
    </aside>
  )
}
