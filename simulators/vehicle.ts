import { readFileSync } from 'node:fs'
import { faultLine } from '~core/base/fault'
import { examples } from '~core/vehicle/examples'
import { readVehicle } from '~core/vehicle/read-vehicle'
import type { Vehicle } from '~core/vehicle/schema'

/** The vehicle behind a stand-in: the file that it was started with, else a van; the process ends where that is none. */
export function vehicleFromArguments(): Vehicle {
  const [file] = process.argv.slice(2)
  const read = readVehicle(
    file === undefined ? examples['parcel-van']?.file : JSON.parse(readFileSync(file, 'utf8')),
  )
  if (read.ok) return read.value
  for (const fault of read.faults) console.error(faultLine(fault))
  process.exit(2)
}
