import { createContext } from 'react-router'
import type { Person } from '~core/job/events'
import type { JobState } from '~core/job/state'
import { metricUnits, type Units } from '~core/units/units'
import type { Database } from '~server/db/database.server'

/** What the server hands to every loader, action and middleware, by `context.get(…)`. */
export const database = createContext<Database>()
/** Lets this page's own inline scripts run under the content security policy. */
export const scriptNonce = createContext<string>()
/** Ties a fault page to the server's log. */
export const faultReference = createContext<string>()
/** Jobs that this request's page has asked for. */
export const jobsOnPage = createContext<Map<string, Promise<JobState | undefined>>>()
/** Who is at this screen; the middleware of the root lets nobody in without one, but to say who they are. */
export const personHere = createContext<Person | null>(null)
/** The units that whoever is at this screen sees in. */
export const unitsHere = createContext<Units>(metricUnits)
/** Where a request came from, so that guessing can be slowed down. */
export const cameFrom = createContext<string>()
