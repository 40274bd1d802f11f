import { Link } from 'react-router'
import { ruleWords } from '~/lib/due-words'
import { showDate, upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import { ScrollsSideways } from '~/ui/scrolls-sideways'
import { routedBleeders } from '~core/vehicle/network'
import { partFact, partsOf } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import type { DueRow } from '~server/store/due.server'

type FactsProps = {
  vehicle: Vehicle
  vin: string
  odometer?: { km: number; at: string }
  due?: Pick<DueRow, 'likely' | 'rule' | 'limit_value'>
}

/** What its file says of the vehicle as a whole. */
export function VehicleFacts({ vehicle, vin, odometer, due }: FactsProps) {
  const say = useSay()
  const show = useShow()
  const facts: [string, string][] = [
    [
      'Kind',
      `${vehicle.kind}${vehicle.modelYear ? `, ${vehicle.modelYear}` : ''}, driver ${vehicle.driverSide}`,
    ],
    ...(odometer
      ? [
          ['Odometer', `${show('distance', odometer.km)} on ${showDate(odometer.at)}`] satisfies [
            string,
            string,
          ],
        ]
      : []),
    ...(due
      ? [
          ['Fluid due', `${showDate(due.likely)}: ${ruleWords(due.rule, due.limit_value, show)}`] satisfies [
            string,
            string,
          ],
        ]
      : []),
    ...(vin ? [['Identification', vin] satisfies [string, string]] : []),
    [
      'Fluid',
      `${vehicle.fluid.spec}${vehicle.fluid.alsoAllowed.length > 0 ? `; also allowed ${vehicle.fluid.alsoAllowed.join(', ')}` : ''}`,
    ],
    ...partsOf(vehicle, 'reservoir').map((reservoir): [string, string] => [
      reservoir.id === 'reservoir' ? 'Reservoir' : `Reservoir: ${reservoir.id}`,
      `${show('volume', reservoir.minMl)} at MIN, ${show('volume', reservoir.maxMl)} at MAX; cap ${reservoir.cap ?? 'not stated'}, seal ${reservoir.capSeal}${reservoir.levelSeen === undefined ? '' : `; level seen by ${reservoir.levelSeen.replace('-', ' ')}`}`,
    ]),
    ...partsOf(vehicle, 'master-cylinder').map((cylinder): [string, string] => [
      say(partFact(cylinder)),
      `${cylinder.chambers.map(({ boreMm, strokeMm }) => `${boreMm} × ${strokeMm} mm`).join(' and ')}, pedal ratio ${cylinder.pedalRatio}${cylinder.benchThread ? `, bench thread ${cylinder.benchThread}` : ''}`,
    ]),
    ...partsOf(vehicle, 'control-unit').map((unit): [string, string] => [
      say(partFact(unit)),
      `${show('volume', unit.volumeMl)}, routine ${unit.routine}`,
    ]),
  ]
  return (
    <Panel title="What is on it">
      <dl className="grid gap-x-4 gap-y-1.5 sm:grid-cols-[auto_1fr]">
        {facts.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="font-bold">{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </Panel>
  )
}

/** Units that offer a routine, and whose words it goes by. */
export function VehicleRoutines({ vehicle, id }: { vehicle: Vehicle; id: string }) {
  const say = useSay()
  const units = partsOf(vehicle, 'control-unit').filter(({ routine }) => routine !== 'none')
  if (units.length === 0) return null
  return (
    <Panel title="Routine of its unit">
      <ul className="grid gap-1">
        {units.map((unit) => (
          <li key={unit.id}>
            <Link
              to={`/vehicles/${id}/routine/${encodeURIComponent(unit.id)}`}
              className="flex min-h-12 items-center gap-1"
            >
              {upperFirst(say(partFact(unit)))}: {unit.procedure ? unit.procedure.name : 'a ready example'}
            </Link>
          </li>
        ))}
      </ul>
    </Panel>
  )
}

/** Where fluid is let out, and how far it runs to there. */
export function VehicleBleeders({ vehicle }: { vehicle: Vehicle }) {
  const say = useSay()
  const show = useShow()
  return (
    <Panel title="Bleeders and runs">
      <ScrollsSideways label="Bleeders and runs, the table">
        <table className="w-full text-left">
          <thead>
            <tr className="border-b-2 border-ink [&>th]:py-1.5 [&>th]:pr-4">
              <th scope="col">Bleeder</th>
              <th scope="col">On</th>
              <th scope="col" className="text-right">
                Run, {show.unit('run')}
              </th>
              <th scope="col" className="text-right">
                Spanner, mm
              </th>
              <th scope="col" className="text-right">
                Torque, {show.unit('torque')}
              </th>
            </tr>
          </thead>
          <tbody>
            {routedBleeders(vehicle).map(({ bleeder, part, route }) => (
              <tr key={bleeder.id} className="border-b border-rule [&>td]:py-1.5 [&>td]:pr-4">
                <td className="font-bold">{bleeder.id}</td>
                <td>
                  {say(partFact(part))}
                  {bleeder.access && <span className="block text-sm text-quiet">{bleeder.access}</span>}
                </td>
                <td className="text-right">
                  {route?.lines.some(({ id }) => vehicle.assumed?.includes(id ?? '')) && '≈ '}
                  {route ? show.number('run', route.lengthM) : 'at the source'}
                </td>
                <td className="text-right">{bleeder.wrenchMm ?? 'not known'}</td>
                <td className="text-right">
                  {bleeder.torqueNm === undefined ? 'maker’s' : show.number('torque', bleeder.torqueNm)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollsSideways>
      {vehicle.assumed && vehicle.assumed.length > 0 && (
        <p className="mt-3 text-sm text-quiet">
          ≈ usual lengths and sizes of its layout, not measured on this vehicle.
        </p>
      )}
    </Panel>
  )
}
