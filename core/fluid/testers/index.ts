import { type Fact, fact } from '../../base/decision'
import { bandedPen } from './banded-pen'
import { boilingSampler } from './boiling-sampler'
import { copperStrip } from './copper-strip'
import { degreeMeter } from './degree-meter'
import { lookedAt } from './looked-at'
import { ohmmeter } from './ohmmeter'
import { percentMeter } from './percent-meter'
import type { Tester } from './tester'

/** Every kind of instrument, from quick to sure. A new one is one file and one line here. */
export const testers = {
  'looked-at': lookedAt,
  ohmmeter,
  'banded-pen': bandedPen,
  'degree-meter': degreeMeter,
  'percent-meter': percentMeter,
  'copper-strip': copperStrip,
  'boiling-sampler': boilingSampler,
} as const satisfies Record<string, Tester>

export type TesterId = keyof typeof testers
export const testerIds = Object.keys(testers) as [TesterId, ...TesterId[]]
export const testerOf = (id: TesterId): Tester => testers[id]

/** Any kind that boils or measures water with more certainty than these, the surest first. */
export const surerThan = (ids: readonly TesterId[]): TesterId[] => {
  const surest = Math.max(...ids.map((id) => testerOf(id).sureness))
  return testerIds
    .filter((id) => testerOf(id).mayPass && testerOf(id).sureness > surest)
    .sort((a, b) => testerOf(b).sureness - testerOf(a).sureness)
}

/** What an instrument is called where one is picked, where it is named in passing, and what a person should know of it. */
export const testerTitle = (id: TesterId): Fact => fact(`tester-${id}-title`)
export const testerFact = (id: TesterId): Fact => fact(`tester-${id}`)
export const testerSays = (id: TesterId): Fact => fact(`tester-${id}-says`)
