export type DriverSide = 'left' | 'right' | 'centre'

/** A bleeder as the order sees it: where it is and how far fluid travels to it. */
export type OrderItem = {
  id: string
  lengthM: number
  circuit: string
  /** The part it sits on. */
  partId: string
  /** The lever that works it and the axle it is on: such brakes are a pair. Absent where a pedal or a pump works it. */
  leverPair?: string
  /** Position of its brake; absent for a clutch or a simulator. */
  position?: string
  /** Place among the bleeders of its own brake, lower or inboard first. */
  indexInPart: number
}

/** One way of ordering wheels. A new one is one file and one line in the registry. */
export type OrderSchool = {
  id: string
  arrange: (items: readonly OrderItem[], driverSide: DriverSide) => OrderItem[]
}
