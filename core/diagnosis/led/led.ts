import type { Decision, Fact } from '../../base/decision'
import type { Quantity } from '../../units/units'
import type { Vehicle } from '../../vehicle/schema'
import type { Complaint } from '../complaints'

/** A number that is measured, in metric. */
export type LedField = { id: string; label: Fact; quantity: Quantity; initial?: number }
export type Measured = Readonly<Record<string, number | undefined>>

/** A check that is measured rather than looked at: what is asked for, and which result the figures are. */
export type Led = {
  /** The check by its id. */
  check: string
  /** None where the vehicle's file does not say enough. */
  fields: (vehicle: Vehicle, complaint: Complaint) => readonly LedField[]
  /** @returns one of the check's results, and the part it is at where that is one; undefined until enough was measured */
  judge: (
    measured: Measured,
    vehicle: Vehicle,
    complaint: Complaint,
  ) => (Decision<string> & { at?: string }) | undefined
  /** Points of the curve that it makes, where it makes one: pressure in kPa, travel in mm. */
  curve?: (measured: Measured) => readonly { pressureKPa: number; travelMm: number }[]
}
