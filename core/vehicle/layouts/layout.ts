import { type Fact, fact } from '../../base/decision'
import type { Vehicle } from '../schema'

/** A kind of hydraulics to begin a new vehicle from. A new one is one file and one line in the registry. */
export type Layout = {
  id: string
  /** A vehicle with these hydraulics: its parts, what joins them, and usual sizes. */
  pattern: unknown
  /** Usual distances of such a vehicle, to begin with. @source from memory */
  wheelbaseMm: number
  trackMm: number
}

/** What is asked for a new vehicle before anything else is changed. */
export type LayoutAnswers = {
  name: string
  driverSide: Vehicle['driverSide']
  wheelbaseMm: number
  trackMm: number
  /** Marks of the first reservoir; further ones keep their share of it. */
  maxMl: number
  minMl: number
  fluidSpec: Vehicle['fluid']['spec']
}

/** What a layout is picked by, and what tells it from its neighbours. */
export const layoutFact = ({ id }: Pick<Layout, 'id'>): Fact => fact(`layout-${id}`)
export const layoutAbout = ({ id }: Pick<Layout, 'id'>): Fact => fact(`layout-${id}-about`)
