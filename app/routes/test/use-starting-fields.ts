import { useFieldText } from '~/lib/units'
import type { Product } from '~core/fluid/readings'
import { type TesterId, testerOf } from '~core/fluid/testers'
import type { JobState } from '~core/job/state'
import { NO_READING, type TestFields } from './test-form'

/** A second method is another than the first. */
export const otherThan = (tester: TesterId): TesterId =>
  tester === 'boiling-sampler' ? 'copper-strip' : 'boiling-sampler'

/** The fields as they begin: as tested before, else a percentage meter in the reservoir. */
export function useStartingFields({
  before,
  product,
}: {
  before?: JobState['tested']
  product?: Product
}): Partial<TestFields> & { tester: TesterId | typeof NO_READING; tester2?: TesterId } {
  const text = useFieldText()
  const shown = (reading?: { tester: TesterId; value: number }) => {
    if (!reading) return undefined
    const { asks } = testerOf(reading.tester)
    return asks.of === 'number' && asks.quantity ? text(asks.quantity, reading.value) : String(reading.value)
  }
  const [first, second] = before?.readings ?? []
  return {
    tester: before?.notTakenWhy === undefined ? (first?.tester ?? 'percent-meter') : NO_READING,
    value: shown(first),
    at: first?.at ?? 'reservoir',
    tester2: second?.tester,
    value2: shown(second),
    at2: second?.at ?? 'reservoir',
    why: before?.notTakenWhy,
    tool: before?.tester,
    productName: product?.name,
    dryC: text('temperature', product?.dryC),
    wetC: text('temperature', product?.wetC),
  }
}
