import { data } from 'react-router'

/** Any address nobody else answers for. */
export function loader() {
  throw data(null, { status: 404 })
}

export default function NotFound() {
  return null
}
