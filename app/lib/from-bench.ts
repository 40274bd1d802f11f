import { benchPageOf } from '~core/calculators'
import { typedFrom, workBench } from '~core/calculators/page'
import type { EventOf } from '~core/job/events'
import { metricUnits } from '~core/units/units'

/** A result carried from the Bench: what it says, and the address that shows it again. */
export type FromBench = NonNullable<EventOf<'planned'>['fromBench']>[number]

const MOST_CARRIED = 5
/** As long as a note of an event may be; the inputs of a page take a fifth of it. */
const LONGEST = 2000

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
      if (!page || query.length > LONGEST) return []
      const inputs = new URLSearchParams(query)
      const worked = workBench(
        page,
        typedFrom(page, (name) => inputs.get(name), {}, metricUnits),
        metricUnits,
      )
      if (!worked.ok) return []
      const says = page.says(worked.result, worked.values)
      const address = `/bench/${page.id}?${inputs}`
      return address.length <= LONGEST ? [{ page: page.id, says, address }] : []
    })
}
