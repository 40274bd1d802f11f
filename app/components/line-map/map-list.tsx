import { useSay } from '~/lib/say'
import { airPlaces } from '~core/linemap/air-places'
import { lineLengthM, routedBleeders } from '~core/vehicle/network'
import { partFact } from '~core/vehicle/parts'
import type { Line, Part, Vehicle } from '~core/vehicle/schema'
import { type BleederMark, stateWords } from './marks'

type Props = { vehicle: Vehicle; marks: readonly BleederMark[] }

/** Everything the map shows, in words. */
export function MapList({ vehicle, marks }: Props) {
  const say = useSay()
  const circuits = [...new Set(vehicle.lines.map(({ circuit }) => circuit))]
  const air = airPlaces(vehicle)
  return (
    <details className="mt-2">
      <summary className="flex items-center font-bold">The map as a list</summary>
      <div className="grid gap-3 text-sm">
        <section>
          <h3 className="font-bold">Parts</h3>
          <ul>
            {vehicle.parts.map((part) => (
              <li key={part.id} className="wrap-anywhere">
                {say(partFact(part))} ({part.id}){feedOf(part)}
              </li>
            ))}
          </ul>
        </section>
        {circuits.map((circuit) => (
          <section key={circuit}>
            <h3 className="font-bold">Circuit {circuit}</h3>
            <ul>
              {vehicle.lines
                .filter((line) => line.circuit === circuit)
                .map((line) => (
                  <li key={line.id ?? `${line.from} ${line.to}`} className="wrap-anywhere">
                    {line.from} to {line.to}: {lineLengthM(line).toFixed(2)} m ({segmentsOf(line)})
                  </li>
                ))}
            </ul>
          </section>
        ))}
        <section>
          <h3 className="font-bold">Bleeders</h3>
          <ol>
            {inOrder(vehicle, marks).map(({ bleeder, part, route, mark }) => (
              <li key={bleeder.id} className="wrap-anywhere">
                {mark && `${mark.label}: `}
                {bleeder.id} on the {say(partFact(part))}
                {route && `, run ${route.lengthM.toFixed(2)} m`}
                {mark && `, ${stateWords[mark.state]}`}
              </li>
            ))}
          </ol>
        </section>
        {air.length > 0 && (
          <section>
            <h3 className="font-bold">Where air is kept</h3>
            <ul>
              {air.map(({ partId, why }) => (
                <li key={partId}>{say(why)}</li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </details>
  )
}

function inOrder(vehicle: Vehicle, marks: readonly BleederMark[]) {
  const place = (id: string) => {
    const at = marks.findIndex((mark) => mark.id === id)
    return at < 0 ? marks.length : at
  }
  return routedBleeders(vehicle)
    .map((placed) => ({ ...placed, mark: marks.find(({ id }) => id === placed.bleeder.id) }))
    .sort((a, b) => place(a.bleeder.id) - place(b.bleeder.id))
}

const feedOf = (part: Part) => ('fedBy' in part && part.fedBy ? `, fed by ${part.fedBy}` : '')

const segmentsOf = ({ segments }: Line) =>
  segments
    .map(({ kind, lengthM, boreMm }) => `${kind} ${lengthM.toFixed(2)} m × ${boreMm} mm`)
    .join(', then ')
