import { expect, test } from 'vitest'
import { vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { applyEvent } from './apply'
import { carefulAct } from './careful'
import type { JobEvent } from './events'
import { practiceJob, practiceWays } from './practice'
import { bleedDone } from './selectors'

test.each(practiceWays)(
  'practice by %s begins at its first step and comes to its end as any job does',
  (way) => {
    let state = practiceJob(vehicleFrom(examples['ferry-estate']?.file), way)
    expect(state.run?.stages.some(({ stage }) => stage.technique === way)).toBe(true)
    for (let i = 0; i < 3000; i++) {
      const act = carefulAct(state)
      if (!act) break
      const applied = applyEvent(state, {
        ...act,
        id: `practice-test-${i}`.padEnd(20, '-'),
        at: '2026-01-01T08:00:00.000Z',
      } as JobEvent)
      if (!applied.ok) throw new Error(applied.refusal.text)
      state = applied.state
    }
    expect(bleedDone(state)).toBe(true)
  },
)
