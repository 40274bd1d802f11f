import { benchPageOf } from '~core/bench'
import { typedFrom, workBench } from '~core/bench/page'
import { showIn } from '~core/units/show'
import { metricUnits } from '~core/units/units'

/** A result carried from the Bench: what it says, and the address that shows it again. */
export type FromBench = { page: string; says: string; address: string }

const MOST_CARRIED = 5

/**
 * What an address carries from the Bench, worked out again here: nothing is taken at its word. What cannot be worked
 * out is left away.
 */
export function carriedFromBench(changes: URLSearchParams): FromBench[] {
  return changes
    .getAll('bench')
    .slice(0, MOST_CARRIED)
    .flatMap((carried) => {
      const [id, query = ''] = carried.split('?', 2)
      const page = benchPageOf(id)
      if (!page || query.length > 1800) return []
      const inputs = new URLSearchParams(query)
      const worked = workBench(
        page,
        typedFrom(page, (name) => inputs.get(name), {}, metricUnits),
        metricUnits,
      )
      if (!worked.ok) return []
      const says = page.says(worked.result, worked.values, showIn(metricUnits))
      return [{ page: page.name, says, address: `/bench/${page.id}?${inputs}` }]
    })
}
