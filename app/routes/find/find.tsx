import { Form, useNavigate, useNavigation } from 'react-router'
import { fromAddress, toAddress } from '~/lib/fault-address'
import { orNotFound } from '~/lib/require'
import { Button } from '~/ui/button'
import { caseFaults, historySchema } from '~core/diagnosis/request'
import type { FaultFinding } from '~core/job/events/fault-looked'
import { database } from '~server/http/context.server'
import { ownCases } from '~server/store/fault-cases.server'
import { shopPrices } from '~server/store/settings.server'
import { findVehicle, listVehicles } from '~server/store/vehicles.server'
import type { Route } from './+types/find'
import { FaultFinder } from './fault-finder'

export async function loader({ request, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const address = new URL(request.url).searchParams
  const vehicleId = address.get('vehicle') || undefined
  const stored = vehicleId === undefined ? undefined : orNotFound(await findVehicle(db, vehicleId))
  const finding = fromAddress(address)
  return {
    finding,
    costs: await shopPrices(db),
    own: finding && (await ownCases(db, finding.complaint)),
    vehicleId,
    vehicle: stored?.vehicle,
    vehicles: (await listVehicles(db)).map(({ id, plate, name }) => ({ id, name: `${plate}, ${name}` })),
  }
}

/** Nothing is recorded here: the search stands in the address, so that going back takes an answer back. */
export default function FindPage({ loaderData }: Route.ComponentProps) {
  const { finding, vehicle, vehicleId, vehicles, own, costs } = loaderData
  const navigate = useNavigate()
  // Whoever says what it does while the vehicle is still on its way means that vehicle.
  const onItsWay = new URLSearchParams(useNavigation().location?.search).get('vehicle')
  const taken = onItsWay ?? vehicleId ?? ''
  const from = taken === '' ? '' : `&vehicle=${encodeURIComponent(taken)}`
  const go = (next: FaultFinding) => navigate(`/find?${toAddress(next)}${from}`)
  const of = finding && {
    complaint: finding.complaint,
    found: finding.found,
    tried: finding.tried,
    own,
    ...(vehicle && { vehicle }),
    history: historySchema.parse({}),
    costs,
  }
  const faults = of ? caseFaults(of) : []
  return (
    <>
      <title>Fault finder · Ruddy Siphon</title>
      <FaultFinder
        of={faults.length > 0 ? undefined : of}
        was={finding?.was}
        fault={faults[0]?.message}
        vehicle={vehicle}
        onFinding={go}
        onAnew={() => navigate(`/find?${from}`)}
        aside={
          <Form className="flex flex-wrap items-end gap-2">
            {finding &&
              [...toAddress(finding)].map(([name, value]) => (
                <input key={`${name} ${value}`} type="hidden" name={name} value={value} />
              ))}
            <label className="grid gap-1">
              <span className="field-label">Which vehicle</span>
              <select name="vehicle" className="input" defaultValue={vehicleId ?? ''}>
                <option value="">None of these</option>
                {vehicles.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <Button type="submit">Take this one</Button>
          </Form>
        }
      />
    </>
  )
}
