import { useMatches } from 'react-router'

/** What a station of a job says of itself, by its route's `handle`. */
export type Station = {
  /** Hands are on the vehicle: it goes by the live state, and while parked it shows how that stands and nothing else. */
  atVehicle?: true
  /** Its form begins from what was fetched, and is kept while somebody types. */
  form?: true
  /** It has no way out of its own, though a part may be away before anything is planned. */
  parksHere?: true
  /** A parked job may be looked at or filed here as it stands. */
  whileParked?: true
}

/** The station that is open. */
export const useStation = (): Station => (useMatches().at(-1)?.handle as Station | undefined) ?? {}
