/** In the address of a plan page: leave the order that was set by hand on a plan taken before. */
export const USUAL_ORDER = 'usualOrder'

/** The address with an order set by hand, or back to the usual one. */
export function withOrder(search: URLSearchParams, order: readonly string[] | 'usual'): URLSearchParams {
  const next = new URLSearchParams(search)
  next.delete('order')
  next.delete(USUAL_ORDER)
  if (order === 'usual') next.set(USUAL_ORDER, '1')
  else for (const id of order) next.append('order', id)
  return next
}
