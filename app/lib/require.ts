import { data } from 'react-router'

/** The value, or a 404 with its own page. */
export function orNotFound<T>(value: T | undefined): T {
  if (value === undefined) throw data(null, { status: 404 })
  return value
}
